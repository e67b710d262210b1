import type { Depth } from "../settings/index.ts";

export type { Depth } from "../settings/index.ts";

/** A layer gives its depth, or its speed (0 fixed, 1 with the page), or neither: then it lies on the surface. */
export type Motion = { depth?: Depth; speed?: never } | { speed?: number; depth?: never };

/** Where drift carries a layer as the reader scrolls down: a side, or degrees clockwise from up, as in CSS. */
export type Direction = "down" | "up" | "left" | "right" | number;

/**
 * The speed of a layer at a depth (in camera distances, more than -1, `Infinity` the horizon): screen movement
 * per scrolled pixel. One camera at distance 1 from the surface sees what is 1 + depth away move 1 / (1 + depth)
 * times as fast: the pinhole projection.
 */
export const speedAt = (depth: number): number => 1 / (1 + depth);

/** The depth (more than -1, up to `Infinity`) at which a layer moves with `speed` (0 or more). */
export const depthAt = (speed: number): number => 1 / speed - 1;

/** A depth as a number: `Infinity` at the horizon. */
export const depthNumber = (depth: Depth): number => (depth === "horizon" ? Number.POSITIVE_INFINITY : depth);

/** A layer's depth as a number, 0 when it names neither depth nor speed. */
export const depthOf = ({ depth, speed }: Motion): number =>
  speed === undefined ? depthNumber(depth ?? 0) : depthAt(speed);

/** A layer's speed: what it says, or what its depth gives. */
export const speedOf = (motion: Motion): number => motion.speed ?? speedAt(depthOf(motion));

/** A direction as a vector of length 1, x to the right and y down. Degrees run clockwise from up, as in CSS. */
export function directionVector(direction: Direction = "down"): { x: number; y: number } {
  switch (direction) {
    case "down":
      return { x: 0, y: 1 };
    case "up":
      return { x: 0, y: -1 };
    case "left":
      return { x: -1, y: 0 };
    case "right":
      return { x: 1, y: 0 };
    default: {
      const angle = (direction * Math.PI) / 180;
      return { x: Math.sin(angle), y: -Math.cos(angle) };
    }
  }
}
