import fc from "fast-check";
import { layerSettings, place, textStyle } from "lumbit/settings";
import { expect, test } from "vitest";
import { stepped, valueFrom, writtenValue } from "./value.ts";

test("what is written in a field is what was meant", () => {
  expect(valueFrom(layerSettings.opacity.grammar, " 0.5 ", 1)).toBe(0.5);
  expect(valueFrom(layerSettings.opacity.grammar, "half", 1)).toBe("half");
  expect(valueFrom(layerSettings.locked.grammar, "true", undefined)).toBe(true);
  expect(valueFrom(place.top.grammar, "20", "30vh")).toBe("20vh");
  expect(valueFrom(place.top.grammar, "20", undefined)).toBe("20px");
  expect(valueFrom(place.top.grammar, "0", "30vh")).toBe(0);
  expect(valueFrom(layerSettings.subject.grammar, "0.2, 0.7", undefined)).toEqual([0.2, 0.7]);
  expect(valueFrom(layerSettings.depth.grammar, "horizon", 2)).toBe("horizon");
  expect(valueFrom(layerSettings.depth.grammar, "3", "horizon")).toBe(3);
  expect(valueFrom(textStyle.fontSize.grammar, '{ "fit": "80%" }', "3rem")).toEqual({ fit: "80%" });
  expect(valueFrom(textStyle.fontSize.grammar, "4", "3rem")).toBe("4rem");
  expect(valueFrom(layerSettings.ramps.grammar, "[ not yet", [])).toBe("[ not yet");
});

test("a value that is written and read again is the same", () => {
  const pair = fc
    .tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 0, max: 100 }))
    .map(([a, b]) => [a / 100, b / 100]);
  fc.assert(
    fc.property(pair, fc.integer({ min: -500, max: 500 }), (subject, length) => {
      const { grammar } = layerSettings.subject;
      expect(valueFrom(grammar, writtenValue(subject), undefined)).toEqual(subject);
      expect(valueFrom(place.left.grammar, writtenValue(`${length}vw`), undefined)).toBe(`${length}vw`);
    }),
  );
});

test("steps change the last digit that is written, and there and back is where it was", () => {
  expect(stepped("30vh", 10)).toBe("40vh");
  expect(stepped("-0.25", 1)).toBe("-0.24");
  expect(stepped("auto", 1)).toBe("auto");
  fc.assert(
    fc.property(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: -50, max: 50 }), (number, steps) => {
      const text = `${number}px`;
      expect(stepped(stepped(text, steps), -steps)).toBe(text);
    }),
  );
});
