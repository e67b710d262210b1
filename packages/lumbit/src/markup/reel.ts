import {
  type AnyLayer,
  besideSlide,
  goesRight,
  type Reel,
  rowLength,
  rowTravel,
  slidesBefore,
  slidOffsets,
  speedOf,
  statesOf,
} from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import { factor } from "./drift.ts";
import { lengthCss } from "./lengths.ts";
import { variable } from "./properties.ts";
import type { Way } from "./ramp.ts";
import type { Declarations } from "./tree.ts";

/** What the slides of a reel are laid out by; how many there are no rule changes. */
export const reelCss = ({ width, gap }: Reel, slides?: number): Declarations => ({
  "--lumbit-slide": lengthCss(width ?? "100%", "x"),
  "--lumbit-slide-gap": lengthCss(gap ?? "0px", "x"),
  "--lumbit-slides": slides,
});

const row = {
  slide: variable("slide"),
  gap: variable("slide-gap"),
  count: variable("slides"),
};

/** Where a slide lies in its reel: what is to the left and to the right of it, as if it were a scene on its side. */
export function slideCss(index: number, count: number, reel: Reel = {}): Declarations {
  const ahead = slidesBefore(reel, index, count);
  return {
    "--lumbit-before": print(besideSlide(css, css.number(ahead), row)),
    "--lumbit-after": print(besideSlide(css, css.number(count - 1 - ahead), row)),
  };
}

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
  keyframes:
    "{ from { translate: var(--lumbit-enter-x) 0px; } to { translate: var(--lumbit-leave-x) 0px; } }",
  composition: "replace",
};
export const rowCss = (reel: Reel): Declarations =>
  between(
    css.px(0),
    css.multiply(css.number(-1), rowTravel(css, rowLength(css, row), value("100cqw"))),
    reel,
  );

/** From where to where something goes while a reel travels: the other way where its slides go to the right. */
function between(first: Expression, last: Expression, reel: Reel): Declarations {
  const [from, to] = goesRight(reel) ? [last, first] : [first, last];
  return { "--lumbit-enter-x": print(from), "--lumbit-leave-x": print(to) };
}

/** How a layer slides against its slide as that travels. */
export const slideWay: Way = {
  ...whileHeld,
  name: "lumbit-slide",
  keyframes:
    "{ from { translate: var(--lumbit-enter-x) 0px; } to { translate: var(--lumbit-leave-x) 0px; } }",
  composition: "replace",
};
export const slidesAgainst = (layer: AnyLayer) => statesOf(layer).some((state) => speedOf(state) !== 1);
const [viewport, before] = [variable("v"), variable("before")];
const slid = slidOffsets(
  css,
  factor,
  { viewport, before, length: variable("length") },
  rowTravel(css, css.add(before, variable("h"), variable("after")), viewport),
);
export const slideLayerCss = (reel: Reel): Declarations => between(slid.from, slid.to, reel);
