import { followFocus } from "./focus.ts";

for (const scene of document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")) followFocus(scene);
