import { watchLayout } from "./driver.ts";
import { measureAround } from "./edges.ts";
import { scrollerOf } from "./scroller.ts";

/** Measures what a style sheet cannot know: how high scenes are that are as high as their content. */
const scenes = [...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")];
const first = scenes[0];
if (first) {
  const scroller = scrollerOf(first);
  const measure = () => {
    for (const scene of scenes) {
      measureAround(scene, scroller);
      // What is allowed for as long as nobody has measured.
      for (const name of ["from", "to"]) scene.style.setProperty(`--lumbit-${name}`, "initial");
    }
  };
  watchLayout(scenes, scroller, measure);
  measure();
}
