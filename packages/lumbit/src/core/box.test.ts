import fc from "fast-check";
import { expect, test } from "vitest";
import { type Box, intersection, intersects } from "./box.ts";

const box: fc.Arbitrary<Box> = fc.record({
  left: fc.integer({ min: -50, max: 50 }),
  top: fc.integer({ min: -50, max: 50 }),
  width: fc.integer({ min: -20, max: 60 }),
  height: fc.integer({ min: -20, max: 60 }),
});
const holds = ({ left, top, width, height }: Box, x: number, y: number) =>
  x > left && x < left + width && y > top && y < top + height;

test("two boxes intersect exactly where a point lies in both", () => {
  fc.assert(
    fc.property(box, box, (a, b) => {
      const common = intersection(a, b);
      expect(intersects(a, b)).toBe(common.width > 0 && common.height > 0);
      expect(intersects(a, b)).toBe(intersects(b, a));
      expect(intersection(b, a)).toEqual(common);
    }),
  );
  fc.assert(
    fc.property(
      box,
      box,
      fc.integer({ min: -60, max: 120 }),
      fc.integer({ min: -60, max: 120 }),
      (a, b, x, y) => {
        const [px, py] = [x + 0.5, y + 0.5];
        expect(holds(intersection(a, b), px, py)).toBe(holds(a, px, py) && holds(b, px, py));
      },
    ),
  );
});

test("a box that only touches another shares nothing with it", () => {
  const a = { left: 0, top: 0, width: 10, height: 10 };
  expect(intersects(a, { ...a, left: 10 })).toBe(false);
  expect(intersects(a, { ...a, top: -10 })).toBe(false);
  expect(intersects(a, { ...a, top: -9 })).toBe(true);
});
