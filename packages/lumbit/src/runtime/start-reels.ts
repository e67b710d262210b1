import { followReels } from "./reel.ts";

followReels([...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")], () => {});
