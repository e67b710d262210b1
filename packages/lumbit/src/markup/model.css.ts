import { columnDefaults, orderSteps } from "../core/index.ts";
import { driftRange } from "./ramp.ts";
import { travelMedia } from "./reel.ts";

/**
 * The model in CSS: the same formulas as in the core, over whatever viewport the reader has. A scene sets
 * --lumbit-h (its height H), --lumbit-l (its hold L), --lumbit-before and --lumbit-after (the page above and below it) and --lumbit-settle
 * (p0); a layer sets --lumbit-speed and its direction (--lumbit-ux, --lumbit-uy); a pane sets its distance from the
 * scene's top (--lumbit-t) and its height (--lumbit-ph). p is the position in the passage, --lumbit-v is V.
 *
 * V is the large viewport, which does not change while a phone's toolbars slide: movement is tied to the scene's
 * top edge alone, so nothing jumps. For the same reason the timeline's range starts at one large viewport before
 * that edge reaches the top, not where the `cover` range does.
 *
 * What is registered (`propertyCss`, for the document, since shadow roots cannot register) is computed once, on the
 * scene; its layers inherit lengths in px instead of formulas.
 */
const lengths = [
  "v",
  "h",
  "l",
  "length",
  "before",
  "after",
  "lo",
  "hi",
  "auto",
  "t",
  "ph",
  "plo",
  "phi",
  "over-top",
  "over-bottom",
  "over-left",
  "over-right",
  "reach-top",
  "reach-left",
];

export const propertyCss = `${lengths.map((name) => `@property --lumbit-${name} { syntax: "<length>"; inherits: true; initial-value: 0px; }`).join("\n")}
@property --lumbit-settle { syntax: "<length>"; inherits: true; initial-value: 0px; }
${["enter-x", "enter-y", "leave-x", "leave-y", "hold-x", "hold-y"].map((name) => `@property --lumbit-${name} { syntax: "<length>"; inherits: false; initial-value: 0px; }`).join("\n")}
@property --lumbit-paned { syntax: "<number>"; inherits: false; initial-value: 0; }
@property --lumbit-clipped { syntax: "*"; inherits: false; }
@property --lumbit-clip { syntax: "*"; inherits: false; }
@property --lumbit-blur { syntax: "<length>"; inherits: false; initial-value: 0px; }
${["brightness", "saturation"].map((name) => `@property --lumbit-${name} { syntax: "<number>"; inherits: false; initial-value: 1; }`).join("\n")}
`;

/** The width of a page's column. */
export const columnCss = `min(100% - 2 * var(--lumbit-margin, ${columnDefaults.margin}), var(--lumbit-column, ${columnDefaults.column}))`;

