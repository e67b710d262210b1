import { columnDefaults, columnIn, type SceneSettings } from "../core/index.ts";
import { css, print, value } from "./arithmetic.ts";
import { variable } from "./properties.ts";
import { lengthOf } from "./share.ts";
import type { Declarations } from "./tree.ts";

/** The width of a page's column. */
export const columnCss = print(
  columnIn(
    css,
    value("100%"),
    variable("margin", columnDefaults.margin),
    variable("column", columnDefaults.column),
  ),
);

/** Where the content of a scene stands in that column, for those settings of it that are given; `scene` is as they make it. */
export function contentCss(given: SceneSettings, scene: SceneSettings): Declarations {
  if (given.contentWidth === undefined && given.contentSide === undefined) return {};
  const column = value(`var(--lumbit-content, ${columnCss})`);
  const width = css.min(column, lengthOf(scene.contentWidth ?? "100%", column) ?? column);
  const outside = print(css.multiply(css.number(0.5), css.subtract(value("100%"), column)));
  const { contentSide = "middle" } = scene;
  return {
    width: print(width),
    "margin-left": contentSide === "left" ? outside : "auto",
    "margin-right": contentSide === "right" ? outside : "auto",
  };
}
