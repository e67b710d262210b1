import fc from "fast-check";
import { expect, test } from "vitest";
import { formatFault, readPage } from "./index.ts";

type Json = Record<string, unknown>;

const file = (scenes: readonly Json[], parts?: Json) => ({
  ...{ format: "lumbit/1", title: "The low water", lang: "en", scenes },
  ...(parts && { parts }),
});
const read = (document: object) => readPage(JSON.stringify(document, null, 2));
const scenesOf = (document: object) => {
  const { page, faults } = read(document);
  expect(faults.map(formatFault)).toEqual([]);
  return page?.scenes;
};
/** Each fault by its place in the file and its words. */
const faults = (document: object) => read(document).faults.map(({ path, message }) => `${path} ${message}`);

const post = {
  ...{ place: { left: "10%", top: "20%", width: "8%", height: "30%" }, depth: 1 },
  layers: [
    {
      name: "pole",
      shape: "rectangle",
      background: "#210",
      place: { left: 0, top: 0, width: "100%", height: "100%" },
    },
    { name: "mark", text: "low", place: { left: 0, top: "10%" } },
  ],
};

test("a part gives its settings to what uses it, which has its own instead where it says some", () => {
  const layers = [
    { name: "first", part: "post" },
    { name: "second", part: "post", depth: 3, layers: [{ name: "mark", text: "high" }] },
  ];
  const written = (name: string, depth: number, mark: string) => ({
    ...{ name, place: post.place, depth },
    layers: [
      { ...post.layers[0], name: `${name}-pole` },
      { ...post.layers[1], name: `${name}-mark`, text: mark },
    ],
  });
  expect(scenesOf(file([{ name: "pier", layers }], { post }))).toEqual([
    { name: "pier", layers: [written("first", 1, "low"), written("second", 3, "high")] },
  ]);
});

test("copies stand farther across and down, deeper, and come later; each may have settings of its own", () => {
  const lamp = {
    ...{ name: "lamp", text: "o", place: { left: "10%", top: "4vh" }, depth: 0.5 },
    cue: { at: "entry 50%", from: { opacity: 0 }, delay: 50 },
    rules: [{ media: "(max-width: 600px)", place: { right: "50%", top: "calc(1vh + 2%)" } }],
    copies: {
      ...{ times: 3, across: "12.1%", down: "calc(1vh - 2px)", depth: 0.1, delay: 100 },
      each: [{}, { text: "x", depth: "horizon" }],
    },
  };
  const [scene] = scenesOf(file([{ name: "pier", layers: [lamp] }])) ?? [];
  expect(scene?.layers).toMatchObject([
    { name: "lamp-1", text: "o", place: { left: "10%", top: "4vh" }, depth: 0.5, cue: { delay: 50 } },
    { name: "lamp-2", text: "x", place: { left: "22.1%", top: "calc(5vh - 2px)" }, depth: "horizon" },
    { name: "lamp-3", text: "o", place: { left: "34.2%", top: "calc(6vh - 4px)" }, depth: 0.7 },
  ]);
  expect(scene?.layers[2]).toMatchObject({
    cue: { delay: 250 },
    rules: [{ place: { right: "25.8%", top: "calc(3vh + 2% - 4px)" } }],
  });
});

test("sections in three colours are one part and a list; a changed part changes everywhere", () => {
  const tank = {
    height: "60vh",
    content: [{ part: "lead", text: "Tank" }],
    layers: [{ name: "glass", part: "pane" }],
  };
  const parts = {
    ...{ tank, pane: { shape: "ellipse", background: "#9cd" }, lead: { as: "h2", fontWeight: 700 } },
    ...{ night: { background: "#012" }, day: { background: "#def" } },
  };
  const scene = {
    name: "tank",
    part: "tank",
    copies: { each: [{ part: "night" }, { part: "day" }, { background: "red" }] },
  };
  const scenes = scenesOf(file([scene], parts));
  expect(scenes?.map(({ name, background }) => [name, background])).toEqual([
    ["tank-1", "#012"],
    ["tank-2", "#def"],
    ["tank-3", "red"],
  ]);
  for (const { content, layers } of scenes ?? []) {
    expect(content).toEqual([{ as: "h2", fontWeight: 700, text: "Tank" }]);
    expect(layers).toMatchObject([{ name: "glass", shape: "ellipse" }]);
  }
  const rounder = scenesOf(file([scene], { ...parts, pane: { shape: "rectangle", background: "#fff" } }));
  expect(rounder?.map(({ layers }) => layers[0])).toMatchObject(
    Array(3).fill({ name: "glass", shape: "rectangle" }),
  );
});

test("faults stand where the file says what is wrong: in the use, in the part, in a setting of one copy", () => {
  const layers = [
    { name: "a", part: "post", copies: { times: 2, each: [{}, { depht: 1 }] } },
    { name: "b", part: "lamp" },
  ];
  expect(faults(file([{ name: "pier", layers }], { post, lamp: { text: "o", depth: -3 } }))).toEqual([
    expect.stringContaining(
      '/scenes/0/layers/0/copies/each/1/depht unknown key "depht", did you mean "depth"?',
    ),
    expect.stringContaining("/parts/lamp/depth found -3; allowed: "),
  ]);
});

