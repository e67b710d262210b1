import { type AnyLayer, allLayers } from "lumbit/core";
import { readPage } from "lumbit/document";
import { addLayers, copiesOf, named } from "../edit/layers.ts";
import type { Composer } from "../state/store.ts";

/** Layers on the clipboard, as a text of JSON: with their pictures, so that a page in another folder can have them too. */
interface Copied {
  format: "lumbit/1 layers";
  layers: AnyLayer[];
  /** And films, by their paths, as data addresses. */
  pictures: Record<string, string>;
}

const format: Copied["format"] = "lumbit/1 layers";

/** Puts what is selected on the clipboard. */
export async function copyLayers(composer: Composer): Promise<void> {
  const { page, assets } = composer.store.getState();
  const layers = copiesOf(page, composer.selection());
  const paths = new Set(
    allLayers(layers).flatMap(({ image, video }) => [image, video].filter((path) => path !== undefined)),
  );
  const pictures = await Promise.all(
    [...paths].map(async (path) => [path, await dataOf(assets.pictures[path]?.url)] as const),
  );
  const copied: Copied = { format, layers, pictures: Object.fromEntries(pictures) };
  await navigator.clipboard.writeText(JSON.stringify(copied));
}

/** Puts layers from a text of the clipboard into the scene; whether it was such a text. */
export async function pasteLayers(composer: Composer, text: string): Promise<boolean> {
  const copied = copiedIn(text);
  if (!copied) return false;
  const { assets } = composer.store.getState();
  // Another page may have another picture of the same name.
  const known = await Promise.all(
    Object.entries(copied.pictures).map(
      async ([path, data]) => data === "" || (await dataOf(assets.pictures[path]?.url)) === data,
    ),
  );
  const missing = Object.entries(copied.pictures).filter((_, index) => !known[index]);
  const files = missing.map(([path, data]) => fileOf(data, path.split("/").at(-1) ?? path));
  const { added } = await composer.addFiles(files);
  const paths = new Map(missing.map(([path], index) => [path, added[index]?.path ?? path]));
  const { page, scene, selected } = composer.store.getState();
  const moved = (layer: AnyLayer): AnyLayer =>
    ({
      ...layer,
      ...(layer.image !== undefined && { image: paths.get(layer.image) ?? layer.image }),
      ...(layer.video !== undefined && { video: paths.get(layer.video) ?? layer.video }),
      ...(layer.layers && { layers: layer.layers.map(moved) }),
    }) as AnyLayer;
  const layers = named(page, scene, copied.layers.map(moved));
  composer.edit(
    `${layers.map(({ name }) => name).join(", ")}: pasted`,
    addLayers(scene, layers, selected.at(-1)),
  );
  composer.select(layers.map(({ name }) => name));
  return true;
}

/** What was copied, if a text is that: layers that a page may have. */
function copiedIn(text: string): Copied | undefined {
  try {
    const copied = JSON.parse(text) as Copied;
    if (copied?.format !== format || !Array.isArray(copied.layers)) return undefined;
    const scenes = [{ name: "scene", layers: copied.layers }];
    const page = { format: "lumbit/1", title: "t", lang: "en", scenes };
    return readPage(JSON.stringify(page)).page && copied;
  } catch {
    return undefined;
  }
}

/** A file from a data address, which a strict policy lets nobody fetch. */
function fileOf(address: string, name: string): File {
  const [, type = "", data = ""] = /^data:([^;,]*);base64,(.*)$/s.exec(address) ?? [];
  return new File([Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))], name, { type });
}

async function dataOf(url: string | undefined): Promise<string> {
  if (url === undefined) return "";
  const blob = await (await fetch(url)).blob();
  return new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => failed(reader.error);
    reader.readAsDataURL(blob);
  });
}
