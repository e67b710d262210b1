import { playCues } from "./cues.ts";

playCues([...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")], () => {});
