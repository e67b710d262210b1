import fc from "fast-check";
import { expect, test } from "vitest";
import { shareAfter } from "./play.ts";

test("a calm scroll begins where one is, goes to the end, and back, never by leaps", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (from) => {
      expect(shareAfter(0, from)).toBeCloseTo(from, 9);
      const shares = Array.from({ length: 1500 }, (_, frame) => shareAfter(frame * 16, from));
      expect(Math.max(...shares)).toBeGreaterThan(0.99);
      expect(Math.min(...shares)).toBeLessThan(0.01);
      for (const [index, share] of shares.slice(1).entries())
        expect(Math.abs(share - (shares[index] ?? 0))).toBeLessThan(0.004);
    }),
    { numRuns: 20 },
  );
});
