import { watchLayout } from "./driver.ts";
import { lengthsCss, measureAround } from "./edges.ts";
import { scrollerOf } from "./scroller.ts";
import { inlineStyles } from "./style-writer.ts";

/** Measures what a style sheet cannot know: how high scenes are that are as high as their content. */
const scenes = [...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")];
const first = scenes[0];
if (first) {
  const scroller = scrollerOf(first);
  const measure = () => {
    for (const scene of scenes) {
      inlineStyles.set(scene, "edges", {
        ...lengthsCss(measureAround(scene, scroller)),
        // What is allowed for as long as nobody has measured.
        ...{ "--lumbit-from": "initial", "--lumbit-to": "initial" },
      });
    }
  };
  watchLayout(scenes, scroller, measure);
  measure();
}
