import { directionVector, speedOf } from "./depth.ts";
import type { Layer } from "./layer.ts";
import type { Length } from "./units.ts";

/** Camera movement besides that down the page. */
export interface Camera {
  /** Sideways movement per scrolled pixel; positive carries far layers to the right. */
  pan?: number;
  /** Movement forward over a whole passage, in camera distances. */
  push?: number;
  /** How far it moves to each side as the pointer goes from the middle of the screen to its edge, or a device tilts. */
  sway?: Length;
}

/** What all layers of a scene share: the product of page's and scene's relief, and the camera. */
export interface Stage {
  relief: number;
  camera: Required<Camera>;
}

/** How far a layer slides against its scene per scrolled pixel, to the right and downwards. */
export interface Drift {
  x: number;
  y: number;
}

/** The drift k of a layer, relief * (1 - speed), along its direction and with the camera's pan. */
export function driftOf(layer: Layer, { relief, camera }: Stage): Drift {
  const k = relief * (1 - speedOf(layer));
  const { x, y } = directionVector(layer.direction);
  return { x: k * (x + camera.pan), y: k * y };
}
