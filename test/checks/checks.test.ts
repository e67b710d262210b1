import { readdirSync } from "node:fs";
import fc from "fast-check";
import { type CheckInput, checkPage, checks, findingsFrom, type KnownPicture, seenAt } from "lumbit/checks";
import type { Layer, Page, Scene } from "lumbit/core";
import { checkNames } from "lumbit/internal";
import { expect, test } from "vitest";
import { randomScenes } from "../random-scenes.ts";

const screen = { width: 1280, height: 800 };
const natural: CheckInput["natural"] = {
  layer: (layer, available) =>
    layer.text === undefined ? { width: 400, height: 300 } : { width: Math.min(available, 200), height: 40 },
};
const end: Scene = { name: "end", height: "100vh", layers: [] };
const pageOf = (layers: Layer[], more: Partial<Scene> = {}, rest: Partial<Page> = {}): Page => ({
  ...{ format: "lumbit/1", title: "t", lang: "en", page: { background: "#000", color: "#fff" } },
  scenes: [{ name: "sea", height: "120vh", layers, ...more }, end],
  ...rest,
});
const found = (page: Page, rule: string, more: Partial<CheckInput> = {}) =>
  checkPage({ page, natural, viewports: [screen], ...more }).filter((finding) => finding.rule === rule);
const text = (name: string, top: number, more: object = {}): Layer =>
  ({ name, text: "tide", fontSize: "40px", place: { left: "100px", top: `${top}px` }, ...more }) as Layer;
const box = (name: string, more: object = {}): Layer =>
  ({
    ...{ name, shape: "rectangle", background: "#0a6" },
    ...{ place: { left: "0px", width: "1280px", top: "0px", height: "800px" } },
    ...more,
  }) as Layer;

test("texts overlap when their letters share more than a third of their size, whichever is first", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 }), (a, b) => {
      const size = { lineHeight: 1 };
      const layers = [text("a", a, size), text("b", b, size)];
      const by = 40 - Math.abs(a - b);
      fc.pre(Math.abs(by - 12) > 0.5);
      expect(found(pageOf(layers), "overlap").length).toBe(by > 12 ? 1 : 0);
      expect(found(pageOf(layers.toReversed()), "overlap").length).toBe(by > 12 ? 1 : 0);
    }),
  );
});

test("a text reaches past the side exactly when its letters do, and is narrowed to fit", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1270 }), fc.integer({ min: 40, max: 1200 }), (left, width) => {
      const layer = text("a", 100, { place: { left: `${left}px`, width: `${width}px`, top: "100px" } });
      const letters = Math.min(width, 200);
      const past = left + letters - screen.width;
      fc.pre(Math.abs(past - 2) > 0.5);
      expect(found(pageOf([layer]), "overflow").length).toBe(past > 2 ? 1 : 0);
    }),
  );
});

test("a text in a row that is swiped has the sides of its slide, not those of the screen", () => {
  const slide = (name: string, more: object = {}) => ({
    name: `slide-${name}`,
    layers: [text(name, 40, { place: { left: "7%", top: "8%" }, ...more })],
  });
  const reel = {
    ...{ name: "row", reel: { width: "70vw", gap: "4vw" } },
    place: { left: 0, right: 0, top: "10vh", height: "80vh" },
  };
  const rows = (...slides: object[]) =>
    pageOf([{ ...reel, layers: slides } as unknown as Layer], { height: "100vh", hold: "100vh" });
  const onTelephone = { viewports: [{ width: 390, height: 844 }] };
  expect(found(rows(slide("a"), slide("b"), slide("c")), "overflow", onTelephone)).toEqual([]);
  const wide = { place: { left: "60%", width: "80%", top: "8%" } };
  const [finding] = found(rows(slide("a", wide), slide("b"), slide("c")), "overflow", onTelephone);
  expect(finding?.layer).toBe("a");
});

