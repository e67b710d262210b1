import { css } from "./arithmetic.ts";
import { variable } from "./properties.ts";

/** A scene and its passage as its custom properties have them. */
export const scene = {
  viewport: variable("v"),
  scene: variable("h"),
  hold: variable("l"),
  before: variable("before"),
  after: variable("after"),
};
export const passage = { ...scene, length: variable("length"), lo: variable("lo"), hi: variable("hi") };
export const settle = variable("settle");
export const zero = css.px(0);
