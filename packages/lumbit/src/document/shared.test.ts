import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { formatFault } from "./fault.ts";
import { atOrigin } from "./patch.ts";
import { readPage } from "./read.ts";
import { sharedIn } from "./shared.ts";

const own = {
  format: "lumbit/1",
  title: "Pier",
  lang: "en",
  shared: "house.json",
  page: { color: "#fff" },
  scenes: [{ name: "first", layers: [{ name: "mark", part: "mark" }] }],
};
const house = {
  format: "lumbit/1",
  page: { background: "#012", color: "#eee" },
  fonts: [{ family: "Tide", src: "tide.woff2" }],
  parts: { mark: { text: "Low water", depth: 0.5 } },
};
const read = (page: object, shared: object | string = house) =>
  readPage(JSON.stringify(page, null, 2), "pier.json", {
    file: "house.json",
    text: typeof shared === "string" ? shared : JSON.stringify(shared, null, 2),
  });
const said = (page: object, shared?: object | string) => read(page, shared).faults.map(formatFault);

test("a page has what it shares with others, and its own instead", () => {
  const { page, references } = read(own);
  expect(page).toEqual({
    ...{ format: "lumbit/1", title: "Pier", lang: "en", fonts: house.fonts },
    page: { background: "#012", color: "#fff" },
    scenes: [{ name: "first", layers: [{ name: "mark", text: "Low water", depth: 0.5 }] }],
  });
  expect(references.map(({ path }) => path)).toEqual(["tide.woff2"]);
  const other = { ...own, fonts: [], parts: { mark: { text: "High water" } } };
  expect(read(other).page).toMatchObject({ fonts: [], scenes: [{ layers: [{ text: "High water" }] }] });
});

test("whatever of a page is put into the file that it shares, the page is the same", () => {
  const keys = ["lang", "page", "fonts", "parts"] as const;
  const whole = { ...own, ...house, shared: undefined };
  const before = readPage(JSON.stringify(whole)).page;
  expect(before).toBeDefined();
  fc.assert(
    fc.property(fc.subarray([...keys]), (moved) => {
      const pick = (wanted: boolean) => keys.filter((key) => moved.includes(key) === wanted);
      const entries = (some: readonly (typeof keys)[number][]) =>
        Object.fromEntries(some.map((key) => [key, whole[key]]));
      const { title, scenes, format } = whole;
      const page = { format, title, scenes, shared: "house.json", ...entries(pick(false)) };
      expect(read(page, { format, ...entries(pick(true)) }).page).toEqual(before);
    }),
  );
});

describe("says what is wrong", () => {
  test.each<[string, string[], RegExp]>([
    [
      "no file",
      said({ ...own, shared: 3 }),
      /pier.json:5:13 at \/shared: found 3; allowed: the name of a file/,
    ],
    ["another folder", said({ ...own, shared: "../house.json" }), /allowed: the name of a file beside/],
    [
      "a file that is not there",
      readPage(JSON.stringify(own)).faults.map(formatFault),
      /\/shared: there is no file "house.json" beside the page file/,
    ],
    ["no JSON", said(own, '{ "format": '), /^house.json:1:\d+/],
    ["no shared file", said(own, { name: "else" }), /house.json:1:1: a shared file says what it is/],
    [
      "a page",
      said(own, { ...house, title: "x" }),
      /house.json:\d+:3 at \/title: "title" is each page's own/,
    ],
    ["a chain", said(own, { ...house, shared: "b.json" }), /house.json:\d+:3 at \/shared: "shared" is each/],
    [
      "a color that is none",
      said(own, { ...house, page: { background: "sea" } }),
      /^house.json:4:19 at \/page\/background: found "sea"/,
    ],
    [
      "what is wrong in a part, where it is used",
      said(own, { ...house, parts: { mark: { text: "Low", depth: "deep" } } }),
      /^house.json:\d+:\d+ at \/parts\/mark\/depth: found "deep"/,
    ],
    ["a key that nothing has", said(own, { ...house, colour: "#fff" }), /^house.json.*unknown key "colour"/],
    [
      "what the page says itself",
      said({ ...own, page: { color: "sea" } }),
      /^pier.json:\d+:\d+ at \/page\/color: found "sea"/,
    ],
  ])("%s", (_, faults, wanted) => {
    expect(faults).toEqual([expect.stringMatching(wanted)]);
  });
});

test("of changes those are left that the page's own file can have", () => {
  const { source } = read(own);
  const change = (path: string) => ({ op: "replace" as const, path, value: 1 });
  expect(atOrigin(source, [change("/scenes/0/layers/0/depth"), change("/scenes/0/name")])).toEqual([
    change("/scenes/0/name"),
  ]);
});

test("the shared file is found in whatever is typed", () => {
  expect(sharedIn('{ "shared": "house.json", "scenes": [')).toBe("house.json");
  for (const none of ["", "[]", "{", '{ "shared": "/etc/house.json" }', '{ "shared": 1 }', "null"])
    expect(sharedIn(none)).toBeUndefined();
});

test("whatever stands in a shared file, reading ends with a page or with faults", () => {
  const settings = fc.dictionary(
    fc.constantFrom("format", "page", "fonts", "parts", "head", "checks", "trusted", "__proto__", "lang"),
    fc.oneof(fc.constant("lumbit/1"), fc.jsonValue()),
  );
  fc.assert(
    fc.property(
      fc.oneof(
        fc.json(),
        settings.map((own) => JSON.stringify(own)),
        fc.string(),
      ),
      (text) => {
        const { page, faults } = read(own, text);
        expect(page === undefined).toBe(faults.length > 0);
      },
    ),
  );
});
