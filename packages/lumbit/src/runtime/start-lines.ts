import { watchLayout } from "./driver.ts";
import { measureLines } from "./lines.ts";
import { scrollerOf } from "./scroller.ts";

const scenes = [...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")];
const first = scenes[0];
if (first) {
  const measure = () => scenes.forEach(measureLines);
  watchLayout(scenes, scrollerOf(first), measure);
  measure();
}
