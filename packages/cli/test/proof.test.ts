import fc from "fast-check";
import type { Layer, Page } from "lumbit/core";
import { expect, test } from "vitest";
import { differences } from "../src/proof/difference.ts";
import { wayAt } from "../src/proof/film.ts";

const share = fc.double({ min: 0, max: 1, noNaN: true });

test("a smooth scroll goes from end to end, never back, and slowly at both ends", () => {
  expect([wayAt(0), wayAt(0.5), wayAt(1)]).toEqual([0, 0.5, 1]);
  fc.assert(
    fc.property(share, share, (a, b) => {
      const [early, late] = [Math.min(a, b), Math.max(a, b)];
      expect(wayAt(early)).toBeLessThanOrEqual(wayAt(late) + 1e-12);
      expect(wayAt(1 - a)).toBeCloseTo(1 - wayAt(a), 9);
      // Nowhere faster than the pace that it keeps in between.
      expect(wayAt(late) - wayAt(early)).toBeLessThanOrEqual((late - early) / 0.88 + 1e-9);
    }),
  );
  expect(wayAt(0.02) / 0.02).toBeLessThan(0.2);
});

const layer = (name: string, depth: number): Layer => ({
  ...{ name, shape: "rectangle", background: "#0a6", depth },
  place: { left: "0px", top: "0px", width: "10px", height: "10px" },
});
const page = (layers: Layer[], height: `${number}vh` = "100vh"): Page => ({
  ...{ format: "lumbit/1", title: "t", lang: "en" },
  scenes: [{ name: "sea", height, layers }],
});

test("pages that say the same do not differ, in whatever order their layers stand", () => {
  const layers = [layer("a", 1), layer("b", 2), layer("c", 3)];
  expect(differences(page(layers), page(layers))).toEqual([]);
  expect(differences(page(layers), page(layers.toReversed()))).toEqual([]);
});

test("every value that differs is one line, by the names of scene and layer", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 }), (one, two) => {
      const found = differences(
        page([layer("a", one), layer("b", 1)]),
        page([layer("a", two), layer("b", 1)]),
      );
      expect(found).toEqual(
        one === two ? [] : [{ scene: "sea", layer: "a", what: `depth: ${one} → ${two}` }],
      );
    }),
  );
  expect(differences(page([]), page([], "120vh"))).toEqual([
    { scene: "sea", what: 'height: "100vh" → "120vh"' },
  ]);
  expect(differences({ ...page([]), title: "u" }, page([]))).toEqual([{ what: 'title: "u" → "t"' }]);
});

test("what only one page has is said once", () => {
  const group: Layer = { name: "card", layers: [{ ...layer("a", 1) } as never] };
  expect(differences(page([group]), page([]))).toEqual([
    { scene: "sea", layer: "card", what: "only here" },
    { scene: "sea", layer: "a", what: "only here" },
  ]);
  const changed: Layer = { name: "card", layers: [{ ...layer("a", 2) } as never] };
  expect(differences(page([group]), page([changed]))).toEqual([
    { scene: "sea", layer: "a", what: "depth: 1 → 2" },
  ]);
  const other = {
    ...page([]),
    scenes: [{ name: "shore", height: "10vh" as const, layers: [layer("a", 1)] }],
  };
  expect(differences(page([]), other)).toEqual([
    { scene: "sea", what: "only here" },
    { scene: "shore", what: "only in the other" },
  ]);
});