test("what is proposed for a text past the side has room, or nothing is proposed", () => {
  const word = text("word", 0, { place: { left: "76%", width: "24%", top: 0 } });
  const row = {
    name: "row",
    place: { left: "-40%", width: "180%", top: "20vh", height: "16vh" },
    layers: [word],
  };
  const [finding] = found(pageOf([row as unknown as Layer]), "overflow");
  expect(finding?.measured).toMatch(/past the side/);
  expect(JSON.stringify(finding?.change ?? [])).not.toMatch(/"-\d/);
});

test("a movement that the designer wanted is theirs to take away", () => {
  const far = { place: { left: "20%", top: "10%", width: "100px", height: "100px" }, depth: 8 };
  const layers = [
    box("moon", { ...far, travel: { y: ["0vh", "-60vh"], over: ["exit 0%", "exit 100%"] } }),
    box("hill", { depth: 4, place: { left: 0, top: 0, width: "900px", height: "400px" } }),
  ];
  const [finding] = found(pageOf(layers), "order");
  expect(finding).toMatchObject({ layer: "moon", decided: true, change: [{ op: "remove" }] });
});

test("less than five per cent is said as less, and on how many screens, not how often", () => {
  const [near, far] = [box("near", { speed: 0.5 }), box("far", { speed: 0.4752 })];
  expect(found(pageOf([near, far]), "order")[0]?.measured).toMatch(/by 4\.9 %, less than the 5 %/);
});

test("more than three flashes in two screens of scroll are found, and gone once mended", () => {
  const flashing = (turns: number, share: number) =>
    pageOf([
      box("lamp", {
        ramps: [
          {
            property: "opacity",
            stops: Array.from({ length: turns + 1 }, (_, index) => ({
              at: `cover ${(share * index) / turns}%`,
              value: index % 2,
            })),
          },
        ],
      }),
    ]);
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 20, max: 90 }), (turns, share) => {
      // The passage is 2.2 screens long, a part of it below two.
      const flashes = Math.floor(turns / 2);
      expect(found(flashing(turns, share), "flashing").length).toBe(flashes > 3 ? 1 : 0);
    }),
  );
});

test("small changes of light, and small things that flash, are no flashes", () => {
  const stops = (high: number) =>
    Array.from({ length: 15 }, (_, index) => ({ at: `cover ${5 * index}%`, value: index % 2 ? high : 1 }));
  const ramps = (high: number) => [{ property: "opacity", stops: stops(high) }];
  expect(found(pageOf([box("lamp", { ramps: ramps(0.95) })]), "flashing")).toEqual([]);
  const small = { left: "10%", top: "10vh", width: "80px", height: "80px" };
  expect(found(pageOf([box("lamp", { ramps: ramps(0), place: small })]), "flashing")).toEqual([]);
  expect(found(pageOf([box("lamp", { ramps: ramps(0) })]), "flashing")).toHaveLength(1);
});

test("a scene is empty for as long as nothing of it is on the screen", () => {
  fc.assert(
    fc.property(fc.integer({ min: 100, max: 500 }), (height) => {
      const page = pageOf([text("a", 60)], { height: `${height}vh` as `${number}vh` });
      // The text leaves the screen when 100 px are scrolled; until the scene's bottom comes there is nothing.
      const nothing = (height / 100 - 1) * 800 - 100;
      fc.pre(Math.abs(nothing - 400) > 45);
      const [finding] = found(page, "empty");
      expect(finding !== undefined).toBe(nothing > 400);
    }),
  );
});

test("content in the flow fills a scene where it is, not where only the space around it is", () => {
  const content = [{ text: "High water is at six." }];
  const tall = (paddingBottom: `${number}vh`) =>
    found(pageOf([], { height: "auto", content, paddingBottom }), "empty", {
      natural: { ...natural, content: () => 300 },
    }).length;
  // The content has left after 300 px; the scene is 300 px and what is below.
  expect(tall("120vh")).toBe(0);
  expect(tall("170vh")).toBe(1);
});

test("a small thing on the screen is something", () => {
  const pebble = (left: string) =>
    box(`pebble-${left}`, { place: { left, width: "30px", top: "200vh", height: "30px" } });
  const tall = { height: "400vh" } as const;
  const [alone] = found(pageOf([text("a", 60), pebble("631px")], tall), "empty");
  expect(alone?.places[0]?.from).toBeGreaterThan(1600);
});

test("a backdrop of the page fills scenes that have nothing of their own", () => {
  const backdrop = { image: "sea.png", alt: "", depth: 3 };
  const scenes = { height: "400vh" } as const;
  expect(found(pageOf([text("a", 60)], scenes), "empty")).toHaveLength(1);
  expect(found(pageOf([text("a", 60)], scenes, { page: { backdrop } }), "empty")).toEqual([]);
});

test("large areas move against each other to opposite sides only, and only when both are large", () => {
  const band = (name: string, direction: "left" | "right", height: string): Layer =>
    box(name, { direction, depth: 2, place: { left: "-50%", width: "200%", top: "0vh", height } });
  const opposed = (a: Layer, b: Layer) => found(pageOf([a, b], { height: "100vh" }), "opposed").length;
  expect(opposed(band("a", "left", "90vh"), band("b", "right", "90vh"))).toBe(1);
  expect(opposed(band("a", "left", "90vh"), band("b", "left", "90vh"))).toBe(0);
  expect(opposed(band("a", "left", "90vh"), band("b", "right", "12vh"))).toBe(0);
});

