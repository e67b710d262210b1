import { type Expression, value } from "./arithmetic.ts";

/** The custom properties that formulas read, without `--lumbit-`. */
export type Property =
  // Of a scene: its viewport, height, hold and passage, the page beside it, its settle moment.
  | ("v" | "h" | "l" | "length" | "before" | "after" | "lo" | "hi" | "auto" | "settle" | "from" | "to")
  // Of the camera, and of a layer: how it drifts, and how far a hold or a slide moves it.
  | (
      | "page-relief"
      | "relief"
      | "pan"
      | "push"
      | "sway"
      | "speed"
      | "ux"
      | "uy"
      | "sideways"
      | "k"
      | "kx"
      | "ky"
    )
  | ("enter-x" | "enter-y" | "leave-x" | "leave-y" | "hold-x" | "hold-y")
  // Of a pane: where it is, when it is in view, and how far its picture reaches past it.
  | ("t" | "ph" | "plo" | "phi" | "paned" | "swing" | `over-${"top" | "right" | "bottom" | "left"}`)
  // Of a page's column, of a reel, of a picture that rules exchange.
  | ("margin" | "column" | "slide" | "slide-gap" | "slides" | "natural" | "ratio" | "fit" | "ems");

/** A custom property in an expression. */
export const variable = (name: Property, otherwise?: string | number): Expression =>
  value(`var(--lumbit-${name}${otherwise === undefined ? "" : `, ${otherwise}`})`);
