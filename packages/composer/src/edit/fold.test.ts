import fc from "fast-check";
import type { Page } from "lumbit/core";
import { readPage } from "lumbit/document";
import { expect, test } from "vitest";
import { rewritten } from "./changes.ts";
import { type Edit, edited } from "./edit.ts";
import { type Layers, layerOf, sceneOf } from "./find.ts";
import { addScene, removeScene } from "./scenes.ts";

const file = {
  ...{ format: "lumbit/1", title: "The low water", lang: "en" },
  parts: {
    post: {
      ...{ place: { left: "10%", top: "20%", width: "8%", height: "30%" }, depth: 1 },
      layers: [
        { name: "pole", shape: "rectangle", background: "#210", place: { width: "100%", height: "100%" } },
        { name: "mark", text: "low" },
      ],
    },
    night: { background: "#012" },
  },
  scenes: [
    {
      ...{ name: "pier", part: "night" },
      layers: [
        { name: "sky", text: "sky", depth: 4 },
        { name: "post", part: "post", copies: { times: 3, across: "12%" } },
        { name: "last", part: "post", depth: 2 },
      ],
    },
    // Called as a use in another scene, and like it but for its depth.
    {
      name: "quay",
      layers: [
        {
          ...{ name: "last", place: { left: "10%", top: "20%", width: "8%", height: "30%" }, depth: 7 },
          layers: [
            {
              name: "last-pole",
              shape: "rectangle",
              background: "#210",
              place: { width: "100%", height: "100%" },
            },
            { name: "last-mark", text: "low" },
          ],
        },
      ],
    },
    { name: "tank", layers: [], copies: { each: [{ part: "night" }, { background: "#def" }] } },
  ],
};
const text = JSON.stringify(file, null, 2);
const shared = { file: "house.json", text: JSON.stringify({ format: "lumbit/1", parts: file.parts }) };
const page = readPage(text).page as Page;

/** The file after an edit, which comes to just what the edit makes; so does the one that has its parts from another file. */
function after(edit: Edit): typeof file {
  const { page: next } = edited(page, edit);
  const written = rewritten(text, next);
  const { page: read, faults } = readPage(written);
  expect(faults).toEqual([]);
  expect(read).toEqual(next);
  const { parts: _, ...sharing } = { ...file, shared: shared.file };
  const other = JSON.parse(rewritten(JSON.stringify(sharing), next, shared));
  expect(readPage(JSON.stringify(other), "page.json", shared).page).toEqual(next);
  expect({ ...other, parts: file.parts, shared: undefined }).toEqual({
    ...JSON.parse(written),
    shared: undefined,
  });
  return JSON.parse(written);
}
const layer = (name: string, change: (layer: Record<string, unknown>) => void): Edit => {
  return (draft) =>
    change(layerOf(draft, { scene: "pier", layer: name }) as unknown as Record<string, unknown>);
};

const pier = (draft: Page) => sceneOf(draft, "pier")?.layers as Layers;

test("a page that has not changed is written as it was", () => {
  expect(rewritten(text, page)).toBe(text);
});

test("what is changed in a use of a part, or in one copy, becomes a setting of its own; the part stays", () => {
  const use = after(layer("last", (one) => void Object.assign(one, { depth: 5 })));
  expect(use.scenes[0]?.layers[2]).toEqual({ name: "last", part: "post", depth: 5 });
  const inner = after(layer("last-mark", (one) => void Object.assign(one, { text: "high" })));
  expect(inner.scenes[0]?.layers[2]).toEqual({
    ...file.scenes[0]?.layers[2],
    layers: [{ name: "mark", text: "high" }],
  });
  const place = { left: "40%", top: "1%", width: "8%", height: "30%" };
  const copy = after(layer("post-2", (one) => void Object.assign(one, { place })));
  expect(copy.scenes[0]?.layers[1]).toMatchObject({
    copies: { times: 3, across: "12%", each: [{}, { place }, {}] },
  });
  const scene = after((draft) => void Object.assign(sceneOf(draft, "tank-2") ?? {}, { background: "#fff" }));
  expect(scene.scenes[2]).toMatchObject({ copies: { each: [{ part: "night" }, { background: "#fff" }] } });
  for (const { scenes } of [use, inner, copy, scene]) expect(scenes[1]).toEqual(file.scenes[1]);
  for (const { parts } of [use, inner, copy, scene]) expect(parts).toEqual(file.parts);
});

