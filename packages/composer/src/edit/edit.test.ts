import fc from "fast-check";
import type { Layer, Page } from "lumbit/core";
import { speedOf } from "lumbit/core";
import { patchText, readPage } from "lumbit/document";
import { describe, expect, test } from "vitest";
import { randomScenes } from "../../../../test/random-scenes.ts";
import { changesOf, edited } from "./edit.ts";
import { fastest, layerOf, setDepth, setSpeed } from "./set-depth.ts";
import { redone, replaced, undone } from "./text.ts";

const pageOf = (scenes: Page["scenes"]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
const depths = fc.array(
  fc.record({ scene: fc.nat(), layer: fc.nat(), speed: fc.double({ min: -0.5, max: 4, noNaN: true }) }),
  { minLength: 1, maxLength: 6 },
);

test("any depths that are given leave a page that reads, and taken back the same text letter for letter", () => {
  fc.assert(
    fc.property(randomScenes, depths, (scenes, steps) => {
      let page = pageOf(scenes);
      const first = JSON.stringify(page, null, 3).replaceAll("\n", "\r\n");
      let text = first;
      const done = steps.flatMap(({ scene, layer, speed }) => {
        const own = page.scenes[scene % page.scenes.length];
        const other = own?.layers[layer % (own.layers.length || 1)];
        if (!own || !other) return [];
        const before = text;
        const { page: next, patches } = edited(page, setSpeed({ scene: own.name, layer: other.name }, speed));
        text = patchText(text, changesOf(patches));
        page = next;
        return [replaced(before, text)];
      });
      const { page: read, faults } = readPage(text);
      expect(faults).toEqual([]);
      expect(read).toEqual(readPage(JSON.stringify(page)).page);
      const last = text;
      for (const step of done.toReversed()) text = undone(text, step);
      expect(text).toBe(first);
      for (const step of done) text = redone(text, step);
      expect(text).toBe(last);
    }),
    { numRuns: 60 },
  );
});

describe("a depth", () => {
  const stone = { name: "stone", shape: "rectangle", background: "#0a6" } as const;
  const name = { scene: "sea", layer: "stone" };
  const of = (layer: Layer) =>
    pageOf([{ name: "sea", layers: [layer, { ...stone, name: "other", depth: 1 }] }]);
  const after = (layer: Layer, edit: ReturnType<typeof setSpeed>) =>
    layerOf(edited(of(layer), edit).page, name);

  test("is written in the words in which the layer has it", () => {
    expect(after({ ...stone, speed: 0.5 }, setDepth(name, 3))).toMatchObject({ speed: 0.25 });
    expect(after({ ...stone, depth: 1 }, setSpeed(name, 0.25))).toMatchObject({ depth: 3 });
    expect(after(stone, setSpeed(name, 0.5))).toMatchObject({ depth: 1 });
  });

  test("is at the horizon where nothing moves any more, and never behind the reader", () => {
    expect(after({ ...stone, depth: 1 }, setSpeed(name, 0))).toMatchObject({ depth: "horizon" });
    expect(after({ ...stone, depth: 1 }, setSpeed(name, -2))).toMatchObject({ depth: "horizon" });
    expect(speedOf(after({ ...stone, depth: 1 }, setSpeed(name, 40)) ?? {})).toBeCloseTo(fastest, 1);
  });

  test("leaves every other layer the same object", () => {
    const page = of({ ...stone, depth: 1 });
    const { page: next } = edited(page, setSpeed(name, 0.3));
    expect(next.scenes[0]?.layers[1]).toBe(page.scenes[0]?.layers[1]);
    expect(next.scenes[0]?.layers[0]).not.toBe(page.scenes[0]?.layers[0]);
  });
});

test("what differs between two texts is all that a step keeps", () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), fc.string(), fc.string(), (start, a, b, end) => {
      const [before, after] = [start + a + end, start + b + end];
      const step = replaced(before, after);
      expect(redone(before, step)).toBe(after);
      expect(undone(after, step)).toBe(before);
      expect(step.before.length).toBeLessThanOrEqual(a.length);
    }),
  );
});
