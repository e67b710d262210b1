import type { Camera } from "../settings/index.ts";
import { type Arithmetic, numbers } from "./arithmetic.ts";
import { directionVector, speedOf } from "./depth.ts";
import type { AnyLayer } from "./layer.ts";

export type { Camera } from "../settings/index.ts";

/** What all layers of a scene share: the product of page's and scene's relief, and the camera. */
export interface Stage {
  relief: number;
  camera: Required<Camera>;
  /** The width of the viewport over its height, in which sideways drift may count; 1 without it. */
  aspect?: number;
}

/** How far a layer slides against its scene per scrolled pixel, to the right and downwards. */
export interface Drift<T = number> {
  x: T;
  y: T;
}

/** k = relief * (1 - speed): how far a layer slides against its scene per px that the camera moves. */
export const driftFactor = <T>(a: Arithmetic<T>, relief: T, speed: T): T =>
  a.multiply(relief, a.subtract(a.number(1), speed));

/** The drift of a factor k along a direction, and with the camera's pan sideways. */
export const driftAlong = <T>(a: Arithmetic<T>, k: T, direction: Drift<T>, pan: T): Drift<T> => ({
  x: a.multiply(k, a.add(direction.x, pan)),
  y: a.multiply(k, direction.y),
});

/** d(p) = k * (p - p0): how far a drift has carried a layer at position p from where it stands at p0. */
export const displacement = <T>(a: Arithmetic<T>, drift: T, p: T, settle: T): T =>
  a.multiply(drift, a.subtract(p, settle));

/** How far a layer moves to each side as the camera sways: |k| times as far as the camera. */
export const swing = <T>(a: Arithmetic<T>, k: T, sway: T): T =>
  a.multiply(a.max(k, a.multiply(a.number(-1), k)), sway);

/** What a camera that moves forward depends on: its way over a whole passage, in camera distances. */
export interface PushInput<T> {
  push: T;
  /** Of the layer. */
  speed: T;
  /** That of the whole passage, in px. */
  length: T;
  settle: T;
}

/**
 * How far a layer lies from the camera at its settle moment, and how much nearer it has come at position p, both in px
 * of a passage: it is `distance / (distance - nearer)` times as large, which is (1 + depth) / (1 + depth - push).
 */
export const pushed = <T>(a: Arithmetic<T>, { push, speed, length, settle }: PushInput<T>, p: T) => ({
  distance: a.divide(length, speed),
  nearer: a.multiply(push, a.subtract(p, settle)),
});

/** The drift of a layer, along its direction and with the camera's pan. */
export function driftOf(layer: AnyLayer, { relief, camera, aspect = 1 }: Stage): Drift {
  const { x, y } = directionVector(layer.direction);
  const direction = { x: layer.sideways === "width" ? x * aspect : x, y };
  return driftAlong(numbers, driftFactor(numbers, relief, speedOf(layer)), direction, camera.pan);
}
