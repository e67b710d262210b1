import fc from "fast-check";
import { expect, test } from "vitest";
import { fastest } from "../edit/set-depth.ts";
import { placeOf, rowsOf, speedAtPlace } from "./axis.ts";

const axis = { from: 72, to: 900 };

test("a place on the axis is a speed and back, the horizon at the right, the nearest at the left", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: fastest, noNaN: true }), (speed) => {
      expect(speedAtPlace(placeOf(speed, axis), axis)).toBeCloseTo(speed, 9);
    }),
  );
  expect(placeOf(0, axis)).toBe(axis.to);
  expect(placeOf(9, axis)).toBe(axis.from);
  expect(speedAtPlace(2000, axis)).toBe(0);
});

test("cards in one row do not cover each other, and no row is left out", () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 900 }), { maxLength: 40 }), (places) => {
      const rows = rowsOf(places, 90);
      for (const [index, row] of rows.entries())
        for (const [other, same] of rows.entries())
          if (other < index && same === row)
            expect(Math.abs((places[index] ?? 0) - (places[other] ?? 0))).toBeGreaterThanOrEqual(90);
      expect(new Set(rows).size).toBe(Math.max(-1, ...rows) + 1);
    }),
  );
});
