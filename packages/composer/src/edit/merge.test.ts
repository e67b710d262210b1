import fc from "fast-check";
import type { AnyLayer, Page } from "lumbit/core";
import { readPage } from "lumbit/document";
import { expect, test } from "vitest";
import { edited } from "./edit.ts";
import { addLayers, flag, removeLayers, renameLayer, reorder } from "./layers.ts";
import { merged } from "./merge.ts";
import { setSpeed } from "./set-depth.ts";

const shape = (name: string) =>
  ({
    ...{ name, shape: "rectangle", background: "#123", speed: 0.5 },
    place: { left: "0%", top: "0%", width: "10%", height: "10%" },
  }) as AnyLayer;
const base: Page = {
  ...{ format: "lumbit/1", title: "Low water", lang: "en" },
  scenes: [
    { name: "low-water", height: "120vh", layers: ["a", "b", "c", "d"].map(shape) },
    { name: "tides", height: "100vh", layers: ["a", "b"].map(shape) },
  ],
};
const one = (layer: string, scene = "low-water") => [{ scene, layer }] as const;
const none: ReadonlySet<string> = new Set();
const titled = (title: string) => (page: Page) => {
  page.title = title;
};
/** Edits whose places do not touch each other. */
const apart = [
  setSpeed(one("a")[0], 0.2),
  flag(one("b"), "hidden", true),
  flag(one("b"), "locked", true),
  removeLayers(one("c")),
  addLayers("low-water", [shape("new")], "d"),
  renameLayer(one("b", "tides")[0], "other"),
  setSpeed(one("a", "tides")[0], 1.4),
  titled("High water"),
];

test("what two versions have changed in different places is all there, and nothing is to be chosen", () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: apart.length, maxLength: apart.length }), (mine) => {
      const of = (which: boolean) =>
        apart.reduce((page, edit, index) => (mine[index] === which ? edited(page, edit).page : page), base);
      const both = apart.reduce((page, edit) => edited(page, edit).page, base);
      const { page, pieces } = merged(base, of(true), of(false), none);
      expect(pieces).toEqual([]);
      expect(page).toEqual(both);
      expect(readPage(JSON.stringify(page), "page.json").faults).toEqual([]);
    }),
  );
});

test("what both have changed is chosen piece by piece, by names", () => {
  const mine = edited(edited(base, setSpeed(one("a")[0], 0.2)).page, titled("Mine")).page;
  const theirs = edited(edited(base, removeLayers(one("a"))).page, titled("Theirs")).page;
  const { page, pieces } = merged(base, mine, theirs, none);
  expect(pieces.map(({ where }) => where)).toEqual(["page: title", "low-water, a: the whole"]);
  expect(page).toEqual(mine);
  expect(merged(base, mine, theirs, new Set(pieces.map(({ where }) => where))).page).toEqual(theirs);
  expect(merged(base, mine, theirs, new Set(["page: title"])).page).toEqual({ ...mine, title: "Theirs" });
});

test("an order that one has changed stays with what the other has added", () => {
  const mine = edited(base, reorder(one("d"), "a")).page;
  const theirs = edited(base, addLayers("low-water", [shape("new")], "b")).page;
  const names = ({ scenes }: Page) => scenes[0]?.layers.map(({ name }) => name);
  expect(names(merged(base, mine, theirs, none).page)).toEqual(["d", "a", "b", "new", "c"]);
  expect(names(merged(base, theirs, mine, none).page)).toEqual(["d", "a", "b", "new", "c"]);
});
