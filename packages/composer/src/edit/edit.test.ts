import fc from "fast-check";
import { applyPatches } from "immer";
import { allLayers, type Layer, type Page, speedOf } from "lumbit/core";
import { readPage } from "lumbit/document";
import { isGroup } from "lumbit/internal";
import { describe, expect, test } from "vitest";
import { randomScenes } from "../../../../test/random-scenes.ts";
import { rewritten } from "./changes.ts";
import { all, type Edit, edited } from "./edit.ts";
import { freeName, layerOf, nameFrom, namesIn } from "./find.ts";
import {
  addCopies,
  copiesOf,
  flag,
  group,
  named,
  removeLayers,
  renameLayer,
  reorder,
  spread,
  ungroup,
} from "./layers.ts";
import { setSubject } from "./place.ts";
import {
  addScene,
  copyName,
  duplicateScene,
  moveScene,
  removeScene,
  renameScene,
  setHeight,
} from "./scenes.ts";
import { fastest, setDepth, setSpeed } from "./set-depth.ts";
import { redone, replaced, undone } from "./text.ts";

const pageOf = (scenes: Page["scenes"]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
/** Any edit, of what its numbers come to on a page. */
const steps = fc.array(
  fc.record({
    kind: fc.nat({ max: 16 }),
    scene: fc.nat(),
    layers: fc.array(fc.nat(), { minLength: 1, maxLength: 3 }),
    amount: fc.double({ min: -0.5, max: 4, noNaN: true }),
  }),
  { minLength: 1, maxLength: 7 },
);
type Step = typeof steps extends fc.Arbitrary<(infer One)[]> ? One : never;

function editOf(page: Page, { kind, scene, layers, amount }: Step): Edit {
  const own = page.scenes[scene % page.scenes.length];
  const inner = allLayers(own?.layers ?? []);
  if (!own || inner.length === 0) return addScene(copyName(page, "further"));
  const at = (index: number) => inner[index % inner.length] ?? inner[0];
  const names = [...new Set(layers.map((index) => at(index)?.name ?? ""))].map((layer) => ({
    scene: own.name,
    layer,
  }));
  const top = names.filter(({ layer }) => own.layers.some(({ name }) => name === layer));
  const [name = { scene: own.name, layer: "" }] = names;
  const share = Math.abs(amount) / 4;
  const edits: (() => Edit)[] = [
    () => setSpeed(name, amount),
    () => setSubject(name, { x: amount, y: share }),
    () => spread(names),
    () => flag(names, amount > 1 ? "hidden" : "locked", share > 0.3),
    () => removeLayers(names),
    () => addCopies(names, named(page, own.name, copiesOf(page, names))),
    () => reorder(top, own.layers[Math.floor(amount)]?.name),
    () => renameLayer(name, freeName("other", namesIn(page, own.name))),
    () =>
      top.length > 0 && !copiesOf(page, top).some(isGroup)
        ? group(top, freeName("group", namesIn(page, own.name)))
        : setSpeed(name, 1),
    () => ungroup(name),
    () => addScene(copyName(page, "further"), amount > 1 ? own.name : undefined),
    () => renameScene(own.name, copyName(page, "renamed")),
    () => duplicateScene(own.name),
    () => removeScene(own.name),
    () => moveScene(own.name, Math.max(0, Math.round(amount))),
    () => setHeight(own.name, `${Math.round(50 + 100 * share)}vh`),
    () => all(setSpeed(name, 0.5), flag([name], "hidden", true)),
  ];
  return (edits[kind] as () => Edit)();
}

test("any sequence of edits leaves a page that reads, and taken back the same text letter for letter", () => {
  let taken = 0;
  fc.assert(
    fc.property(randomScenes, steps, (scenes, steps) => {
      let page = readPage(JSON.stringify(pageOf(scenes))).page ?? pageOf(scenes);
      const first = JSON.stringify(page, null, 3).replaceAll("\n", "\r\n");
      let text = first;
      const done = steps.flatMap((step) => {
        const before = text;
        const { page: next, patches, inverse } = edited(page, editOf(page, step));
        const after = rewritten(before, next);
        // What a page may not be is not taken: some layers may be in no group.
        const { page: read, faults } = readPage(after);
        if (step.kind !== 8) expect(faults).toEqual([]);
        if (!read) return [];
        taken++;
        expect(read).toEqual(readPage(JSON.stringify(next)).page);
        expect(applyPatches(page, patches)).toEqual(next);
        expect(applyPatches(next, inverse)).toEqual(page);
        text = after;
        page = next;
        return [replaced(before, text)];
      });
      const last = text;
      for (const step of done.toReversed()) text = undone(text, step);
      expect(text).toBe(first);
      for (const step of done) text = redone(text, step);
      expect(text).toBe(last);
    }),
    { numRuns: process.env.LUMBIT_WHOLE ? 150 : 60 },
  );
  expect(taken).toBeGreaterThan(80);
});

test("what stays, and what is only moved, stays as it was written", () => {
  const layer = (name: string) => `      { "name": "${name}",   "text": "${name}" }`;
  const text = `{ "format": "lumbit/1", "title": "t", "lang": "en", "scenes": [\n  { "name": "sea", "layers": [\n${["a", "b", "c"].map(layer).join(",\n")}\n  ] }\n] }\n`;
  const page = readPage(text).page as Page;
  const after = (edit: Edit) => rewritten(text, edited(page, edit).page);
  const name = (layer: string) => ({ scene: "sea", layer });
  const removed = after(removeLayers([name("b")]));
  for (const one of ["a", "c"]) expect(removed).toContain(layer(one));
  expect(removed).not.toContain('"b"');
  const moved = after(reorder([name("c")], "a"));
  expect(moved.indexOf('"c",')).toBeLessThan(moved.indexOf('"a",'));
  for (const one of ["a", "b", "c"]) expect(moved).toContain(`{ "name": "${one}",   "text": "${one}" }`);
  expect(after(setSpeed(name("a"), 0.5))).toContain(layer("b"));
});

describe("layers", () => {
  const stone = (name: string, depth: number) =>
    ({ name, shape: "rectangle", background: "#0a6", depth }) as const;
  const page = pageOf([
    { name: "sea", layers: [stone("a", 0), stone("b", 0.2), stone("c", 3), stone("d", 4)] },
  ]);
  const names = ["a", "b", "c", "d"].map((layer) => ({ scene: "sea", layer }));

  test("spread evenly have equal steps of speed between the ends, which stay", () => {
    const { page: next } = edited(page, spread(names));
    const speeds = next.scenes[0]?.layers.map(speedOf) ?? [];
    for (const [index, speed] of speeds.entries()) expect(speed).toBeCloseTo(1 - (index * 0.8) / 3, 1);
    expect(next.scenes[0]?.layers[3]).toBe(page.scenes[0]?.layers[3]);
  });

  test("in a group move as its nearest, and taken out again as before", () => {
    const grouped = edited(page, group(names.slice(1, 3), "pair")).page;
    expect(grouped.scenes[0]?.layers.map(({ name }) => name)).toEqual(["a", "pair", "d"]);
    expect(speedOf(grouped.scenes[0]?.layers[1] ?? {})).toBeCloseTo(1 / 1.2, 6);
    const apart = edited(grouped, ungroup({ scene: "sea", layer: "pair" })).page;
    expect(apart.scenes[0]?.layers).toEqual(page.scenes[0]?.layers);
  });

  test("that checks name take that along when they are deleted, and so does a scene", () => {
    const check = { rule: "contrast", scene: "sea", severity: "note" } as const;
    const checked: Page = {
      ...page,
      checks: [
        { ...check, layer: "a" },
        { ...check, layer: "b" },
      ],
    };
    const left = edited(checked, removeLayers(names.slice(0, 1))).page;
    expect(left.checks).toEqual([{ ...check, layer: "b" }]);
    expect(edited(left, removeLayers(names.slice(1, 2))).page.checks).toBeUndefined();
    const two = edited(checked, addScene("sky")).page;
    expect(edited(two, removeScene("sea")).page.checks).toBeUndefined();
  });

  test("get names that are free", () => {
    expect(named(page, "sea", [stone("a", 0), stone("a", 0)]).map(({ name }) => name)).toEqual([
      "a-2",
      "a-3",
    ]);
    expect(nameFrom("Far kelp (2).PNG")).toBe("far-kelp-2-png");
    expect(nameFrom("123")).toBe("layer");
  });
});

test("a scene that is renamed takes the links to it along", () => {
  const page: Page = {
    ...pageOf([
      { name: "top", layers: [], content: [{ text: "Down", href: "#tides" }] },
      { name: "tides", layers: [] },
    ]),
    checks: [{ rule: "order", scene: "tides", severity: "off", reason: "as drawn" }],
  };
  const { page: next } = edited(page, renameScene("tides", "low-water"));
  expect(next.scenes[0]?.content?.[0]).toMatchObject({ href: "#low-water" });
  expect(next.checks?.[0]).toMatchObject({ scene: "low-water" });
});

test("links to layers follow them, wherever they are written, and never lead nowhere", () => {
  const stone = { name: "wheel", shape: "rectangle", background: "#0a6" } as const;
  const page: Page = {
    ...pageOf([
      {
        name: "top",
        layers: [],
        content: [{ text: "To [the wheel](#mill/wheel)" }, { list: ["[Mill](#mill)"] }],
      },
      { name: "mill", layers: [stone, { name: "words", text: "Down", href: "#mill/wheel" }] },
      { name: "end", as: "footer", layers: [] },
    ]),
    page: { header: { links: [{ text: "Wheel", href: "#mill/wheel" }] } },
  };
  const linksOfPage = (shown: Page) => [
    shown.page?.header?.links?.[0]?.href,
    shown.scenes[0]?.content?.[0]?.text,
    shown.scenes[0]?.content?.[1]?.list?.[0],
  ];
  const renamed = edited(page, renameLayer({ scene: "mill", layer: "wheel" }, "stone")).page;
  expect(linksOfPage(renamed)).toEqual(["#mill/stone", "To [the wheel](#mill/stone)", "[Mill](#mill)"]);
  const elsewhere = edited(renamed, renameScene("mill", "race")).page;
  expect(linksOfPage(elsewhere)).toEqual(["#race/stone", "To [the wheel](#race/stone)", "[Mill](#race)"]);
  const removed = edited(elsewhere, removeLayers([{ scene: "race", layer: "stone" }])).page;
  expect(linksOfPage(removed)).toEqual(["#race", "To [the wheel](#race)", "[Mill](#race)"]);
  const gone = edited(elsewhere, removeScene("race")).page;
  expect(linksOfPage(gone)).toEqual(["#top", "To [the wheel](#top)", "[Mill](#top)"]);
  const moved = edited(page, moveScene("end", 0)).page;
  const longer = edited(page, addScene("further")).page;
  expect(longer.scenes.map(({ name }) => name)).toEqual(["top", "mill", "further", "end"]);
  for (const shown of [
    renamed,
    elsewhere,
    removed,
    gone,
    moved,
    longer,
    edited(page, duplicateScene("end")).page,
  ])
    expect(readPage(JSON.stringify(shown)).faults).toEqual([]);
});

describe("a depth", () => {
  const stone = { name: "stone", shape: "rectangle", background: "#0a6" } as const;
  const name = { scene: "sea", layer: "stone" };
  const of = (layer: Layer) =>
    pageOf([{ name: "sea", layers: [layer, { ...stone, name: "other", depth: 1 }] }]);
  const after = (layer: Layer, edit: ReturnType<typeof setSpeed>) =>
    layerOf(edited(of(layer), edit).page, name);

  test("is written in the words in which the layer has it", () => {
    expect(after({ ...stone, speed: 0.5 }, setDepth(name, 3))).toMatchObject({ speed: 0.25 });
    expect(after({ ...stone, depth: 1 }, setSpeed(name, 0.25))).toMatchObject({ depth: 3 });
    expect(after(stone, setSpeed(name, 0.5))).toMatchObject({ depth: 1 });
  });

  test("is at the horizon where nothing moves any more, and never behind the reader", () => {
    expect(after({ ...stone, depth: 1 }, setSpeed(name, 0))).toMatchObject({ depth: "horizon" });
    expect(after({ ...stone, depth: 1 }, setSpeed(name, -2))).toMatchObject({ depth: "horizon" });
    expect(speedOf(after({ ...stone, depth: 1 }, setSpeed(name, 40)) ?? {})).toBeCloseTo(fastest, 1);
  });

  test("leaves every other layer the same object", () => {
    const page = of({ ...stone, depth: 1 });
    const { page: next } = edited(page, setSpeed(name, 0.3));
    expect(next.scenes[0]?.layers[1]).toBe(page.scenes[0]?.layers[1]);
    expect(next.scenes[0]?.layers[0]).not.toBe(page.scenes[0]?.layers[0]);
  });
});

test("what differs between two texts is all that a step keeps", () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), fc.string(), fc.string(), (start, a, b, end) => {
      const [before, after] = [start + a + end, start + b + end];
      const step = replaced(before, after);
      expect(redone(before, step)).toBe(after);
      expect(undone(after, step)).toBe(before);
      expect(step.before.length).toBeLessThanOrEqual(a.length);
    }),
  );
});
