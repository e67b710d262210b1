import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { PageLook } from "./page.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

/** What the page's column is when it does not say: its width, the space beside it, and that between its blocks. */
export const columnDefaults = { column: "720px", margin: "1.25rem", gap: "1rem" } as const;

/** The width of a page's column, in px or in CSS: as wide as it says, as long as that leaves its margin on both sides. */
export const columnIn = <T>(a: Arithmetic<T>, whole: T, margin: T, column: T): T =>
  a.min(a.subtract(whole, a.multiply(a.number(2), margin)), column);

/** The width in px of a page's column at a viewport. */
export function columnWidth({ margin, column }: PageLook, viewport: Viewport): number {
  const across = (length: Length) => resolveLength(length, { viewport, percent: viewport.width });
  return columnIn(
    numbers,
    viewport.width,
    across(margin ?? columnDefaults.margin),
    across(column ?? columnDefaults.column),
  );
}
