import type { Easing } from "./easing.ts";
import type { Moment } from "./moment.ts";
import type { Pieces } from "./pieces.ts";
import type { Length } from "./units.ts";

/** A change that plays once when the scroll passes a moment, from what it says to how the layer was composed. */
export interface Cue {
  /** The moment, or `"load"`: as soon as the page is there; `"entry 30%"` by default. */
  at?: Moment | "load";
  /** Whose passage the moment belongs to: the layer's own (default) or the scene's. */
  of?: "layer" | "scene";
  /** What the layer comes from. Offsets are to the right and downwards, percentages of its own size. */
  from: {
    x?: Length;
    y?: Length;
    opacity?: number;
    scale?: number;
    /** Degrees, clockwise. */
    rotate?: number;
    blur?: `${number}px`;
    /** What is cut off at the top, right, bottom and left, as in the CSS function `inset()`. */
    clip?: string;
  };
  /** Milliseconds; 700 by default. */
  duration?: number;
  /** Milliseconds; 0 by default. */
  delay?: number;
  /** `"ease-out"` by default. */
  easing?: Easing;
  /** Of a text: its pieces come one after the other; lines are those on the reader's screen. */
  pieces?: Pieces;
  /** Milliseconds from one piece of a text, or layer of a group, to the next; 0 by default, 40 with pieces. */
  stagger?: number;
}
