import fc from "fast-check";
import { type CheckInput, checkPage, type Finding } from "lumbit/checks";
import type { Layer, Page } from "lumbit/core";
import { patchText, readPage } from "lumbit/document";
import { expect, test } from "vitest";
import { randomScenes } from "../random-scenes.ts";

const viewports = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
];
const natural: CheckInput["natural"] = {
  layer: (layer, available) =>
    layer.text === undefined ? { width: 400, height: 300 } : { width: Math.min(available, 160), height: 40 },
  content: ({ content = [], panel }) =>
    80 * content.length + (panel?.padding === undefined ? 0 : 2 * Number.parseFloat(String(panel.padding))),
};
const check = (page: Page, on = viewports) => checkPage({ page, natural, viewports: on });
const pageOf = (scenes: Page["scenes"]): Page => ({
  ...{ format: "lumbit/1", title: "t", lang: "en", page: { background: "#06202b", color: "#e9f4ef" } },
  scenes,
});

/** The page with the change of one finding in it: a page file that reads without a fault. */
function mended(page: Page, { change = [] }: Finding): Page {
  const { page: result, faults } = readPage(patchText(JSON.stringify(page), change));
  expect(faults).toEqual([]);
  if (!result) throw new Error("the change makes the page file wrong");
  return result;
}

const graver = ["note", "warning", "error"];
const about = ({ rule, scene, layer, path }: Finding) => `${rule} ${layer ? `${scene} ${layer}` : path}`;

/** That the change of a finding makes it go, on all screens, and brings up nothing that is graver. */
function expectMended(page: Page, finding: Finding, on = viewports): void {
  const what = `${finding.rule} at ${finding.path}: ${finding.measured}`;
  const before = new Set(check(page, on).map(about));
  const left = check(mended(page, finding), on);
  expect(left.map(about), what).not.toContain(about(finding));
  for (const other of left.filter((one) => !before.has(about(one))))
    expect(graver.indexOf(other.severity), `${what}, then ${about(other)}`).toBeLessThanOrEqual(
      graver.indexOf(finding.severity),
    );
}

test("what is proposed for random scenes can be applied, mends what it is proposed for and spoils nothing", () => {
  let tried = 0;
  fc.assert(
    fc.property(randomScenes, (scenes) => {
      const page = pageOf(scenes);
      for (const finding of check(page).filter(({ change }) => change)) {
        tried++;
        expectMended(page, finding);
      }
    }),
    { numRuns: 40, seed: 5 },
  );
  expect(tried).toBeGreaterThan(20);
});

const inset = (edge: string) =>
  fc
    .tuple(fc.integer({ min: -5, max: 90 }), fc.constantFrom("vh", "px", "%", "rem"))
    .map(([value, unit]) => ({ [edge]: `${unit === "rem" ? value / 3 : value}${unit}` }));
const words: fc.Arbitrary<Partial<Layer>> = fc.record({
  text: fc.constant("The water of the sound comes in twice a day"),
  place: fc.oneof(
    fc.tuple(inset("left"), fc.oneof(inset("top"), inset("bottom"))).map(([x, y]) => ({ ...x, ...y })),
    fc.oneof(inset("top"), inset("bottom")).map((y) => ({ center: "x", ...y })),
    inset("left").map((x) => ({ center: "y", ...x })),
    fc.constant({ center: "both" }),
  ) as fc.Arbitrary<Layer["place"]>,
});
const fading = fc.tuple(fc.integer({ min: 5, max: 45 }), fc.integer({ min: 1, max: 10 })).map(
  ([from, length]): Partial<Layer> => ({
    text: "The wheel has turned here for two hundred years",
    place: { center: "both" },
    ramps: [
      {
        property: "opacity",
        stops: [
          { at: `cover ${from}%`, value: 0 },
          { at: `cover ${from + length}%`, value: 1 },
          { at: `cover ${from + 2 * length}%`, value: 0 },
        ],
      },
    ],
  }),
);
const rising = fc.tuple(fc.integer({ min: 80, max: 180 }), fc.integer({ min: -120, max: 0 })).map(
  ([top, by]): Partial<Layer> => ({
    text: "The sluice opens by itself",
    place: { left: "20%", top: `${top}vh` },
    travel: { y: ["0px", `${by}vh`] },
  }),
);
const rock = fc.tuple(inset("left"), inset("top"), fc.double({ min: -0.5, max: -0.05, noNaN: true })).map(
  ([x, y, depth]): Partial<Layer> => ({
    ...{ shape: "rectangle", background: "#041218", depth },
    place: { ...x, ...y, width: "30%", height: "20vh" } as Layer["place"],
  }),
);
const wordy = fc
  .tuple(
    fc.array(fc.oneof(words, words, fading, rising, rock), { minLength: 2, maxLength: 4 }),
    fc.integer({ min: 60, max: 200 }),
  )
  .map(([layers, height]): Page["scenes"] => [
    {
      ...{ name: "sea", height: `${height}vh` },
      layers: layers.map((layer, index) => ({ name: `l${index}`, ...layer }) as Layer),
    },
    { name: "end", height: "100vh", layers: [] },
  ]);

