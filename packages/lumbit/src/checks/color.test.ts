import fc from "fast-check";
import { expect, test } from "vitest";
import { colorAt, contrastOf, hexOf, over, parseColor } from "./color.ts";

const black = { r: 0, g: 0, b: 0, alpha: 1 };
const white = { r: 1, g: 1, b: 1, alpha: 1 };
const share = fc.double({ min: 0, max: 1, noNaN: true });
const pixel = fc.record({ r: share, g: share, b: share, alpha: fc.constant(1) });

test("contrast is that of WCAG: 21 for black on white, the same both ways, 1 for itself", () => {
  expect(contrastOf(black, white)).toBeCloseTo(21, 5);
  // The grey that WCAG's own examples put at 4.5 on white.
  expect(contrastOf(parseColor("#767676") ?? black, white)).toBeCloseTo(4.54, 2);
  fc.assert(
    fc.property(pixel, pixel, (a, b) => {
      expect(contrastOf(a, b)).toBeCloseTo(contrastOf(b, a), 9);
      expect(contrastOf(a, a)).toBe(1);
      expect(contrastOf(a, b)).toBeLessThanOrEqual(21.0001);
    }),
  );
});

test("a color over another lies between the two", () => {
  fc.assert(
    fc.property(pixel, pixel, share, (a, b, alpha) => {
      const mixed = over({ ...a, alpha }, b);
      expect(mixed.alpha).toBeCloseTo(1, 9);
      for (const key of ["r", "g", "b"] as const) {
        expect(mixed[key]).toBeGreaterThanOrEqual(Math.min(a[key], b[key]) - 1e-9);
        expect(mixed[key]).toBeLessThanOrEqual(Math.max(a[key], b[key]) + 1e-9);
      }
    }),
  );
});

test.each([
  ["#c86432", 0.5, 0.5, "#c86432"],
  ["rgb(200 100 50 / 100%)", 0, 0, "#c86432"],
  ["linear-gradient(#000, #fff)", 0.3, 0.5, "#808080"],
  ["linear-gradient(to right, #000, #fff)", 0.25, 0.9, "#404040"],
  ["linear-gradient(90deg, #000 50%, #fff 50%)", 0.4, 0, "#000000"],
  ["linear-gradient(#000, #808080, #fff)", 0, 0.5, "#808080"],
  ["radial-gradient(circle at 20% 30%, #fff, #000)", 0.2, 0.3, "#ffffff"],
  ["linear-gradient(#ffffff80, #ffffff80), #000", 0.5, 0.5, "#808080"],
])("%s at %f, %f is %s", (background, x, y, color) => {
  const found = colorAt(background, x, y);
  expect(found && hexOf(found)).toBe(color);
});

test("what is no color is none", () => {
  expect(parseColor("kelp")).toBeUndefined();
  expect(colorAt("url(reef.png)", 0.5, 0.5)).toBeUndefined();
});

test("colors blend as CSS has it", () => {
  const [gray, red] = [
    { r: 0.5, g: 0.5, b: 0.5, alpha: 1 },
    { r: 1, g: 0, b: 0, alpha: 1 },
  ];
  expect(over(red, gray, "multiply")).toEqual({ r: 0.5, g: 0, b: 0, alpha: 1 });
  expect(over(red, gray, "screen")).toEqual({ r: 1, g: 0.5, b: 0.5, alpha: 1 });
  expect(over({ ...red, alpha: 0.5 }, gray, "difference").r).toBeCloseTo(0.5, 6);
  expect(over(red, gray, "normal")).toEqual(red);
});
