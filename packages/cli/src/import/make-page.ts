import type { Continuation, Drawing, DrawnLayer } from "./drawing.ts";
import { extended } from "./extend.ts";
import { holeSaid, holesOf } from "./holes.ts";
import { type Depths, type Made, pageOf, sceneName } from "./page-of.ts";

/** What a page is made of a drawing with. */
export interface Making extends Depths {
  title: string;
  /** How pictures are continued where they have holes; without it holes are only told. */
  extend?: Continuation;
}

/**
 * The page of a drawing, and what there is to tell of it: what could not be brought along, and the holes that come into view
 * when it moves.
 */
export async function makePage(
  drawing: Drawing,
  { title, extend, ...depths }: Making,
): Promise<{ made: Made; notes: string[] }> {
  const made = await pageOf(drawing, title, depths);
  const holes = await holesOf(drawing, made.page, sceneName);
  const notes = [...drawing.notes, ...holes.map(holeSaid)];
  if (!extend || holes.length === 0) return { made, notes };
  const layers: DrawnLayer[] = [];
  for (const layer of drawing.layers) {
    const own = holes.filter((hole) => hole.layer === layer.name);
    const longer = own.length > 0 ? await extended(layer, own, extend, drawing) : undefined;
    layers.push(longer ?? layer);
    if (longer)
      notes.push(
        `"${layer.name}" goes on there (${extend}), in a picture of its own: art/${layer.name}-extended.${longer.file?.extension}`,
      );
    else if (own.length > 0) notes.push(`"${layer.name}" is a group: go on with it in the drawing`);
  }
  return { made: await pageOf({ ...drawing, layers }, title, depths), notes };
}