test("pixels are wasted or missing, never both, and neither where the file fits", () => {
  fc.assert(
    fc.property(fc.integer({ min: 100, max: 6000 }), (pixels) => {
      const picture: KnownPicture = { width: pixels, height: pixels, bytes: 400_000, detail: 1 };
      const layer: Layer = {
        ...{ name: "plate", image: "plate.png", alt: "" },
        place: { left: "100px", top: "100px", width: "500px", height: "500px" },
      };
      const pictures = new Map([["plate.png", picture]]);
      const rules = checkPage({ page: pageOf([layer]), natural, pictures, viewports: [screen] })
        .map(({ rule }) => rule)
        .filter((rule) => rule === "wasted" || rule === "sharpness");
      // Enlarged more than 1.35 times at 1x; less than half of the pixels shown at 2x.
      const wanted = 500 / pixels > 1.35 ? ["sharpness"] : 1000 / pixels <= 0.5 ? ["wasted"] : [];
      expect(rules).toEqual(wanted);
    }),
  );
});

test("what is delivered is weighed, not the original", () => {
  const plate: Layer = {
    ...{ name: "plate", image: "plate.jpg", alt: "" },
    place: { left: "100px", top: "100px", width: "500px", height: "500px" },
  };
  const mega = 1024 * 1024;
  const original: KnownPicture = { width: 9000, height: 9000, bytes: 40 * mega, detail: 1 };
  const judged = (picture: KnownPicture, rule: string) =>
    found(pageOf([plate]), rule, { pictures: new Map([["plate.jpg", picture]]) });
  const measured = (picture: KnownPicture) => judged(picture, "weight").map(({ measured }) => measured);
  expect(measured(original)).toEqual([
    expect.stringMatching(/^40\.0 MB of pictures/),
    expect.stringMatching(/^its pictures take 309 MB of memory/),
  ]);
  const delivered = [
    { width: 9000, bytes: 6 * mega },
    { width: 1000, bytes: 2 * mega },
  ];
  expect(measured({ ...original, delivered })).toEqual([]);
  expect(judged({ ...original, delivered }, "wasted")).toEqual([]);
  // Too narrow a file is not what a screen takes.
  const wide = measured({ ...original, delivered: [...delivered.slice(0, 1), { width: 300, bytes: 1 }] });
  expect(wide).toContainEqual(expect.stringMatching(/^6\.0 MB of pictures/));
});

test("a smaller copy that is proposed is not too small, however little detail its picture has", () => {
  const plate: Layer = {
    ...{ name: "plate", image: "plate.png", alt: "" },
    place: { left: "100px", top: "100px", width: "500px", height: "500px" },
  };
  const judged = (rule: string, pixels: number, detail: number) =>
    found(pageOf([plate]), rule, {
      pictures: new Map([["plate.png", { width: pixels, height: pixels, bytes: 400_000, detail }]]),
    });
  let proposed = 0;
  for (const detail of [1, 0.5, 0.25])
    for (let pixels = 600; pixels <= 6000; pixels += 300)
      for (const { copies = [] } of judged("wasted", pixels, detail)) {
        proposed++;
        expect(judged("sharpness", copies[0]?.width ?? 0, 1), `${pixels} px, detail ${detail}`).toEqual([]);
      }
  expect(proposed).toBeGreaterThan(20);
});

test("what is seen twice on one screen is not on all of two, and what meets there is one span", () => {
  const seen = (viewport: string, spans: [from: number, to: number][]) => ({
    viewport,
    ofView: spans.map(([from, to]) => ({
      check: "wasted" as const,
      sighting: { path: "/scenes/0", from, to, amount: 1, measured: "m", everywhere: "finding" as const },
    })),
    scenes: [],
  });
  const wasted = (...seenAt: ReturnType<typeof seen>[]) =>
    findingsFrom(pageOf([]), seenAt).filter(({ rule }) => rule === "wasted");
  expect(
    wasted(
      seen("a", [
        [0, 1],
        [0, 1],
      ]),
      seen("b", []),
    ),
  ).toEqual([]);
  const [finding, ...others] = wasted(
    seen("a", [
      [8, 9],
      [0, 4],
      [2, 6],
    ]),
    seen("b", [[1, 2]]),
  );
  expect(others).toEqual([]);
  expect(finding?.places).toEqual([
    { viewport: "a", from: 0, to: 6 },
    { viewport: "a", from: 8, to: 9 },
    { viewport: "b", from: 1, to: 2 },
  ]);
});

