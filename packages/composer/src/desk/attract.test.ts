import fc from "fast-check";
import { expect, test } from "vitest";
import { attracted } from "./attract.ts";

const box = fc.record({
  ...{ left: fc.integer({ min: -200, max: 900 }), top: fc.integer({ min: -200, max: 900 }) },
  ...{ width: fc.integer({ min: 1, max: 400 }), height: fc.integer({ min: 1, max: 400 }) },
});

test("a box is brought no further than the reach, and then stands on every line that is drawn", () => {
  fc.assert(
    fc.property(box, fc.array(box, { maxLength: 6 }), (own, others) => {
      const { x, y, guides } = attracted(own, others, 6);
      expect(Math.max(Math.abs(x), Math.abs(y))).toBeLessThanOrEqual(6);
      const lines = (axis: "x" | "y") =>
        axis === "x"
          ? [own.left + x, own.left + x + own.width / 2, own.left + x + own.width]
          : [own.top + y, own.top + y + own.height / 2, own.top + y + own.height];
      for (const { axis, at } of guides) expect(lines(axis)).toContain(at);
    }),
  );
});

test("edges and middles of others attract, each axis by itself", () => {
  const other = { left: 100, top: 100, width: 200, height: 50 };
  const near = { left: 104, top: 400, width: 60, height: 60 };
  expect(attracted(near, [other], 6)).toMatchObject({
    x: -4,
    y: 0,
    guides: [{ axis: "x", at: 100, from: 100, to: 460 }],
  });
  expect(attracted({ ...near, left: 173 }, [other], 6)).toMatchObject({ x: -3 });
  expect(attracted({ ...near, left: 120 }, [other], 6)).toMatchObject({ x: 0, y: 0, guides: [] });
});
