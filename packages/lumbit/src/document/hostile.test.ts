import fc from "fast-check";
import { expect, test } from "vitest";
import { formatFault, readPage } from "./index.ts";

/** What random and hostile input found at the door of the reader: always faults with a line, never an error. */
const page = (more: object, layer: object = {}) =>
  JSON.stringify({
    ...{ format: "lumbit/1", title: "t", lang: "en" },
    scenes: [{ name: "a", layers: [{ name: "x", text: "hi", ...layer }] }],
    ...more,
  });
const said = (text: string) => readPage(text).faults.map(formatFault);
const unable = { toString: 1 };

test.each<[string, string, RegExp]>([
  ["nesting", "[".repeat(10_000), /^page\.json:1:65: this stands in more than 64 lists and objects/],
  ["nesting in objects", '{"a":'.repeat(10_000), /more than 64/],
  [
    "a key that programs take for another",
    page({ __proto__: null }).replace("{", '{"__proto__":{"title":"x"},'),
    /unknown key "__proto__"/,
  ],
  [
    "an object that cannot become text",
    page({}, { ramps: [{ property: unable, stops: [{ at: unable, value: unable }] }] }),
    /found \{"toString":1\}/,
  ],
  [
    "names of an object's own",
    page({}, { ramps: [{ property: "constructor", stops: [] }] }),
    /found "constructor"/,
  ],
  [
    "text sizes that cannot become text",
    page({}, { fontSize: { min: unable, max: unable } }),
    /fontSize\/min: found/,
  ],
  ["deep parentheses", page({}, { rules: [{ media: "(".repeat(5000) }] }), /at most 500 characters/],
  [
    "a long value",
    page({ page: { background: `linear-gradient(${"red, ".repeat(3000)}blue)` } }),
    /at most 4000 characters/,
  ],
  ["a number that is none in the end", page({}, { depth: 0 }).replace('"depth":0', '"depth":1e999'), /depth/],
  ["a length without end", page({}, { place: { left: `${"9".repeat(400)}px` } }), /lengths go to 99999/],
  [
    "a scene without end",
    page({ scenes: [{ name: "a", height: "99999999vh", layers: [] }] }),
    /lengths go to 99999/,
  ],
  [
    "more scenes than a page",
    page({ scenes: Array.from({ length: 1001 }, (_, index) => ({ name: `s${index}`, layers: [] })) }),
    /at most 1000 of them/,
  ],
  ["a text without end", page({}, { text: "word ".repeat(5000) }), /at most 20000 characters/],
  ["NUL", page({}, { text: "a\u0000b" }), /the control character U\+0000/],
  ["half a character", page({}, { text: "a\ud800b" }), /half of a character/],
  ["a quote that is not closed", page({ page: { fontFamily: '"Georgia, serif' } }), /CSS font list/],
  [
    "a parenthesis that is not closed",
    page({ page: { background: "linear-gradient(#000, #fff" } }),
    /gradient/,
  ],
  [
    "a camera that reaches a layer",
    page({ page: { camera: { push: 2 } } }),
    /push: the camera reaches "x", which lies 1 from it/,
  ],
  [
    "a camera that reaches one where a rule holds",
    page({ page: { camera: { push: 0.5 } } }, { rules: [{ media: "(max-width: 600px)", depth: -0.6 }] }),
    /reaches "x", which lies 0\.4/,
  ],
])("%s", (_, text, wanted) => {
  const faults = said(text);
  expect(faults.join("\n")).toMatch(wanted);
  for (const fault of faults) expect(fault).toMatch(/^page\.json:\d+:\d+/);
});

test("of many syntax errors the first hundred are told", () => {
  const faults = readPage(`[${"1 2,".repeat(100_000)}1]`).faults;
  expect(faults).toHaveLength(101);
  expect(faults.at(-1)?.message).toBe("there is more after this; mend the first faults first");
});

test("what a file has in it does not reach a terminal as a command", () => {
  const [fault = ""] = said(page({ "\u001b]0;title\u0007\u001b[31mX": 1 }));
  expect(fault).toContain(String.raw`\u001b]0;title\u0007\u001b[31mX`);
  const long = said(page({ [`${"k".repeat(500)}\u0000`]: "v".repeat(500) })).join("");
  expect([...long].some((letter) => letter < " ")).toBe(false);
  expect(long).not.toMatch(/k{300}/);
});

test("allowed keys are those that a layer of its kind can have", () => {
  const [fault = ""] = said(page({}, { imgae: "x.webp" }));
  expect(fault).toContain("fontSize");
  expect(fault).not.toMatch(/, (alt|shape|reel|fit),/);
});

test("lists of backgrounds and shadows may be long, and a wrong one in them is found", () => {
  const gradients = Array(20).fill("linear-gradient(#123 0%, #fff 100%)");
  expect(said(page({ page: { background: gradients.join(",") } }))).toEqual([]);
  expect(said(page({ page: { background: [...gradients, "#123"].join() } }))).toEqual([]);
  expect(said(page({ page: { background: ["#123", ...gradients].join() } }))).toHaveLength(1);
  expect(said(page({ page: { background: [...gradients, ""].join() } }))).toHaveLength(1);
});

test("whatever JSON it is given, the reader gives a page or faults with a line", () => {
  fc.assert(
    fc.property(fc.json({ maxDepth: 6 }), fc.string(), (json, noise) => {
      for (const text of [json, page({}).replace('"hi"', json), page({ page: noise }), noise]) {
        const { page: read, faults } = readPage(text);
        if (!read) expect(faults[0]?.line).toBeGreaterThan(0);
      }
    }),
    { numRuns: 500 },
  );
});

test("what only looks as if it had a length is told, as any other value", () => {
  const text = '{"format":"lumbit/1","title":{"length":{"toString":0,"valueOf":0}},"lang":"en","scenes":[]}';
  expect(readPage(text, "page.json").faults.map(({ path }) => path)).toContain("/title");
});