test("a scene that is a part needs no layers; what is added behind copies comes behind them in the file", () => {
  const scene = {
    name: "day",
    part: "night",
    copies: { each: [{}, { layers: [{ name: "lamp", text: "o", copies: { times: 3 } }] }] },
  };
  const document = file(
    [scene, { name: "pier", layers: [{ name: "lamp", text: "o", copies: { times: 3 } }] }],
    {
      night: { background: "#012" },
    },
  );
  expect(scenesOf(document)?.map(({ layers }) => layers.length)).toEqual([0, 3, 3]);
  const { origin } = read(document).source;
  expect(origin(["scenes", 2, "layers", 3])).toEqual(["scenes", 1, "layers", 1]);
  expect(origin(["scenes", 2, "layers", 2, "depth"])).toEqual(["scenes", 1, "layers", 0, "depth"]);
});

test("what parts and copies cannot be is said in words of the file", () => {
  const layer = (more: Json) => ({ name: "one", text: "o", ...more });
  const said = (more: Json, parts?: Json) =>
    faults(file([{ name: "pier", layers: [layer(more)] }], parts)).map((fault) =>
      fault.replace("/scenes/0/layers/0/", ""),
    );
  expect(said({ part: "lamp" })).toEqual(['part there is no part "lamp"; the page has no "parts"']);
  expect(said({ part: "lmp" }, { lamp: {} })).toEqual(['part there is no part "lmp"; parts: lamp']);
  expect(said({ part: "a" }, { a: { part: "b" }, b: { part: "a" } })).toEqual([
    '/parts/b/part the part "a" is made of itself: a, b, a',
  ]);
  expect(said({}, { a: { name: "x" } })).toEqual([
    "/parts/a/name a part is called by its key; leave its name away",
  ]);
  expect(said({}, { a: 3 })).toEqual(["/parts/a a part is an object of settings"]);
  expect(said({ copies: {} })).toEqual([expect.stringContaining('say how many there are: "times"')]);
  expect(said({ copies: { times: 1_000_000 } })).toEqual([
    expect.stringContaining("copies/times found 1000000; allowed: how many there are, 1 to 200"),
  ]);
  expect(said({ copies: { times: 2, acros: "1%" } })).toEqual([
    expect.stringContaining('copies/acros unknown key "acros"'),
  ]);
  expect(said({ copies: { times: 1, each: [{}, {}] } })).toEqual([
    expect.stringContaining("there are 1, and settings for 2"),
  ]);
  expect(said({ copies: { times: 2, across: "5%" } })).toEqual([
    expect.stringContaining('give it a place with "left" or "right"'),
  ]);
  expect(said({ copies: { times: 2, depth: 1 }, speed: 0.5 })).toEqual([
    expect.stringContaining('give the first a "depth" instead of a "speed"'),
    expect.stringContaining("keep one"),
  ]);
  expect(said({ copies: { times: 2, delay: 9 } })).toEqual([
    expect.stringContaining('give the first a "cue"'),
  ]);
});

test("copies of copies of copies come to an end that is said", () => {
  const nested = (depth: number): Json => ({
    ...{ name: "n", copies: { times: 200 } },
    ...(depth === 0 ? { text: "o" } : { layers: [nested(depth - 1)] }),
  });
  expect(faults(file([{ name: "pier", layers: [nested(4)] }]))).toContainEqual(
    expect.stringContaining("more than 20000 scenes and layers"),
  );
});

test("parts of parts that are ever more come to an end that is said, and nothing else is", () => {
  const levels = Array.from({ length: 31 }, (_, level) => {
    const layers = ["left", "right"].map((name) => ({ name, part: `p${level + 1}` }));
    return [`p${level}`, level < 30 ? { layers } : { text: "o" }] as const;
  });
  const page = file([{ name: "pier", layers: [{ name: "root", part: "p0" }] }], Object.fromEntries(levels));
  expect(faults(page)).toEqual([expect.stringContaining("more than 20000 scenes and layers")]);
});

test("however wrong parts and copies are, there are faults and no crash", () => {
  const value = fc.jsonValue({ maxDepth: 2 });
  const wrong = fc.record(
    {
      name: value,
      part: fc.oneof(fc.constantFrom("a", "b"), value),
      copies: value,
      layers: fc.array(value),
      text: value,
    },
    { requiredKeys: [] },
  );
  const tree = fc.record({ a: fc.oneof(wrong, value), b: wrong });
  fc.assert(
    fc.property(fc.oneof(tree, value), fc.array(wrong), (parts, layers) => {
      const { page, faults } = read({ ...file([{ name: "s", layers }]), parts });
      expect(page === undefined).toBe(faults.length > 0);
    }),
  );
});
