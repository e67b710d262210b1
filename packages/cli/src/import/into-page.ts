import { type AnyLayer, allLayers, type Page } from "lumbit/core";
import { atOrigin, type Operation, patchText, type Source } from "lumbit/document";
import { Problem } from "../problem.ts";

/** What a drawing that has changed makes of a page that was made of it before. */
export interface Changed {
  /** The page file's text. */
  text: string;
  /** Pictures by their paths, those that replace others and new ones. */
  files: Map<string, Buffer>;
  /** Names of layers that took over their pictures, of new ones, and of those that the drawing has no longer. */
  taken: string[];
  added: string[];
  gone: string[];
}

/**
 * Takes a drawing over into a page: pictures and places of layers of the same name. Their depths, ramps and looks stay, and
 * so do layers that are not of the drawing. What is new in it comes before what it lies before in the drawing.
 *
 * @throws Problem when no layer of the page is one of the drawing
 */
export function intoPage(
  { text, page, source, name }: { text: string; page: Page; source: Source; name: string },
  drawn: { page: Page; files: ReadonlyMap<string, Buffer> },
): Changed {
  const fresh = drawn.page.scenes[0]?.layers ?? [];
  const names = new Set(allLayers(fresh).map((layer) => layer.name));
  const at = page.scenes.findIndex(({ layers }) => allLayers(layers).some((layer) => names.has(layer.name)));
  const scene = page.scenes[at];
  if (!scene)
    throw new Problem(
      `no layer of ${name} is called as one of the drawing (${[...names].join(", ")}); make a new page with -o`,
    );
  const operations: Operation[] = [];
  const files = new Map<string, Buffer>();
  const [taken, added]: [string[], string[]] = [[], []];
  const known = pathsOf(scene.layers, `/scenes/${at}/layers`);
  const takeFile = ({ image = "" }: AnyLayer) => {
    const bytes = drawn.files.get(image);
    if (bytes) files.set(image, bytes);
  };
  const take = (layer: AnyLayer) => {
    const before = known.get(layer.name);
    if (!before) return;
    taken.push(layer.name);
    // A picture that somebody gave the layer from elsewhere is theirs: its file stays.
    const { image } = layer;
    takeFile(layer);
    if (image !== before.layer.image && image !== undefined)
      operations.push({
        op: before.layer.image === undefined ? "add" : "replace",
        path: `${before.path}/image`,
        value: image,
      });
    if (layer.place && before.layer.place)
      operations.push({ op: "replace", path: `${before.path}/place`, value: layer.place });
    for (const inner of layer.layers ?? []) take(inner);
  };
  for (const layer of fresh) take(layer);
  // From the last on: each comes behind the one that it lies before in the drawing.
  let next = scene.layers.length;
  for (const layer of fresh.toReversed()) {
    const place = scene.layers.findIndex(({ name }) => name === layer.name);
    if (place >= 0) next = place;
    else if (!known.has(layer.name)) {
      added.unshift(layer.name);
      for (const own of allLayers([layer])) takeFile(own);
      operations.push({ op: "add", path: `/scenes/${at}/layers/${next}`, value: layer });
    }
  }
  const gone = [...known.values()].flatMap(({ layer }) =>
    layer.image !== undefined && !names.has(layer.name) ? [layer.name] : [],
  );
  return { text: patchText(text, atOrigin(source, operations)), files, taken, added, gone };
}

/** Layers by name, with the pointers to them in a page file. */
function pathsOf(layers: readonly AnyLayer[], path: string): Map<string, { layer: AnyLayer; path: string }> {
  return new Map(
    layers.flatMap((layer, index) => {
      const own = `${path}/${index}`;
      return [[layer.name, { layer, path: own }] as const, ...pathsOf(layer.layers ?? [], `${own}/layers`)];
    }),
  );
}
