import type { Box } from "lumbit/core";
import { all, type Edit } from "../edit/edit.ts";
import { type Edges, grow } from "../edit/place.ts";
import { around, type Point } from "./boxes.ts";
import type { Shown } from "./shown.ts";

/** The box around layers that are resized together. */
export const boxAround = (layers: readonly Shown[]): Box =>
  around(layers.map(({ bounds, pane }) => pane ?? bounds));

/** No layer is made smaller than this, in px. */
const least = 8;

/**
 * Has several layers grow as one, as a corner of the box around them is brought so far: all keep their shape and their share of that
 * box, whose corner across stays.
 */
export function growAll(layers: readonly Shown[], { x, y }: Edges, way: Point): Edit {
  const { left, top, width, height } = boxAround(layers);
  // As far as the corner goes along the diagonal of the box.
  const along = (way.x * x * width + way.y * y * height) / (width ** 2 + height ** 2);
  const smallest = Math.min(...layers.map(({ box }) => Math.min(box.width, box.height)));
  const times = Math.max(1 + along, least / smallest);
  const [stillX, stillY] = [x < 0 ? left + width : left, y < 0 ? top + height : top];
  return all(
    ...layers.map((one) => {
      const box = one.pane ?? one.bounds;
      return grow(
        one,
        times,
        inPlace(one, {
          x: (stillX - box.left) * (1 - times),
          y: (stillY - box.top) * (1 - times),
        }),
      );
    }),
  );
}

/** A way on the screen in px of what a layer is placed in. */
export function inPlace({ scale, lags }: Shown, { x, y }: Point): Point {
  const down = y / scale / (1 - lags.y);
  return { x: x / scale + down * lags.x, y: down };
}
