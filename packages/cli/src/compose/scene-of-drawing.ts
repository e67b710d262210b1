import { posix } from "node:path";
import type { Layer, Scene } from "lumbit/core";
import { layerName } from "../import/drawing.ts";
import { makePage } from "../import/make-page.ts";
import { titleOf } from "../import/page-of.ts";
import { readDrawing } from "../import/read-drawing.ts";
import type { AddedFile, PageFolder } from "./page-folder.ts";

/** A scene that was made of a drawing, with its pictures in the page's folder, and what there is to tell of it. */
export interface DrawnScene {
  scene: Scene;
  added: AddedFile[];
  notes: readonly string[];
}

/**
 * Makes a scene of a drawing in layers for a page that is open; its pictures are copied into the page's folder.
 *
 * @throws Problem when the drawing cannot be read, or its pictures not be written
 */
export async function sceneOfDrawing(
  folder: PageFolder,
  address: string,
  { name, bytes }: { name: string; bytes: Buffer },
): Promise<DrawnScene> {
  const title = titleOf(name);
  const { made, notes } = await makePage(await readDrawing(name, bytes), { title });
  const added = new Map<string, AddedFile>();
  for (const [path, content] of made.files)
    added.set(path, await folder.add(posix.basename(path), content, address));
  const located = (layer: Layer): Layer =>
    ({
      ...layer,
      ...(layer.image !== undefined && { image: added.get(layer.image)?.path ?? layer.image }),
      ...(layer.layers && { layers: layer.layers.map((inner) => located(inner as Layer)) }),
    }) as Layer;
  const [scene] = made.page.scenes as [Scene];
  return {
    scene: {
      ...scene,
      name: /[a-z]/i.test(title) ? layerName(title, 1, new Set()) : scene.name,
      layers: scene.layers.map(located),
    },
    added: [...added.values()],
    notes,
  };
}
