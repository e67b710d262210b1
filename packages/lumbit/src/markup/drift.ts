import { driftAlong, driftFactor } from "../core/index.ts";
import { css, type Expression } from "./arithmetic.ts";
import { variable } from "./properties.ts";

const direction = { x: css.multiply(variable("ux", 0), variable("sideways")), y: variable("uy", 1) };
/** k: what a layer's drift has in every direction. */
export const factor = driftFactor(
  css,
  css.multiply(variable("page-relief", 1), variable("relief", 1)),
  variable("speed", 1),
);
/** A drift along the direction of a layer. */
export const along = (k: Expression) => driftAlong(css, k, direction, variable("pan", 0));
