import { numbers } from "./arithmetic.ts";
import type { Box } from "./box.ts";
import { type Drift, swing } from "./drift.ts";
import { isGroup } from "./kinds.ts";
import type { AnyLayer } from "./layer.ts";
import { edge, groundReach, type Overscan, overscanOf, reach } from "./overscan.ts";
import { hasGround, overscans } from "./paned.ts";
import type { Passage } from "./passage.ts";
import type { Placed } from "./place-layer.ts";

/** How a layer moves against its pane. */
interface Moving {
  drift: Drift;
  settle: number;
  passage: Passage;
  k: number;
  sway: number;
}

/** A placed layer with the box that it needs in its pane, and how far that reaches past the pane; as it is without one. */
export function withReach(
  layer: AnyLayer,
  placed: Placed,
  { drift, settle, passage, k, sway }: Moving,
): Placed & { overscan?: Overscan } {
  // What is in a group moves with it: it reaches past its pane only where it moves in it.
  if (isGroup(layer) && k === 0) return placed;
  const sways = swing(numbers, k, sway);
  if (hasGround(layer)) {
    const { x, y } = groundReach(numbers, { drift, settle, ...passage });
    const overscan = widened({ top: y, right: x, bottom: y, left: x }, sways);
    const box = reached(placed.box, overscan);
    const [across, down] = [placed.box.left - box.left, placed.box.top - box.top];
    const members = placed.members?.map(({ box, ...own }) => ({
      ...own,
      box: { ...box, left: box.left + across, top: box.top + down },
    }));
    return { ...placed, box, overscan, ...(members && { members }) };
  }
  if (!overscans(layer)) return placed;
  const pane = placed.pane ?? placed.box;
  const overscan = widened(overscanOf(drift, settle, passage, pane), sways);
  return { ...placed, box: reached(pane, overscan), overscan };
}

/** What is needed besides overscan where the camera sways so that a layer moves as far to every side. */
const widened = ({ top, right, bottom, left }: Overscan, by: number): Overscan => ({
  top: top + by,
  right: right + by,
  bottom: bottom + by,
  left: left + by,
});

/** A box around its pane; of a pane that never comes into view nothing is needed. */
export function reached(pane: Box, over: Overscan): Box {
  const { width, height, ...at } = reach(numbers, pane, over, edge);
  return { ...at, width: Math.max(0, width), height: Math.max(0, height) };
}
