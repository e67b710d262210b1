import fc from "fast-check";
import { expect, test } from "vitest";
import type { Depth } from "./depth.ts";
import type { Layer } from "./layer.ts";
import { orderOf } from "./order.ts";

const depth = fc.double({ min: -0.9, max: 300, noNaN: true });
const at = (depth: Depth, order?: Depth): Layer => ({
  name: "a",
  text: "a",
  depth,
  ...(order !== undefined && { order }),
});

test("a farther layer is never painted over a nearer one, and the horizon lies below all", () => {
  fc.assert(
    fc.property(depth, depth, (a, b) => {
      const [near, far] = a < b ? [a, b] : [b, a];
      expect(orderOf(at(far))).toBeLessThanOrEqual(orderOf(at(near)));
      expect(orderOf(at("horizon"))).toBeLessThanOrEqual(orderOf(at(far)));
      expect(Number.isInteger(orderOf(at(a)))).toBe(true);
    }),
  );
});

test("an order paints a layer as if it were at that depth, and depth and speed agree", () => {
  fc.assert(
    fc.property(depth, depth, (own, order) => {
      expect(orderOf(at(own, order))).toBe(orderOf(at(order)));
      expect(orderOf({ name: "a", text: "a", speed: 1 / (1 + own) })).toBe(orderOf(at(own)));
    }),
  );
  expect(orderOf(at(2, "horizon"))).toBe(0);
});
