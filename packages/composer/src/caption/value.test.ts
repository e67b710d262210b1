import fc from "fast-check";
import { type Grammar, layerSettings, place, textStyle } from "lumbit/settings";
import { expect, test } from "vitest";
import { digitsIn, stepped, stepsOf, valueFrom, writtenValue } from "./value.ts";

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

test("numbers are understood as people write them", () => {
  expect(valueFrom(place.left.grammar, "20 %", undefined)).toBe("20%");
  expect(valueFrom(place.left.grammar, "50,5%", undefined)).toBe("50.5%");
  expect(valueFrom(place.left.grammar, "1,5", "3rem")).toBe("1.5rem");
  expect(valueFrom(layerSettings.depth.grammar, "1,5", 2)).toBe(1.5);
  expect(valueFrom(layerSettings.opacity.grammar, "20 %", 1)).toBe(0.2);
  expect(valueFrom(layerSettings.rotate.grammar, "20 %", 1)).toBe("20 %");
});

const stepsFor = (grammar: Grammar, text: string) => {
  const steps = stepsOf(grammar) ?? expect.fail("it is stepped");
  return { ...steps, digits: Math.max(steps.digits, digitsIn(text)) };
};

test("steps change the last digit, stop at limits, and there and back is where it was", () => {
  const step = (grammar: Grammar, text: string, by: number) => stepped(text, by, stepsFor(grammar, text));
  expect(step(place.top.grammar, "30vh", 10)).toBe("40vh");
  expect(step(place.top.grammar, "-0.25%", 1)).toBe("-0.24%");
  expect(step(layerSettings.depth.grammar, "1", 1)).toBe("1.1");
  expect(step(layerSettings.depth.grammar, "-0.8", -5)).toBe("-0.9");
  expect(step(layerSettings.opacity.grammar, "1", -1)).toBe("0.99");
  expect(step(layerSettings.opacity.grammar, "0.95", 20)).toBe("1");
  expect(step(place.width.grammar, "3px", -9)).toBe("0px");
  expect(step(layerSettings.depth.grammar, "horizon", 1)).toBe("horizon");
  for (const { grammar } of [layerSettings.background, layerSettings.text])
    expect(stepsOf(grammar), grammar.allowed).toBeUndefined();
  fc.assert(
    fc.property(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: -50, max: 50 }), (number, by) => {
      const text = `${number / 10}px`;
      const steps = stepsFor(place.left.grammar, "0.1");
      expect(stepped(stepped(text, by, steps), -by, steps)).toBe(text);
    }),
  );
});
