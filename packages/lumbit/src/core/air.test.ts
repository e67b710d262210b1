import fc from "fast-check";
import { expect, test } from "vitest";
import { type Depth, speedAt } from "./depth.ts";
import { blurAt } from "./focus.ts";
import { hazedOpacity } from "./haze.ts";

const viewport = { width: 1280, height: 800 };
const depth = fc.double({ min: -0.9, max: 500, noNaN: true });
const share = fc.double({ min: 0, max: 1, noNaN: true });

test("haze takes more of a farther layer, never more than it says, and nothing in front of the surface", () => {
  fc.assert(
    fc.property(depth, depth, share, (a, b, haze) => {
      const [near, far] = a < b ? [a, b] : [b, a];
      expect(hazedOpacity(far, haze)).toBeLessThanOrEqual(hazedOpacity(near, haze));
      expect(hazedOpacity(far, haze)).toBeGreaterThanOrEqual(1 - haze);
      if (near <= 0) expect(hazedOpacity(near, haze)).toBe(1);
      expect(hazedOpacity(far)).toBe(1);
    }),
  );
  expect(hazedOpacity(1, 0.6)).toBeCloseTo(0.7, 12);
  expect(hazedOpacity(Number.POSITIVE_INFINITY, 0.6)).toBe(1);
});

test("what lies in focus is sharp, and blur grows on both sides of it up to what it says infinitely far", () => {
  fc.assert(
    fc.property(depth, depth, depth, (at, a, b) => {
      const focus = { depth: at, blur: "10px" } as const;
      expect(blurAt(at, focus, viewport)).toBe(0);
      const away = (depth: number) => Math.abs(speedAt(depth) - speedAt(at));
      const [less, more] = away(a) < away(b) ? [a, b] : [b, a];
      expect(blurAt(more, focus, viewport)).toBeGreaterThanOrEqual(blurAt(less, focus, viewport));
    }),
  );
  const far = (depth: Depth) => blurAt(Number.POSITIVE_INFINITY, { depth, blur: "16px" }, viewport);
  expect([far(0), far(1), far("horizon")]).toEqual([16, 8, 0]);
  expect(blurAt(3, undefined, viewport)).toBe(0);
});
