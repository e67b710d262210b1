import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { momentAt, rangeOf } from "./moment.ts";

const length = fc.double({ min: 1, max: 5000, noNaN: true });
const context = {
  viewport: { width: 1000, height: 800 },
  scene: { height: 600, top: 2000 },
  scrollHeight: 6000,
  box: { left: 0, top: 100, width: 200, height: 50 },
};

describe("ranges", () => {
  test("lie in the passage in the standard's order", () => {
    fc.assert(
      fc.property(length, length, (v, h) => {
        const [cover, contain, entry, exit] = (["cover", "contain", "entry", "exit"] as const).map((range) =>
          rangeOf(range, v, h),
        );
        expect(cover).toEqual([0, v + h]);
        expect(entry).toEqual([0, contain?.[0]]);
        expect(exit).toEqual([contain?.[1], v + h]);
        expect(contain?.[0]).toBeLessThanOrEqual(Number(contain?.[1]));
        expect(rangeOf("entry-crossing", v, h)).toEqual([0, h]);
        expect(rangeOf("exit-crossing", v, h)).toEqual([v, v + h]);
      }),
    );
  });
});

test("moments follow the scene's passage, the layer's own, or the page's scroll range", () => {
  expect(momentAt("cover 50%", "scene", context)).toBe(700);
  expect(momentAt("exit 30px", "scene", context)).toBe(830);
  expect(momentAt("cover 25vh", "layer", context)).toBe(100 + 200);
  expect(momentAt("cover 200px", "page", context)).toBe(800 - 2000 + 200);
  expect([momentAt("entry 0%", "layer", context), momentAt("exit 100%", "layer", context)]).toEqual([
    100,
    100 + 800 + 50,
  ]);
  // At the top of the page the scene is at p = V - its distance from the top; at the end it has scrolled all of it.
  expect([momentAt("cover 0%", "page", context), momentAt("cover 100%", "page", context)]).toEqual([
    800 - 2000,
    800 - 2000 + 5200,
  ]);
});
