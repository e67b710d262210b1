import type { StoreApi } from "zustand/vanilla";
import type { Edit } from "../edit/edit.ts";
import { freeName } from "../edit/find.ts";
import { putScene } from "../edit/scenes.ts";
import type { Added, Home } from "../home/home.ts";
import type { Moment } from "../stage/messages.ts";
import { filesOf, withAssets } from "./assets.ts";
import type { State } from "./state.ts";

/** How files come into the page's home. `edit` and `goTo` do with the page what is done with a drawing. */
export function createAdding(
  home: Home,
  { getState: get, setState: set }: StoreApi<State>,
  { edit, goTo }: { edit: (name: string, edit: Edit) => void; goTo: (moment: Moment) => void },
) {
  /** Takes note of files that were copied into the page's home. */
  const hold = (added: readonly Added[]): void => {
    const { assets, blobs } = filesOf(added);
    set({ assets: withAssets(get().assets, assets), blobs: { ...get().blobs, ...blobs } });
  };
  return {
    /** Copies files into the page's home: pictures that can be shown, and why others cannot. */
    async addFiles(files: readonly File[]): Promise<{ added: Added[]; refused: string[] }> {
      const added: Added[] = [];
      const refused: string[] = [];
      // One after the other: names are given by who comes first.
      for (const file of files)
        try {
          added.push(await home.add(file));
        } catch (error) {
          refused.push((error as Error).message);
        }
      hold(added);
      if (refused.length > 0) set({ notice: refused.join(" ") });
      return { added, refused };
    },
    /** Makes a scene of a drawing in layers, behind the one that one is at, where drawings can be taken apart. */
    async addDrawing(file: File): Promise<void> {
      if (!home.addDrawing)
        return set({ notice: `"${file.name}" is a drawing in layers; lumbit compose takes it apart` });
      try {
        const { scene, added, notes } = await home.addDrawing(file);
        hold(added);
        const { page, scene: before } = get();
        const name = freeName(
          scene.name,
          page.scenes.map(({ name }) => name),
        );
        edit(`${name}: a drawing of ${scene.layers.length} layers`, putScene({ ...scene, name }, before));
        goTo({ scene: name, share: 0.5 });
        if (notes.length > 0) set({ notice: notes.join(" ") });
      } catch (error) {
        set({ notice: (error as Error).message });
      }
    },
  };
}