test("a subject is hidden when something opaque is in front of it, not behind it or see-through", () => {
  const picture: KnownPicture = { width: 800, height: 600, bytes: 1000 };
  const pictures = new Map([["star.png", picture]]);
  const star: Layer = {
    ...{ name: "star", image: "star.png", alt: "A starfish", subject: [0.5, 0.5], depth: 0.3 },
    place: { left: "300px", top: "200px", width: "400px", height: "300px" },
  };
  const rock = (more: object) =>
    box("rock", { place: { left: "400px", top: "250px", width: "200px", height: "200px" }, ...more });
  const count = (layer: Layer) => found(pageOf([star, layer]), "subject", { pictures }).length;
  expect(count(rock({ depth: 0.2 }))).toBe(1);
  expect(count(rock({ depth: 0.5 }))).toBe(0);
  expect(count(rock({ depth: 0.2, background: "#0a68" }))).toBe(0);
  expect(
    count(rock({ depth: 0.2, place: { left: "0px", top: "0px", width: "200px", height: "100px" } })),
  ).toBe(0);
});

test("words with spaces between their letters are found, ordinary ones are not", () => {
  const split = (words: string) => found(pageOf([text("a", 60, { text: words })]), "split").length;
  expect(split("T I D E")).toBe(1);
  for (const words of ["TIDE", "I am", "a b", "Tide at 4 5", "Ebb and flow"])
    expect(split(words), words).toBe(0);
});

test("what is judged screen by screen, in any order, sums up to the same findings", () => {
  const page = pageOf([text("a", 60), text("b", 70), box("lamp", { depth: 0.01 })], { height: "300vh" });
  const viewports = [screen, { width: 390, height: 844 }, { width: 2560, height: 1080 }];
  const whole = checkPage({ page, natural, viewports });
  expect(whole.length).toBeGreaterThan(1);
  const seen = viewports.toReversed().map((viewport) => seenAt({ page, natural }, viewport));
  const sorted = (findings: typeof whole) =>
    findings
      // Which changes are offered is tried afterwards.
      .map(({ places, change: _, ...finding }) => ({
        ...finding,
        places: places.toSorted((a, b) => a.viewport.localeCompare(b.viewport)),
      }))
      .toSorted((a, b) => `${a.rule}${a.path}`.localeCompare(`${b.rule}${b.path}`));
  expect(sorted(findingsFrom(page, structuredClone(seen)))).toEqual(sorted(whole));
});

test("every check has a file named as it is, and every name that a page file may say is one of a check", () => {
  const files = readdirSync(new URL("../../packages/lumbit/src/checks/catalog/", import.meta.url));
  const names = checks.map(({ name }) => name);
  expect(names.toSorted()).toEqual(files.map((file) => file.replace(".ts", "")).sort());
  expect(names.toSorted()).toEqual([...checkNames].sort());
});

test("what was seen of a page before saves nothing but time", () => {
  fc.assert(
    fc.property(randomScenes, randomScenes, fc.nat(), (before, after, from) => {
      const pages = [
        before,
        before.map((scene, index) => (index === from % before.length ? (after[0] ?? scene) : scene)),
      ].map((scenes): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes: named(scenes) })) as [
        Page,
        Page,
      ];
      const known = seenAt({ page: pages[0], natural }, screen);
      const anew = seenAt({ page: pages[1], natural }, screen);
      expect(seenAt({ page: pages[1], natural }, screen, structuredClone(known))).toEqual(anew);
    }),
    { numRuns: 60 },
  );
});

const named = (scenes: Page["scenes"]) => scenes.map((scene, index) => ({ ...scene, name: `s${index}` }));

test("the page file says how grave a finding is, everywhere or in one place", () => {
  const layers = [text("a", 60), text("b", 70)];
  const graveness = (checks: NonNullable<Page["checks"]>) =>
    found(pageOf(layers, {}, { checks }), "overlap").map(({ severity }) => severity);
  const reason = "they take turns";
  expect(graveness([])).toEqual(["warning"]);
  expect(graveness([{ rule: "overlap", severity: "error" }])).toEqual(["error"]);
  expect(graveness([{ rule: "overlap", layer: "b", severity: "note" }])).toEqual(["note"]);
  expect(graveness([{ rule: "overlap", layer: "a", severity: "note" }])).toEqual(["warning"]);
  expect(graveness([{ rule: "overlap", scene: "sea", severity: "off", reason }])).toEqual([]);
  expect(graveness([{ rule: "overlap", scene: "end", severity: "off", reason }])).toEqual(["warning"]);
});