export const modelCss = `
:root { --lumbit-v: 100vh; }
.lumbit-scene {
  position: relative;
  isolation: isolate;
  height: var(--lumbit-h);
  overflow: clip;
  break-inside: avoid;
  print-color-adjust: exact;
}
[data-lumbit-scene], .lumbit-flows .lumbit-stage > *, .lumbit-slide {
  --lumbit-length: calc(var(--lumbit-v) + var(--lumbit-h) + var(--lumbit-l));
  --lumbit-lo: max(0px, var(--lumbit-v) - var(--lumbit-before));
  --lumbit-hi: max(var(--lumbit-lo), min(var(--lumbit-length), var(--lumbit-h) + var(--lumbit-l) + var(--lumbit-after)));
  --lumbit-auto: max(var(--lumbit-lo), min(var(--lumbit-hi), var(--lumbit-length) / 2 - min(var(--lumbit-length) / 2, var(--lumbit-lo) * 1000000)));
}
.lumbit-track { height: auto; }
.lumbit-held { position: relative; isolation: isolate; height: var(--lumbit-h); overflow: clip; }
.lumbit-flows, .lumbit-flows > .lumbit-held { height: auto; }
.lumbit-stage { position: absolute; inset: 0; container-type: size; pointer-events: none; }
.lumbit-stage > *, .lumbit-group > * { pointer-events: auto; }
.lumbit-fixed { position: absolute; inset: 0; clip-path: inset(0); }
.lumbit-content {
  position: relative;
  /* Below what lies on the surface, wherever in the markup that stands. */
  z-index: ${orderSteps - 1};
  display: grid;
  gap: var(--lumbit-gap, ${columnDefaults.gap});
  width: var(--lumbit-content, ${columnCss});
  margin-inline: auto;
}
.lumbit-content > * { margin: 0; }
.lumbit-content > ul { padding-inline-start: 1.5rem; }
.lumbit-layer, .lumbit-pane { position: absolute; margin: 0; }
img.lumbit-layer, [data-lumbit-backdrop] { display: block; max-width: none; object-fit: cover; }
picture:has(> .lumbit-layer) { display: contents; }
.lumbit-layer[alt=""], .lumbit-pane:has(> [alt=""], > picture > [alt=""]) { pointer-events: none; user-select: none; }
:is(h1, h2, h3, h4, h5, h6, p):is(.lumbit-layer, [data-lumbit-block]) {
  font-size: 1rem;
  font-weight: 400;
  line-height: 1.3;
  text-align: start;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
:is(h1, h2, h3, h4, h5, h6):is(.lumbit-layer, [data-lumbit-block]) { text-wrap: balance; }
.lumbit-content > ul { font-size: 1rem; line-height: 1.3; }
.lumbit-pane { overflow: var(--lumbit-clip, clip); container-type: size; }
/* What runs inside a pane can be scrolled there by a reader for whom it stands still. */
.lumbit-pane:has(> .lumbit-group) { overflow: var(--lumbit-clip, auto); }
.lumbit-group { container-type: size; }
/* A row goes to the left on pages of every script; what is in its slides is written as the page is. */
[dir="ltr"] { --lumbit-written: ltr; }
[dir="rtl"] { --lumbit-written: rtl; }
.lumbit-reel { direction: ltr; overflow: auto hidden; scroll-snap-type: x mandatory; }
.lumbit-row { --lumbit-v: 100cqw; display: flex; gap: var(--lumbit-slide-gap); width: max-content; height: 100%; }
/* A slide goes through its reel as a scene goes through the viewport, on its side. */
.lumbit-row > .lumbit-slide {
  --lumbit-h: var(--lumbit-slide);
  --lumbit-l: 0px;
  --lumbit-settle: calc(var(--lumbit-length) / 2);
  --lumbit-from: initial;
  --lumbit-to: initial;
  --lumbit-sway: 0px;
  position: relative;
  flex: none;
  direction: var(--lumbit-written, ltr);
  width: var(--lumbit-h);
  height: 100%;
  overflow: clip;
  scroll-snap-align: center;
}
.lumbit-fill { --lumbit-t: 0px; --lumbit-ph: var(--lumbit-h); }
/* Whether a layer reaches past what clips it. */
.lumbit-reach { --lumbit-paned: var(--lumbit-clipped, 1); }
.lumbit-reach, .lumbit-group { left: 0; top: 0; width: 100%; height: 100%; }
.lumbit-backdrop { position: absolute; inset: 0; z-index: -1; overflow: clip; container-type: size; }
[data-lumbit-backdrop] { position: absolute; left: 0; top: 0; width: 100%; height: 100%; }
.lumbit-adopted { overflow-x: clip; }
.lumbit-adopted-pane { overflow: clip; }
.lumbit-adopted-pane > .lumbit-reach.lumbit-reach { position: absolute; left: 0; top: 0; width: 100%; height: 100%; max-width: none; object-fit: cover; }
main:has(> .lumbit-backdrop) { position: relative; isolation: isolate; }
`;

/**
 * Skips stages far from the view, for pages of many layers: browsers advance the animations of all of them in each
 * frame. Only where the engine wakes a skipped box a screen and a half early, as Chromium does (a property of its own
 * tells it from the others, which wake it when it already shows). It does so only where nothing around a stage clips
 * its height, so here the stages clip, a pixel later than their scenes would, since they do not snap to whole pixels
 * as these do. A jump over more than that shows the new scenes one frame late. A skipped stage is stacked as one: not
 * where a rule carries a layer across the content.
 */
export const skipCss = `
@supports (app-region: drag) {
  .lumbit-scene, .lumbit-held { overflow-y: visible; }
  .lumbit-stage { overflow: clip; overflow-clip-margin: 1px; }
  :not(.lumbit-crossed) > .lumbit-stage { content-visibility: auto; }
  :not(.lumbit-crossed) > .lumbit-content ~ .lumbit-stage { z-index: ${orderSteps}; }
}
`;

