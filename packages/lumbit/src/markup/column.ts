import { columnDefaults, columnIn } from "../core/index.ts";
import { css, print, value } from "./arithmetic.ts";
import { variable } from "./properties.ts";

/** The width of a page's column. */
export const columnCss = print(
  columnIn(
    css,
    value("100%"),
    variable("margin", columnDefaults.margin),
    variable("column", columnDefaults.column),
  ),
);
