import type { Box } from "./box.ts";
import { columnWidth } from "./column.ts";
import type { PageLook } from "./page.ts";
import type { Scene } from "./scene.ts";
import { resolveLength, type Viewport } from "./units.ts";

/** How far the entries of a list are set in. */
export const listIndent = "1.5rem";

/** Where the content of a scene stands across, in px from the left edge of its scene. */
export function contentAcross(scene: Scene, look: PageLook, viewport: Viewport): Pick<Box, "left" | "width"> {
  const column = columnWidth(look, viewport);
  const own = resolveLength(scene.contentWidth ?? "100%", { viewport, percent: column });
  const width = Math.min(own, column);
  const share = { left: 0, middle: 0.5, right: 1 }[scene.contentSide ?? "middle"];
  const outside = scene.width === "column" ? 0 : (viewport.width - column) / 2;
  return { left: outside + share * (column - width), width };
}
