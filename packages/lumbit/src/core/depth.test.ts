import fc from "fast-check";
import { expect, test } from "vitest";
import { directionVector } from "./depth.ts";

test("directions are vectors of length 1, clockwise from up", () => {
  fc.assert(
    fc.property(fc.double({ min: -720, max: 720, noNaN: true }), (angle) => {
      const { x, y } = directionVector(angle);
      expect(Math.hypot(x, y)).toBeCloseTo(1, 9);
    }),
  );
  for (const [word, angle] of [
    ["up", 0],
    ["right", 90],
    ["down", 180],
    ["left", 270],
  ] as const) {
    expect(directionVector(word).x).toBeCloseTo(directionVector(angle).x, 9);
    expect(directionVector(word).y).toBeCloseTo(directionVector(angle).y, 9);
  }
});
