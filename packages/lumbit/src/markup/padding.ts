import type { Panel } from "../core/index.ts";
import type { Declarations } from "./tree.ts";

/** How far a panel reaches past the words on it. */
export const paddingCss = (padding: Panel["padding"]): Declarations =>
  padding === undefined ? {} : { padding, "box-sizing": "border-box" };