test("what parts and copies cannot say is written out, and only that", () => {
  const without = after((draft) => void pier(draft).splice(2, 1));
  expect(without.scenes[0]?.layers.map(({ name }) => name)).toEqual(["sky", "post-1", "post-3", "last"]);
  const unplaced = after(layer("last", (last) => void delete last.depth));
  expect(unplaced.scenes[0]?.layers).toEqual([
    ...(file.scenes[0]?.layers.slice(0, 2) ?? []),
    expect.not.objectContaining({ part: "post" }),
  ]);
  const apart = after(addScene("new", "tank-2"));
  expect(apart.scenes.map(({ name }) => name)).toEqual(["pier", "quay", "tank-1", "new", "tank-2"]);
});

test("whatever is changed, the file that is written comes to it", () => {
  const names = ["sky", "post-1", "post-1-mark", "post-3", "last", "last-pole"];
  const edits = fc.oneof(
    fc
      .tuple(fc.constantFrom(...names), fc.nat(9))
      .map(([name, depth]) => layer(name, (one) => void Object.assign(one, { depth }))),
    fc.constantFrom(...names).map((name) => layer(name, (one) => void delete one.place)),
    fc.nat(4).map(
      (at): Edit =>
        (draft) =>
          void pier(draft).splice(at, 1),
    ),
    fc.tuple(fc.nat(4), fc.nat(4)).map(
      ([from, to]): Edit =>
        (draft) => {
          const layers = pier(draft);
          layers.splice(to, 0, ...layers.splice(from, 1));
        },
    ),
    fc.constantFrom("tank-1", "tank-2").map(removeScene),
  );
  fc.assert(
    fc.property(fc.array(edits, { minLength: 1, maxLength: 3 }), (several) => {
      after((draft) => {
        for (const edit of several)
          try {
            edit(draft);
          } catch {}
      });
    }),
  );
});

test("what a page has from a file that pages share is not written; what it has instead is, setting by setting", () => {
  const house = {
    format: "lumbit/1",
    page: { background: "#012", color: "#eee", header: { text: "Tidehouse" } },
    fonts: [{ family: "Tide", src: "tide.woff2" }],
  };
  const own = {
    ...{ format: "lumbit/1", title: "Pier", lang: "en", shared: "house.json", page: { color: "#fff" } },
    scenes: [{ name: "pier", layers: [] }],
  };
  const common = { file: "house.json", text: JSON.stringify(house) };
  const before = JSON.stringify(own, null, 2);
  const page = readPage(before, "page.json", common).page as Page;
  const after = (edit: Edit) => JSON.parse(rewritten(before, edited(page, edit).page, common));
  expect(rewritten(before, page, common)).toBe(before);
  expect(after((draft) => void Object.assign(draft, { title: "Quay" }))).toEqual({ ...own, title: "Quay" });
  const darker = after((draft) => void Object.assign(draft.page ?? {}, { background: "#000" }));
  expect(darker).toEqual({ ...own, page: { color: "#fff", background: "#000" } });
  // What the page says itself stays its own, also where it says the same.
  expect(after((draft) => void Object.assign(draft.page ?? {}, { color: "#eee" }))).toEqual({
    ...own,
    page: { color: "#eee" },
  });
  expect(after((draft) => void Object.assign(draft, { fonts: [] }))).toEqual({ ...own, fonts: [] });
});
