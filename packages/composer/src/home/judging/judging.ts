import { wrap } from "comlink";
import type { Home } from "../home.ts";
import { storedPage } from "../storage.ts";
import type { Look } from "./pictures.ts";
import { rasterOf } from "./raster.ts";
import type { Judge } from "./worker.ts";

type Asked = Required<Home>["findings"];

/** Judges pages of the storage, beside whoever works on them, by their names. */
export function judging(): (name: string, ...asked: Parameters<Asked>) => ReturnType<Asked> {
  const judge = wrap<Judge>(new Worker(new URL("./worker.ts", import.meta.url), { type: "module" }));
  return async (name, screens, usual, signal) => {
    signal.addEventListener("abort", () => void judge.stop());
    return judge.findings(name, [...screens], usual, await vectorsOf(name));
  };
}

/** What vector drawings of a page look like, by their paths: only a document draws them. */
async function vectorsOf(name: string): Promise<Map<string, Look>> {
  const { files = {} } = (await storedPage(name)) ?? {};
  const looks = Object.entries(files).map(async ([path, { type, bytes }]): Promise<[string, Look][]> => {
    if (type !== "image/svg+xml") return [];
    const url = URL.createObjectURL(new Blob([bytes], { type }));
    try {
      const image = Object.assign(new Image(), { src: url });
      await image.decode();
      const { naturalWidth: width, naturalHeight: height } = image;
      return [[path, { width, height, detail: 0, raster: rasterOf(image, { width, height }) }]];
    } catch {
      return [];
    } finally {
      URL.revokeObjectURL(url);
    }
  });
  return new Map((await Promise.all(looks)).flat());
}