/** The conditions under which a page moves without script. */
export const motionConditions = {
  media: "screen and (prefers-reduced-motion: no-preference)",
  supports: "(animation-timeline: view()) and (animation-range: exit-crossing 0% exit-crossing 100%)",
};

/** How far a picture in a pane has moved, and what of the pane is above and below the viewport, at p. */
const moved = (axis: "x" | "y", p: string) => `var(--lumbit-k${axis}) * (${p} - var(--lumbit-settle))`;
const passed = (p: string) =>
  `min(${p} - var(--lumbit-v), 0px) + max(0px, ${p} - var(--lumbit-v) - var(--lumbit-l))`;
const overTop = (p: string) => `${moved("y", p)} - max(0px, ${passed(p)} - var(--lumbit-t))`;
const overBottom = (p: string) =>
  `min(var(--lumbit-ph), var(--lumbit-v) + ${passed(p)} - var(--lumbit-t)) - var(--lumbit-ph) - ${moved("y", p)}`;
const [first, last] = ["var(--lumbit-plo)", "var(--lumbit-phi)"] as const;
const largest = (edge: (p: string) => string, ...corners: string[]) =>
  `calc(var(--lumbit-paned) * max(${[first, ...corners.map((p) => `clamp(${first}, ${p}, ${last})`), last].map(edge).join(", ")}))`;
const paneEnd = "var(--lumbit-t) + var(--lumbit-ph)";

/** What a scene and its pictures in panes need to move, whoever moves them: the hold and the overscan. */
export const reachCss = `
.lumbit-track > .lumbit-held { position: sticky; top: 0; }
.lumbit-track::after { content: ""; display: block; height: var(--lumbit-l); }
.lumbit-pane.lumbit-pane:has(> .lumbit-group) { overflow: var(--lumbit-clip, clip); }
[data-lumbit-scene] { scroll-margin-top: calc(var(--lumbit-v) - var(--lumbit-settle)); }
[data-lumbit-scene].lumbit-flows { scroll-margin-top: 0; }
[data-lumbit-driver="native"] .lumbit-drifts, .lumbit-reach {
  --lumbit-k: calc(var(--lumbit-page-relief, 1) * var(--lumbit-relief, 1) * (1 - var(--lumbit-speed, 1)));
  --lumbit-kx: calc(var(--lumbit-k) * (var(--lumbit-ux, 0) + var(--lumbit-pan, 0)));
  --lumbit-ky: calc(var(--lumbit-k) * var(--lumbit-uy, 1));
}
.lumbit-reach.lumbit-reach.lumbit-reach {
  --lumbit-plo: min(max(var(--lumbit-from, var(--lumbit-lo)), var(--lumbit-t) + clamp(0px, (var(--lumbit-t) - var(--lumbit-v)) * 1000000, var(--lumbit-l))), var(--lumbit-to, var(--lumbit-hi)));
  --lumbit-phi: max(var(--lumbit-plo), min(var(--lumbit-to, var(--lumbit-hi)), var(--lumbit-v) + var(--lumbit-l) + ${paneEnd}));
  --lumbit-over-top: ${largest(overTop, "var(--lumbit-v) + min(var(--lumbit-t), 0px)", "var(--lumbit-v) + var(--lumbit-l) + max(var(--lumbit-t), 0px)")};
  --lumbit-over-bottom: ${largest(overBottom, `min(${paneEnd}, var(--lumbit-v))`, `max(${paneEnd}, var(--lumbit-v)) + var(--lumbit-l)`)};
  --lumbit-over-left: ${largest((p) => moved("x", p))};
  --lumbit-over-right: ${largest((p) => `-1 * ${moved("x", p)}`)};
  --lumbit-swing: calc(var(--lumbit-paned) * (max(var(--lumbit-k), -1 * var(--lumbit-k)) * var(--lumbit-sway, 0px) + 1px));
  --lumbit-reach-top: calc(var(--lumbit-over-top) + var(--lumbit-swing));
  --lumbit-reach-left: calc(var(--lumbit-over-left) + var(--lumbit-swing));
  left: calc(-1 * var(--lumbit-reach-left));
  top: calc(-1 * var(--lumbit-reach-top));
  width: calc(100% + var(--lumbit-reach-left) + var(--lumbit-over-right) + var(--lumbit-swing));
  height: calc(var(--lumbit-ph) + var(--lumbit-reach-top) + var(--lumbit-over-bottom) + var(--lumbit-swing));
}
/* What is in a group moves with it, and needs no overscan of its own; nor does what is in a slide that is swiped. */
:is(.lumbit-group, .lumbit-slide) .lumbit-reach.lumbit-reach.lumbit-reach { left: 0; top: 0; width: 100%; height: 100%; }
@media ${travelMedia} {
  .lumbit-reel { overflow: clip; }
  .lumbit-slide .lumbit-reach.lumbit-reach.lumbit-reach {
    left: calc(-1 * var(--lumbit-reach-top));
    top: calc(-1px * var(--lumbit-paned));
    width: calc(var(--lumbit-ph) + var(--lumbit-reach-top) + var(--lumbit-over-bottom) + var(--lumbit-swing));
    height: calc(100% + 2px * var(--lumbit-paned));
  }
  .lumbit-live .lumbit-title { transition: opacity 0.5s, transform 0.5s; }
  .lumbit-live .lumbit-slide:not([data-lumbit-shown]) .lumbit-title { opacity: 0; transform: translateY(0.5em); }
}
/* Slides away from the view are skipped where the engine wakes them in time; Firefox leaves what moves in them behind. */
@supports (app-region: drag) {
  @media ${travelMedia} { .lumbit-live .lumbit-slide:not([data-lumbit-near]) { content-visibility: auto; } }
}
[data-lumbit-backdrop] { height: calc(var(--lumbit-v) + var(--lumbit-speed, 1) * (100cqh - var(--lumbit-v))); }
.lumbit-fixed .lumbit-reach.lumbit-reach.lumbit-reach { position: fixed; top: calc(var(--lumbit-v) - var(--lumbit-settle) - var(--lumbit-reach-top)); }
`;

