import fc from "fast-check";
import { expect, test } from "vitest";
import { approach } from "./smoothing.ts";

test("is the same at 30, 60 and 144 frames per second, and comes to rest", () => {
  const distance = fc.double({ min: 1, max: 5000, noNaN: true });
  fc.assert(
    fc.property(distance, fc.double({ min: 20, max: 500, noNaN: true }), (to, halfLife) => {
      const after = (rate: number, milliseconds: number) => {
        let at = 0;
        for (let frame = 0; frame < (milliseconds * rate) / 1000; frame++)
          at = approach(at, to, 1000 / rate, halfLife);
        return at;
      };
      for (const rate of [30, 60, 144]) {
        // Within a frame of half-life, half of the way; the last tenth of a pixel is taken at once.
        const exact = to * (1 - 2 ** (-500 / halfLife));
        expect(Math.abs(after(rate, 500) - exact)).toBeLessThanOrEqual(0.1 + 1e-6);
        expect(after(rate, halfLife * 20)).toBe(to);
      }
    }),
  );
  expect(approach(0, 100, 16, 0)).toBe(100);
});