test("words that stand on each other, are cut off, covered or gone too soon come apart and stay", () => {
  const tried: Record<string, number> = {};
  fc.assert(
    // One screen at a time: what frees words on one may cover them on another.
    fc.property(wordy, fc.constantFrom(...viewports), (scenes, viewport) => {
      const page = pageOf(scenes);
      for (const finding of check(page, [viewport]).filter(({ change }) => change)) {
        tried[finding.rule] = (tried[finding.rule] ?? 0) + 1;
        expectMended(page, finding, [viewport]);
      }
    }),
    { numRuns: 150, seed: 5 },
  );
  for (const rule of ["overlap", "overflow", "reading", "still"])
    expect(tried[rule], rule).toBeGreaterThan(3);
});

const color = fc
  .tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 })))
  .map((values) => `#${values.map((value) => value.toString(16).padStart(2, "0")).join("")}`);
/** The relative luminance of a color, as WCAG 2.2 writes it down. */
const luminance = (hex: string) => {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const value = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrastOf = (a: string, b: string) => {
  const [dark = 0, bright = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (bright + 0.05) / (dark + 0.05);
};

test("a text on a plain ground is unreadable exactly when WCAG says so, and the new color is enough", () => {
  const kinds = fc.constantFrom(
    "layer",
    "content",
    "panel",
    "block",
    "button",
    "layer behind",
    "header",
    "bar",
  );
  fc.assert(
    fc.property(color, color, fc.constantFrom(16, 30), kinds, (ink, ground, size, kind) => {
      const words = { text: "tide", fontSize: `${size}px` as `${number}px`, color: ink };
      const card = { background: ground, padding: "20px" } as const;
      const title: Layer = { ...words, name: "title", place: { left: "40%", top: "30vh" } };
      const plate: Layer = { name: "plate", shape: "rectangle", background: ground, depth: 0.2 };
      const block = {
        ...{ ...words, ...((kind === "block" || kind === "button") && card) },
        ...(kind === "button" && { href: "#end" }),
      };
      // What a text has its ground from is that, and all else is of its own color.
      const background = ["layer", "content", "header"].includes(kind) ? ground : ink;
      const isHeader = kind === "header" || kind === "bar";
      const page = pageOf([
        {
          ...{ name: "sea", height: "100vh", paddingTop: "20vh", background },
          ...(kind === "layer" || isHeader ? {} : { content: [block as never] }),
          ...(kind === "panel" && { panel: card }),
          layers: kind === "layer" ? [title] : kind === "layer behind" ? [plate] : [],
        },
        { name: "end", height: "100vh", background, layers: [] },
      ]);
      const header = { ...words, ...(kind === "bar" && { background: ground }) };
      if (isHeader) page.page = { ...page.page, header };
      const needed = size >= 24 ? 3 : 4.5;
      const ratio = contrastOf(ink, ground);
      fc.pre(Math.abs(ratio - needed) > 0.1);
      const finding = check(page).find(({ rule }) => rule === "contrast");
      expect(finding !== undefined, `${kind}: ${ink} on ${ground}: ${ratio}`).toBe(ratio < needed);
      const [change] = finding?.change ?? [];
      if (change && "value" in change)
        expect(contrastOf(String(change.value), ground)).toBeGreaterThan(needed - 0.06);
    }),
  );
});

test("content higher than any screen is read too, each block against what is behind it", () => {
  const plate = (name: string, background: string, top: string): Layer => ({
    ...{ name, shape: "rectangle", background, depth: 0.001 },
    place: { left: 0, width: "100%", top: top as `${number}px`, height: "3000px" },
  });
  const content = ["#103040", "#f0f4f0"].map((color) => ({ text: "tide", color, fontSize: "16px" as const }));
  const found = (first: string, second: string) =>
    checkPage({
      page: pageOf([
        {
          ...{ name: "sea", content },
          layers: [plate("upper", first, "0px"), plate("lower", second, "3000px")],
        },
        { name: "end", height: "100vh", layers: [] },
      ]),
      natural: { ...natural, content: ({ content = [] }) => 3000 * content.length },
      viewports,
    })
      .filter(({ rule }) => rule === "contrast")
      .map(({ path }) => path);
  expect(found("#f0f4f0", "#103040")).toEqual([]);
  expect(found("#103040", "#103040")).toEqual(["/scenes/0/content/0"]);
  expect(found("#f0f4f0", "#f0f4f0")).toEqual(["/scenes/0/content/1"]);
});

test("a text that would turn from light to dark on its card, or back, is its designer's to change", () => {
  const changed = { kept: 0, turned: 0 };
  fc.assert(
    fc.property(color, color, fc.boolean(), (ink, ground, carded) => {
      const title: Layer = { name: "title", text: "tide", color: ink, place: { left: "40%", top: "30vh" } };
      const card: Layer = {
        ...{ name: "card", shape: "rectangle", background: ground },
        place: { left: "30%", top: "20vh", width: "600px", height: "300px" },
      };
      const page = pageOf([
        { name: "sea", height: "100vh", background: ground, layers: carded ? [card, title] : [title] },
        { name: "end", height: "100vh", layers: [] },
      ]);
      const finding = check(page).find(({ rule }) => rule === "contrast");
      const [change] = finding?.change ?? [];
      if (change?.op !== "replace") return;
      const isLight = (hex: string) => contrastOf(hex, "#000000") > contrastOf(hex, "#ffffff");
      const turned = isLight(ink) !== isLight(String(change.value));
      changed[turned ? "turned" : "kept"]++;
      expect(finding?.decided === true, `${ink} on ${ground}: ${change.value}`).toBe(turned && carded);
    }),
  );
  expect(Math.min(changed.kept, changed.turned)).toBeGreaterThan(5);
});

test("two depths are told apart from five per cent of speed on, and what is proposed lies beyond", () => {
  const box = (name: string, speed: number): Layer => ({
    ...{ name, shape: "rectangle", background: "#0a6", speed },
    place: { left: "20%", width: "40%", top: "20vh", height: "30vh" },
  });
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 0.9, noNaN: true }),
      fc.double({ min: 0.5, max: 0.999, noNaN: true }),
      (near, share) => {
        fc.pre(Math.abs(1 - share - 0.05) > 0.002);
        const page = pageOf([
          { name: "sea", height: "120vh", layers: [box("far", near * share), box("near", near)] },
          { name: "end", height: "100vh", layers: [] },
        ]);
        const finding = check(page).find(({ rule }) => rule === "order");
        expect(finding !== undefined).toBe(1 - share < 0.05);
        if (finding) expectMended(page, finding);
      },
    ),
  );
});

test("movement is too faint below a hundredth of the screen, too strong from one and a half on", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 4, noNaN: true }), (speed) => {
      const layer: Layer = {
        ...{ name: "stone", shape: "rectangle", background: "#0a6", speed },
        place: { left: "20%", width: "10%", top: "40vh", height: "10vh" },
      };
      const page = pageOf([
        { name: "sea", height: "100vh", layers: [layer] },
        { name: "end", height: "100vh", layers: [] },
      ]);
      const drift = Math.abs(1 - speed);
      fc.pre(Math.abs(drift - 1.5) > 0.01 && (drift > 0.05 || drift < 0.005));
      const rules = check(page).map(({ rule }) => rule);
      expect(rules.includes("strong")).toBe(drift > 1.5);
      expect(rules.includes("faint")).toBe(drift > 0 && drift < 0.005);
    }),
  );
});
