import {
  type GroupLayer,
  isGroup,
  type Layer,
  type Reel,
  speedOf,
  statesOf,
  swipeWidth,
} from "../core/index.ts";
import { lengthCss } from "./lengths.ts";
import type { Way } from "./ramp.ts";
import type { Declarations } from "./tree.ts";

/** Where reels travel; narrower screens swipe them. */
export const travelMedia = `(min-width: ${swipeWidth}px)`;
export const swipeMedia = `(max-width: ${swipeWidth - 0.02}px)`;

export const isReel = (layer: Layer): layer is GroupLayer & { reel: Reel } =>
  isGroup(layer) && layer.reel !== undefined;

/** What the slides of a reel are laid out by; how many there are no rule changes. */
export const reelCss = ({ width, gap }: Reel, slides?: number): Declarations => ({
  "--lumbit-slide": lengthCss(width ?? "100%", "x"),
  "--lumbit-slide-gap": lengthCss(gap ?? "0px", "x"),
  "--lumbit-slides": slides,
});

const step = "(var(--lumbit-slide) + var(--lumbit-slide-gap))";

/** Where a slide lies in its reel: what is to the left and to the right of it, as if it were a scene on its side. */
export const slideCss = (index: number, count: number): Declarations => ({
  "--lumbit-before": `calc(${index} * ${step})`,
  "--lumbit-after": `calc(${count - 1 - index} * ${step})`,
});

const whileHeld = {
  of: "scene",
  over: ["contain 0%", "contain 100%"],
  easing: "linear",
  fill: "both",
} as const;

/** The way of all slides, and how far it goes. */
export const rowWay: Way = {
  ...whileHeld,
  name: "lumbit-row",
  keyframes: "{ from { translate: 0px 0px; } to { translate: var(--lumbit-leave-x) 0px; } }",
  composition: "replace",
};
export const rowCss: Declarations = {
  "--lumbit-leave-x": `min(0px, 100cqw + var(--lumbit-slide-gap) - var(--lumbit-slides) * ${step})`,
};

/** How a layer slides against its slide as that travels. */
export const slideWay: Way = {
  ...whileHeld,
  name: "lumbit-slide",
  keyframes:
    "{ from { translate: var(--lumbit-enter-x) 0px; } to { translate: var(--lumbit-leave-x) 0px; } }",
  composition: "replace",
};
export const slidesAgainst = (layer: Layer) => statesOf(layer).some((state) => speedOf(state) !== 1);
const k = "var(--lumbit-page-relief, 1) * var(--lumbit-relief, 1) * (1 - var(--lumbit-speed, 1))";
const first = "var(--lumbit-v) - var(--lumbit-before) - var(--lumbit-length) / 2";
export const slideLayerCss: Declarations = {
  "--lumbit-enter-x": `calc(${k} * (${first}))`,
  "--lumbit-leave-x": `calc(${k} * (var(--lumbit-h) + var(--lumbit-after) - var(--lumbit-length) / 2))`,
};
