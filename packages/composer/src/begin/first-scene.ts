import type { AnyLayer, Page, Scene } from "lumbit/core";
import { addLayers, named } from "../edit/layers.ts";
import type { Added } from "../home/home.ts";
import type { Composer } from "../state/store.ts";
import { pictureLayer } from "./add-pictures.ts";

/** A picture whose sides are as those of the first, give or take so much, was cut out of the same drawing. */
const alike = 0.02;

/**
 * How far above its scene's ground a layer is placed, in %, so that it stands on the ground of the screen when the scene has
 * come to its end: the deeper it lies, the less it comes up until then. Of a scene at the top of the page, in vh.
 */
function lift({ height }: Scene, speed: number): number {
  const high = typeof height === "string" ? Number(/^(\d+)vh$/.exec(height)?.[1]) : Number.NaN;
  return high > 100 ? Math.floor((100 * (1 - speed) * (high - 100)) / high) : 0;
}

/**
 * Layers of pictures that were dropped, the farthest first, with speeds in equal steps from the horizon to the page
 * surface. What is of the size of the first fills the scene, as it did in the drawing; what is smaller stands on its
 * ground, as wide as it is beside the first.
 */
export function firstLayers(page: Page, scene: string, pictures: readonly Added[]): AnyLayer[] {
  const [first] = pictures;
  const own = page.scenes[0]?.name === scene ? page.scenes[0] : undefined;
  const layers = pictures.map((one, index): AnyLayer => {
    const speed = pictures.length === 1 ? 0.5 : index / (pictures.length - 1);
    const depth = speed === 0 ? "horizon" : Number((1 / speed - 1).toFixed(2));
    const place = fills(one, first)
      ? undefined
      : {
          center: "x",
          bottom: `${own ? lift(own, speed) : 0}%`,
          width: `${Math.round((100 * (one.picture?.width ?? 1)) / (first?.picture?.width ?? 1))}%`,
        };
    return { ...pictureLayer(one), depth, ...(place && { place }) } as AnyLayer;
  });
  return named(page, scene, layers);
}

function fills({ picture }: Added, first: Added | undefined): boolean {
  const [ratio, other] = [picture, first?.picture].map((size) => (size ? size.width / size.height : 1));
  const wide = (picture?.width ?? 1) / (first?.picture?.width ?? 1);
  return Math.abs((ratio ?? 1) / (other ?? 1) - 1) <= alike && wide > 1 - alike;
}

/** Makes the first scene of dropped pictures. */
export async function composeFirst(composer: Composer, files: readonly File[]): Promise<void> {
  const { added } = await composer.addFiles(files);
  const pictures = added.filter(({ picture }) => picture);
  const { page, scene } = composer.store.getState();
  if (pictures.length === 0) return;
  composer.edit(`scene of ${pictures.length} pictures`, addLayers(scene, firstLayers(page, scene, pictures)));
}
