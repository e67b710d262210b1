import fc from "fast-check";
import { allLayers, type Page } from "lumbit/core";
import { expect, test } from "vitest";
import { randomScenes } from "../../../../test/random-scenes.ts";
import { withoutScript } from "./without-script.ts";

const cue = { from: { opacity: 0 } };

test("of what only a script does nothing is left, by rule neither, and all else stays", () => {
  fc.assert(
    fc.property(randomScenes, (scenes) => {
      const page: Page = { format: "lumbit/1", title: "t", lang: "en", scenes };
      const scripted = {
        ...page,
        page: {
          camera: { sway: "20px", pan: 0.1 },
          rules: [{ media: "(min-width: 1px)", camera: { sway: "9px" } }],
        },
        scenes: scenes.map((scene) => ({
          ...scene,
          layers: scene.layers.map((layer) => ({
            ...layer,
            cue,
            rules: [...(layer.rules ?? []), { media: "(min-width: 1px)", cue }],
          })),
        })),
      } as unknown as Page;
      const plain = withoutScript(scripted);
      const text = JSON.stringify(plain);
      for (const key of ["cue", "tilt", "video", "sway"]) expect(text).not.toContain(`"${key}"`);
      expect(plain.page?.camera).toEqual({ pan: 0.1 });
      const names = (one: Page) =>
        one.scenes.flatMap(({ layers }) => allLayers(layers)).map(({ name }) => name);
      expect(names(plain)).toEqual(names(page));
      // What did not change is the same object, which a live change passes over.
      for (const [index, scene] of plain.scenes.entries())
        for (const [at, layer] of scene.layers.entries())
          expect(withoutScript(scripted).scenes[index]?.layers[at]).toBe(layer);
    }),
  );
});
