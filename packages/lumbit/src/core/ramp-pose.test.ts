import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type Easing, eased } from "./easing.ts";
import type { Layer } from "./layer.ts";
import { rampAt, rampedAt, resolveRamps } from "./ramp-pose.ts";

const context = {
  viewport: { width: 1000, height: 800 },
  scene: { height: 600, top: 2000 },
  scrollHeight: 6000,
  box: { left: 0, top: 100, width: 200, height: 50 },
};
const resolve = (layer: Pick<Layer, "travel" | "ramps">) =>
  resolveRamps({ name: "a", text: "a", ...layer } as Layer, context);
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe("a ramp", () => {
  test("goes from each stop to the next, and rests before the first and after the last", () => {
    const [fade] = resolve({
      ramps: [
        {
          property: "opacity",
          stops: [
            { at: "cover 0%", value: 0 },
            { at: "cover 50%", value: 1 },
            { at: "exit 70%", value: 0.2 },
          ],
        },
      ],
    });
    // The passage is 1400 px long, its exit begins at 800.
    expect([-50, 0, 350, 700, 960, 1220, 5000].map((p) => rampAt(fade as never, p).toFixed(9))).toEqual(
      [0, 0, 0.5, 1, 0.6, 0.2, 0.2].map((value) => value.toFixed(9)),
    );
  });

  test("is between its neighbours' values wherever its easing stays between 0 and 1", () => {
    const easing = fc.constantFrom<Easing>(
      "linear",
      "ease",
      "ease-in-out",
      "steps(3)",
      "cubic-bezier(0.2, 0, 0, 1)",
    );
    fc.assert(
      fc.property(share, share, share, easing, (from, to, p, easing) => {
        const value = rampAt(
          {
            stops: [
              { at: 0, value: from, easing },
              { at: 1, value: to, easing: "linear" },
            ],
          },
          p,
        );
        expect(value).toBeGreaterThanOrEqual(Math.min(from, to) - 1e-9);
        expect(value).toBeLessThanOrEqual(Math.max(from, to) + 1e-9);
      }),
    );
  });

  test("of no length is a step", () => {
    const step = {
      stops: [
        { at: 700, value: 0, easing: "linear" as const },
        { at: 700, value: 9, easing: "linear" as const },
      ],
    };
    expect([699, 700].map((p) => rampAt(step, p))).toEqual([0, 9]);
  });

  test("of offsets adds to a travel, of a factor multiplies", () => {
    const ramps = resolve({
      travel: { x: ["-50%", "150%"] },
      ramps: [
        {
          property: "y",
          stops: [
            { at: "cover 0%", value: 0 },
            { at: "cover 100%", value: "10vh" },
          ],
        },
        {
          property: "scale",
          stops: [
            { at: "cover 0%", value: 1 },
            { at: "cover 100%", value: 3 },
          ],
        },
      ],
    });
    expect(rampedAt(ramps, 700)).toMatchObject({ x: 100, y: 40, scale: 2, opacity: 1, rotate: 0 });
  });
});

describe("easing functions", () => {
  test("begin at 0 and end at 1, and curves only ever rise", () => {
    for (const easing of [
      "linear",
      "ease",
      "ease-in",
      "ease-out",
      "ease-in-out",
      "cubic-bezier(0.1, 0.9, 0.3, 1)",
    ] as Easing[]) {
      expect([eased(easing, 0), eased(easing, 1)].map((value) => Math.round(value * 1e6) / 1e6)).toEqual([
        0, 1,
      ]);
      fc.assert(
        fc.property(share, share, (a, b) => {
          expect(eased(easing, Math.max(a, b))).toBeGreaterThanOrEqual(eased(easing, Math.min(a, b)) - 1e-9);
        }),
      );
    }
    // Mirrored in the middle: ease-in-out is its own, ease-in is the mirror of ease-out.
    fc.assert(
      fc.property(share, (a) => {
        expect(eased("ease-in-out", a) + eased("ease-in-out", 1 - a)).toBeCloseTo(1, 6);
        expect(eased("ease-in", a) + eased("ease-out", 1 - a)).toBeCloseTo(1, 6);
      }),
    );
  });

  test("step as CSS says", () => {
    const at = [0, 0.2, 0.25, 0.6, 0.99, 1];
    expect(at.map((share) => eased("steps(4)", share))).toEqual([0, 0, 0.25, 0.5, 0.75, 1]);
    expect(at.map((share) => eased("steps(2, jump-none)", share))).toEqual([0, 0, 0, 1, 1, 1]);
    expect(at.map((share) => eased("step-start", share))).toEqual([1, 1, 1, 1, 1, 1]);
  });
});
