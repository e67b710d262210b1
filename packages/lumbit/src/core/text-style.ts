import type { TextLayer } from "./page.ts";

/** What a text looks like when it does not say; the family is the page's. */
export const textDefaults = {
  as: "p",
  fontWeight: 400,
  fontStyle: "normal",
  lineHeight: 1.3,
  textAlign: "left",
} as const;

/** The element of a text layer. */
export const elementOf = (layer: TextLayer) => layer.as ?? textDefaults.as;