/**
 * What moves a page without script. Keyframes are resolved again in every frame, so what they name is registered and
 * computed beforehand.
 */
export const nativeCss = `
/* Without an inset the page's scroll-padding, meant for sticky headers, would shift the timeline. */
[data-lumbit-driver="native"] { view-timeline: --lumbit-scene block; view-timeline-inset: 0px; }
[data-lumbit-driver="native"] .lumbit-drifts {
  --lumbit-enter-x: calc(var(--lumbit-kx) * (0px - var(--lumbit-settle)));
  --lumbit-enter-y: calc(var(--lumbit-ky) * (0px - var(--lumbit-settle)));
  --lumbit-leave-x: calc(var(--lumbit-kx) * (var(--lumbit-length) - var(--lumbit-settle)));
  --lumbit-leave-y: calc(var(--lumbit-ky) * (var(--lumbit-length) - var(--lumbit-settle)));
  animation: lumbit-drift linear both;
  animation-duration: auto;
  animation-timeline: --lumbit-scene;
  animation-range: ${driftRange};
}
@keyframes lumbit-drift {
  from { translate: var(--lumbit-enter-x) var(--lumbit-enter-y); }
  to { translate: var(--lumbit-leave-x) var(--lumbit-leave-y); }
}
@keyframes lumbit-push {
  from { transform: perspective(calc(var(--lumbit-length) / var(--lumbit-speed, 1))) translateZ(calc(var(--lumbit-push, 0) * (1 - var(--lumbit-paned)) * (0px - var(--lumbit-settle)))); }
  to { transform: perspective(calc(var(--lumbit-length) / var(--lumbit-speed, 1))) translateZ(calc(var(--lumbit-push, 0) * (1 - var(--lumbit-paned)) * (var(--lumbit-length) - var(--lumbit-settle)))); }
}
[data-lumbit-backdrop="native"] {
  animation: lumbit-backdrop linear both;
  animation-duration: auto;
  animation-timeline: scroll();
}
@keyframes lumbit-backdrop {
  to { translate: 0 calc((1 - var(--lumbit-speed, 1)) * (100cqh - var(--lumbit-v))); }
}
`;
