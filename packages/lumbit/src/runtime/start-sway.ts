import { watchLayout } from "./driver.ts";
import { scrollerOf } from "./scroller.ts";
import { swayScenes } from "./sway.ts";

const scenes = [...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")];
const first = scenes[0];
if (first) watchLayout(scenes, scrollerOf(first), swayScenes(scenes).refresh);
