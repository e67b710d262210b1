import { directionVector, speedOf } from "./depth.ts";
import type { Camera, Layer } from "./page.ts";

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
