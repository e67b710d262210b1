import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { resolveFontSize } from "./font-size.ts";
import { placedBox } from "./place.ts";
import { inUnit, resolveLength, sumLengths } from "./units.ts";

const viewport = { width: 1000, height: 500 };

test("lengths resolve in every unit", () => {
  const px = (length: string) => resolveLength(length, { viewport, percent: 300 });
  expect(
    ["0", "12px", "-50%", "2rem", "10vw", "10vh", "10svh", "10lvh", "10dvh", "10svw", "1e2px", "+.5px"].map(
      px,
    ),
  ).toEqual([0, 12, -150, 32, 100, 50, 50, 50, 50, 100, 100, 0.5]);
  expect(() => px("12")).toThrow(/not a length/);
  expect(() => px("12 px")).toThrow(/px % rem vw vh/);
});

test("sums of lengths resolve to the sum of their terms", () => {
  const px = (length: string) => resolveLength(length, { viewport, percent: 300 });
  expect(px("calc(50% - 20px)")).toBe(130);
  expect(px("calc(-10vw + 2rem - -5px)")).toBe(-63);
  expect(sumLengths(["calc(10vh - 3px)", "20vh"])).toBe("calc(30vh + -3px)");
  expect(() => px("calc(1px * 2)")).toThrow(/not a length/);
});

test("so many px are as many in any unit", () => {
  const unit = fc.constantFrom("px", "%", "rem", "vw", "vh", "svh", "dvw");
  fc.assert(
    fc.property(fc.integer({ min: -5000, max: 5000 }), unit, (px, unit) => {
      const context = { viewport, percent: 300 };
      expect(resolveLength(`${inUnit(px, unit, context)}${unit}`, context)).toBeCloseTo(px, 6);
    }),
  );
});

test("sums keep their units", () => {
  expect(sumLengths(["130vh", "20px", "60vh", 0])).toBe("calc(190vh + 20px)");
  expect(sumLengths(["130vh"])).toBe("130vh");
  expect(sumLengths([])).toBe("0px");
});

test("fluid text grows between two viewport widths", () => {
  const size = { min: "40px", max: "100px", from: 500, to: 1500 } as const;
  const at = (width: number) => resolveFontSize(size, { viewport: { width, height: 800 } });
  expect([320, 500, 1000, 1500, 4000].map(at)).toEqual([40, 40, 70, 100, 100]);
  expect(resolveFontSize(undefined, { viewport })).toBe(16);
});

describe("place", () => {
  const scene = { width: 1000, height: 600 };
  const natural = () => ({ width: 400, height: 200 });
  const image = (place: Parameters<typeof placedBox>[0]) =>
    placedBox(place, { viewport, around: scene, natural, kind: "image" });
  const text = (place: Parameters<typeof placedBox>[0], maxWidth?: "300px") =>
    placedBox(place, {
      viewport,
      around: scene,
      natural: (available) => ({ width: Math.min(400, available), height: 40 }),
      kind: "text",
      maxWidth,
    });

  test("keeps a picture's proportions", () => {
    expect(image({ left: 0, right: 0, bottom: "-10%" })).toEqual({
      left: 0,
      top: 160,
      width: 1000,
      height: 500,
    });
    expect(image({ center: "x", height: "50%", top: "1rem" })).toEqual({
      left: 200,
      top: 16,
      width: 600,
      height: 300,
    });
    expect(image({ right: "10px" })).toEqual({ left: 590, top: 0, width: 400, height: 200 });
    expect(image({ center: "both", width: "120%" })).toEqual({
      left: -100,
      top: 0,
      width: 1200,
      height: 600,
    });
  });

  test("lets a text wrap in what is left for it", () => {
    expect(text({ left: "700px", top: 0 })).toEqual({ left: 700, top: 0, width: 300, height: 40 });
    expect(text({ center: "both" })).toEqual({ left: 300, top: 280, width: 400, height: 40 });
    expect(text({ center: "x", width: "80%" }, "300px")).toEqual({
      left: 350,
      top: 0,
      width: 300,
      height: 40,
    });
    expect(text({ left: "10px", right: "10px" })).toEqual({ left: 10, top: 0, width: 980, height: 40 });
  });
});
