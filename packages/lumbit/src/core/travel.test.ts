import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { blurAt, hazedOpacity } from "./air.ts";
import { directionVector } from "./depth.ts";
import { rangeOf, resolveTravel, travelAt } from "./travel.ts";

const length = fc.double({ min: 1, max: 5000, noNaN: true });
const viewport = { width: 1000, height: 800 };
const context = {
  viewport,
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

describe("a travel", () => {
  test("goes from its first offset to its last over the passage, and stays there", () => {
    const travel = resolveTravel({ x: ["-50%", "150%"], y: [0, "10vh"] }, context);
    expect(travel).toEqual({ from: { x: -100, y: 0 }, to: { x: 300, y: 80 }, start: 0, end: 1400 });
    expect([-10, 0, 700, 1400, 9000].map((p) => travelAt(travel, p).x)).toEqual([-100, -100, 100, 300, 300]);
  });

  test("follows its own passage, or the page's", () => {
    const own = resolveTravel({ x: [0, "1px"], over: ["entry 0%", "exit 100%"], of: "layer" }, context);
    expect([own.start, own.end]).toEqual([100, 100 + 800 + 50]);
    const page = resolveTravel({ x: [0, "1px"], over: ["cover 0%", "cover 100%"], of: "page" }, context);
    // At the top of the page the scene is at p = V - its distance from the top; at the end it has scrolled all of it.
    expect([page.start, page.end]).toEqual([800 - 2000, 800 - 2000 + 5200]);
  });

  test("of no length is a step", () => {
    const step = resolveTravel({ y: ["0px", "9px"], over: ["cover 50%", "cover 50%"] }, context);
    expect([699, 700].map((p) => travelAt(step, p).y)).toEqual([0, 9]);
  });
});

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

test("haze grows with distance and spares the surface, what is before it, and the horizon", () => {
  fc.assert(
    fc.property(
      fc.double({ min: -0.9, max: 100, noNaN: true }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      (depth, more) => {
        expect(hazedOpacity(depth + more, 0.6)).toBeLessThanOrEqual(hazedOpacity(depth, 0.6));
        expect(hazedOpacity(depth, 0.6)).toBeGreaterThanOrEqual(0.4);
      },
    ),
  );
  expect([-0.5, 0, 1, Number.POSITIVE_INFINITY].map((depth) => hazedOpacity(depth, 0.6))).toEqual([
    1, 1, 0.7, 1,
  ]);
});

test("blur is nothing in focus and grows on both sides of it, to the radius given for infinity from the surface", () => {
  const focus = { depth: 1, blur: "8px" } as const;
  expect([1, 0, 3].map((depth) => blurAt(depth, focus, viewport))).toEqual([0, 4, 2]);
  expect(blurAt(Number.POSITIVE_INFINITY, { depth: 0, blur: "8px" }, viewport)).toBe(8);
  expect(blurAt(5, undefined, viewport)).toBe(0);
});
