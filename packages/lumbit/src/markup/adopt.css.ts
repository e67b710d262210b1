import { motionConditions, swipeMedia } from "./conditions.ts";
import { cropCss } from "./crop.ts";
import { keyframesCss, type Way } from "./ramp.ts";
import { rowWay, slideWay } from "./reel.ts";

/** Where a layer of existing markup is drawn at an end of its drift: its own `translate` goes on, and a picture covers its pane. */
export const standing = (end: "enter" | "leave") => {
  const at = (axis: "x" | "y") =>
    `calc(var(--lumbit-${end}-${axis}) + var(--lumbit-shift-${axis}) + var(--lumbit-own-${axis}))`;
  return `translate: ${at("x")} ${at("y")};`;
};

export const crop = (end: "enter" | "leave") => {
  const moved = (axis: "x" | "y") => `(var(--lumbit-${end}-${axis}) + var(--lumbit-shift-${axis}))`;
  return `clip-path: ${cropCss({ x: moved("x"), y: moved("y") })};`;
};

export const between = (end: typeof standing) => `{ from { ${end("enter")} } to { ${end("leave")} } }`;

/** How what drifts does, wherever it stands: scenes and existing markup that are brought to life in one page share the name. */
export const standingDriftCss = `@keyframes lumbit-drift ${between(standing)}`;

/** What crops a picture while it slides against its slide. */
export const cropWay: Way = { ...slideWay, name: "lumbit-crop", keyframes: between(crop) };

/** What existing markup needs besides what built scenes have. */
export const adoptCss = `
[data-lumbit-is~=adopted] { overflow-x: clip; }
[data-lumbit-is~=adopted-reel] { container-type: inline-size; }
[data-lumbit-is~=paned] { --lumbit-paned: 1; }
[data-lumbit-is~=behind] { display: none; z-index: -1; left: 0; top: 0; width: 100%; height: 100%; pointer-events: none; }
@media ${swipeMedia} {
  [data-lumbit-is~=adopted]:has([data-lumbit-is~=adopted-reel]):not(:has([data-lumbit-is~=travels])) { --lumbit-l: 0px !important; }
  [data-lumbit-is~=adopted-reel]:not([data-lumbit-is~=travels]) > [data-lumbit-is~=row] { flex-direction: row !important; }
  [data-lumbit-is~=adopted-reel]:not([data-lumbit-is~=travels]) :is([data-lumbit-is~=row], [data-lumbit-is~=ramped]) { --lumbit-enter-x: 0px !important; --lumbit-leave-x: 0px !important; }
}
@media ${motionConditions.media} {
  [data-lumbit-is~=behind] { display: block; }
  [data-lumbit-is~=adopted-reel][data-lumbit-is~=backwards] > [data-lumbit-is~=row] { flex-direction: row-reverse; }
  [data-lumbit-is~=paned] { scale: var(--lumbit-cover); }
  ${standingDriftCss}
  ${keyframesCss([rowWay, { ...slideWay, keyframes: between(standing) }, cropWay]).join("\n")}
}
`;
