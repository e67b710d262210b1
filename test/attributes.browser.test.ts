import { readFileSync } from "node:fs";
import { join } from "node:path";
import { driftOf, type Layer, passageOf, settleAt } from "lumbit/core";
import { type Direction, numbers, pushed, type Settle } from "lumbit/internal";
import { describe, expect, test } from "vitest";
import { layerSettings, sceneSettings, travel } from "../packages/lumbit/src/settings/index.ts";
import { scrollPage } from "./chromium.ts";
import { root } from "./command.ts";
import { markup, markupPages, markupStyle, offset } from "./markup-page.ts";

const openPage = markupPages();
const open = (html: string) => openPage(markupStyle + html);

type Row = [
  scene: string,
  layer: string,
  model: { layer: object; relief?: number; pan?: number; settle?: Settle },
];
const rows: Row[] = [
  ["", 'data-lumbit-depth="1"', { layer: { depth: 1 } }],
  ["", 'data-lumbit-depth="horizon"', { layer: { depth: "horizon" } }],
  ["", 'data-lumbit-speed="1.4" data-lumbit-direction="up"', { layer: { speed: 1.4, direction: "up" } }],
  [
    "",
    'data-lumbit-depth="2" data-lumbit-direction="60"',
    { layer: { depth: 2, direction: 60 as Direction } },
  ],
  [
    "",
    'data-lumbit-depth="0.5" data-lumbit-direction="right" data-lumbit-sideways="width"',
    { layer: { depth: 0.5, direction: "right", sideways: "width" } },
  ],
  ['data-lumbit-relief="0.4"', 'data-lumbit-depth="3"', { layer: { depth: 3 }, relief: 0.4 }],
  ['data-lumbit-pan="-0.3"', 'data-lumbit-depth="1"', { layer: { depth: 1 }, pan: -0.3 }],
  ...(["enter", "top", "middle", "bottom", "leave", 0.2] as const).map(
    (settle): Row => [
      `data-lumbit-settle="${settle}"`,
      'data-lumbit-depth="1"',
      { layer: { depth: 1 }, settle },
    ],
  ),
];

describe.each(["native", "scripted"])("attributes, %s", (driver) => {
  test.each(rows)("%s %s moves a layer as the model says", async (scene, layer, model) => {
    const page = await open(markup(scene, layer));
    await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
    const passage = passageOf({ hold: 0, viewport: 800, scene: 620, before: 1300, after: 1300 });
    const settle = settleAt(model.settle ?? "auto", passage);
    const drift = driftOf({ name: "i", text: "i", ...model.layer } as Layer, {
      relief: model.relief ?? 1,
      camera: { pan: model.pan ?? 0, push: 0, sway: 0 },
      aspect: 1000 / 800,
    });
    for (const scroll of [560, 900, 1290, 1700, 1880]) {
      await scrollPage(page, scroll);
      const { x, y, top } = await offset(page);
      const d = 800 - top - settle;
      expect(x, `across at ${scroll}`).toBeCloseTo(drift.x * d, 0);
      expect(y, `down at ${scroll}`).toBeCloseTo(drift.y * d, 0);
    }
    await page.close();
  });

  test.each(['data-lumbit-push="0.4"', `data-lumbit-rules='[{"media": "(min-width: 1px)", "push": 0.4}]'`])(
    "%s brings the camera nearer, as the model says",
    async (scene) => {
      const page = await open(markup(scene, 'data-lumbit-depth="0.5"'));
      await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
      const passage = passageOf({ hold: 0, viewport: 800, scene: 620, before: 1300, after: 1300 });
      const settle = settleAt("auto", passage);
      for (const scroll of [560, 900, 1700, 1880]) {
        await scrollPage(page, scroll);
        const { width, top } = await offset(page);
        const { distance, nearer } = pushed(
          numbers,
          { push: 0.4, speed: 1 / 1.5, length: passage.length, settle },
          800 - top,
        );
        expect(width, `at ${scroll}`).toBeCloseTo((90 * distance) / (distance - nearer), 0);
      }
      await page.close();
    },
  );

  test.each([
    ["scene", "cover 0% cover 100%", (scroll: number) => (scroll - 500) / 1420],
    ["page", "cover 25% cover 75%", (scroll: number) => (scroll / 2420 - 0.25) * 2],
    ["layer", "entry 0% exit 100%", (scroll: number) => (scroll - 700) / 860],
  ])("a travel follows the %s over a part of its passage", async (of, over, share) => {
    const page = await open(
      markup(
        "",
        `data-lumbit-travel-x="-40px 20vw" data-lumbit-travel-over="${over}" data-lumbit-travel-of="${of}"`,
      ),
    );
    await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
    for (const scroll of [500, 800, 1210, 1500, 1900]) {
      await scrollPage(page, scroll);
      const at = Math.min(Math.max(share(scroll), 0), 1);
      expect((await offset(page)).x, `at ${scroll}`).toBeCloseTo(-40 + 240 * at, 0);
    }
    await page.close();
  });

  test("a layer that settles by itself stands where the page has it in the middle of the screen", async () => {
    const page = await open(markup("", 'data-lumbit-depth="1" data-lumbit-settle="middle"'));
    await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
    // The layer begins 1500 px down the page and is 60 px high.
    for (const scroll of [800, 1130, 1500]) {
      await scrollPage(page, scroll);
      expect((await offset(page)).y, `at ${scroll}`).toBeCloseTo((scroll - 1130) / 2, 0);
    }
    await page.evaluate(() =>
      document.querySelector("[data-lumbit-depth]")?.removeAttribute("data-lumbit-settle"),
    );
    await scrollPage(page, 1210);
    await expect.poll(async () => (await offset(page)).y).toBeCloseTo(0, 0);
    await page.close();
  });

  test("ramps follow the scroll, and back", async () => {
    const ramps = [
      {
        property: "opacity",
        stops: [
          { at: "cover 0%", value: 0 },
          { at: "cover 50%", value: 1 },
          { at: "cover 100%", value: 0.4 },
        ],
      },
      {
        property: "x",
        stops: [
          { at: "cover 0%", value: "0px" },
          { at: "cover 100%", value: "100px" },
        ],
      },
      {
        property: "color",
        stops: [
          { at: "cover 0%", value: "#000" },
          { at: "cover 100%", value: "#fff" },
        ],
      },
    ];
    const page = await open(markup("", `data-lumbit-ramps='${JSON.stringify(ramps)}'`));
    await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
    // The scene begins 1300 px down the page, its passage is 1420 px long.
    for (const scroll of [500, 855, 1210, 1565, 1920, 1000]) {
      await scrollPage(page, scroll);
      const p = (scroll - 500) / 1420;
      expect((await offset(page)).x, `x at ${scroll}`).toBeCloseTo(100 * p, 0);
      const [opacity, color] = await page.evaluate(() => {
        const style = getComputedStyle(document.querySelector("i") as Element);
        return [Number(style.opacity), Number(/\d+/.exec(style.color)?.[0])];
      });
      expect(opacity, `opacity at ${scroll}`).toBeCloseTo(p < 0.5 ? 2 * p : 1 - 0.6 * (2 * p - 1), 2);
      expect(Math.abs(Number(color) - 255 * p), `color at ${scroll}`).toBeLessThan(1.5);
    }
    await page.close();
  });

  test("a scene holds while its layers go on, and a layer holds while its scene goes on", async () => {
    const page = await open(
      '<div class="gap"></div><section data-lumbit-scene data-lumbit-hold="500px" style="height: auto"><div style="position: relative; height: 620px"><i data-lumbit-depth="1"></i></div></section><div class="gap"></div>',
    );
    await page.evaluate(`window.own = mount(document.body, { driver: "${driver}" })`);
    const held = () =>
      page.evaluate(() => {
        const top = (name: string) => document.querySelector(name)?.getBoundingClientRect().top ?? Number.NaN;
        return { box: top("section > div"), layer: top("i") };
      });
    const settle = (800 + 620 + 500) / 2;
    for (const [scroll, top] of [
      [1000, 300],
      [1300, 0],
      [1550, 0],
      [1800, 0],
      [2000, -200],
    ] as const) {
      await scrollPage(page, scroll);
      const { box, layer } = await held();
      expect(box, `the scene at ${scroll}`).toBeCloseTo(top, 0);
      expect(layer - box, `the layer at ${scroll}`).toBeCloseTo(
        200 + 0.5 * (800 + scroll - 1300 - settle),
        0,
      );
    }
    await page.evaluate("own.dispose()");
    expect(await page.locator("section").getAttribute("class")).toBeNull();

    const own = await open(markup("", 'data-lumbit-depth="1" data-lumbit-hold="cover 25% cover 75%"'));
    await own.evaluate(`mount(document.body, { driver: "${driver}" })`);
    const tops = [];
    for (const scroll of [860, 1100, 1500]) {
      await scrollPage(own, scroll);
      const { top, y } = await offset(own);
      tops.push(Math.round(top + y));
    }
    expect(new Set(tops).size, `${tops}`).toBe(1);
  });

  test("a scene holds in a box that scrolls, and what is focused in it comes into view", async () => {
    const page = await open(
      '<div id="box" style="height: 600px; overflow: auto"><div class="gap"></div><section data-lumbit-scene data-lumbit-hold="300px" style="height: auto"><div style="height: 600px"><i data-lumbit-depth="1"></i></div></section><div class="gap"><a href="#">on</a></div></div>',
    );
    await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
    const at = async (scroll: number) => {
      await page.evaluate(async (scroll) => {
        document.querySelector("#box")?.scrollTo({ top: scroll, behavior: "instant" });
        for (let frame = 0; frame < 3; frame++) await new Promise(requestAnimationFrame);
      }, scroll);
      return page.evaluate(() =>
        ["section > div", "i"].map(
          (name) => document.querySelector(name)?.getBoundingClientRect().top ?? Number.NaN,
        ),
      );
    };
    // It settles in the middle of its passage of 1500 px, 750 px after its top came in at the bottom of the box.
    for (const [scroll, top] of [
      [1200, 100],
      [1300, 0],
      [1450, 0],
      [1600, 0],
      [1700, -100],
    ] as const) {
      const [box = 0, layer = 0] = await at(scroll);
      expect(box, `the scene at ${scroll}`).toBeCloseTo(top, 0);
      expect(layer - box, `the layer at ${scroll}`).toBeCloseTo(200 + 0.5 * (600 + scroll - 1300 - 750), 0);
    }
    await at(1450);
    await page.locator("a").focus();
    expect((await page.locator("a").boundingBox())?.y).toBeLessThan(600);
    await page.close();
  });

  test("a camera sways with the pointer, and a card turns with what is in it", async () => {
    const page = await open(
      markup(
        'data-lumbit-sway="80px"',
        'data-lumbit-depth="1"></i><i id="card" style="left: 0" data-lumbit-tilt="10" data-lumbit-perspective="500px"><b id="in" data-lumbit-depth="1" style="position: absolute; left: 20px; top: 10px">x</b>',
      ),
    );
    await page.evaluate(`window.own = mount(document.body, { driver: "${driver}" })`);
    await scrollPage(page, 1210);
    const lefts = () =>
      page.evaluate(() =>
        ["i", "#in"].map((name) => document.querySelector(name)?.getBoundingClientRect().left ?? Number.NaN),
      );
    const [far = 0, inner = 0] = await lefts();
    await page.mouse.move(999, 400);
    await page.waitForTimeout(1200);
    const [swayed = 0, still = 0] = await lefts();
    expect(swayed - far).toBeCloseTo(40, 0);
    expect(still).toBeCloseTo(inner, 1);
    const card = await page.locator("#card").boundingBox();
    await page.mouse.move((card?.x ?? 0) + 85, (card?.y ?? 0) + 30);
    await page.waitForTimeout(1200);
    // Seen from half as far, what is in it shifts half as much.
    expect(((await lefts())[1] ?? 0) - inner).toBeGreaterThan(20);
    expect(((await lefts())[1] ?? 0) - inner).toBeLessThan(40);
    await page.evaluate("own.dispose()");
    expect((await lefts())[0]).toBeCloseTo(300, 1);
    expect(await page.evaluate("document.getAnimations().length")).toBe(0);
    await page.close();
  });

  test("works inside a shadow root, and leaves nothing there", async () => {
    const page = await open('<div class="gap"></div><div id="host"></div><div class="gap"></div>');
    await page.evaluate((driver) => {
      const host = document.getElementById("host") as HTMLElement;
      const shadow = host.attachShadow({ mode: "open" });
      shadow.innerHTML = `<style>section { position: relative; height: 620px } i { position: absolute; left: 300px; top: 200px; width: 90px; height: 60px } b { position: absolute; left: 0 }</style><section data-lumbit-scene><i data-lumbit-depth="1"></i><b data-lumbit-depth="1" data-lumbit-direction="right" data-lumbit-sideways="width"></b></section>`;
      const mount = (
        window as unknown as { mount: (element: Element, options: object) => { dispose(): void } }
      ).mount;
      Object.assign(window, {
        before: shadow.innerHTML,
        own: mount(shadow.querySelector("section") as Element, { driver }),
      });
    }, driver);
    const inside = () =>
      page.evaluate(() => {
        const shadow = (document.getElementById("host") as HTMLElement).shadowRoot as ShadowRoot;
        const [scene, layer, sideways] = ["section", "i", "b"].map((name) =>
          shadow.querySelector(name)?.getBoundingClientRect(),
        );
        return {
          top: scene?.top ?? 0,
          offset: (layer?.top ?? 0) - (scene?.top ?? 0) - 200,
          across: sideways?.left ?? 0,
        };
      });
    for (const scroll of [600, 1200, 1800]) {
      await scrollPage(page, scroll);
      const { top, offset, across } = await inside();
      expect(offset).toBeCloseTo(0.5 * (800 - top - 710), 0);
      expect(across).toBeCloseTo((1000 / 800) * 0.5 * (800 - top - 710), 0);
    }
    expect(
      await page.evaluate(`own.dispose(); [document.getElementById("host").shadowRoot.innerHTML === before,
        document.getElementById("host").shadowRoot.adoptedStyleSheets.length]`),
    ).toEqual([true, 0]);
    await page.close();
  });
});

test.each(["native", "scripted"])(
  "layers have a look of their own and keep the page's, %s",
  async (driver) => {
    const page = await open(
      markup(
        "",
        `class="inverted" data-lumbit-opacity="0.5" data-lumbit-rotate="20" data-lumbit-blend="multiply"
       data-lumbit-rules='[{"media": "(max-width: 700px)", "blur": "3px", "opacity": 0.25}]'`,
      ),
    );
    await page.addStyleTag({ content: "section i.inverted { filter: invert(1) }" });
    const look = () =>
      page.evaluate(() => {
        const { opacity, rotate, filter, mixBlendMode } = getComputedStyle(
          document.querySelector("i") as Element,
        );
        return { opacity, rotate, filter, mixBlendMode };
      });
    const before = await look();
    await page.evaluate(`window.own = mount(document.body, { driver: "${driver}" })`);
    const wide = { opacity: "0.5", rotate: "20deg", filter: "invert(1)", mixBlendMode: "multiply" };
    expect(await look()).toEqual(wide);
    await page.setViewportSize({ width: 600, height: 800 });
    await expect.poll(look).toEqual({ ...wide, opacity: "0.25", filter: "blur(3px)" });
    await page.evaluate("own.dispose()");
    expect(await look()).toEqual(before);
    await page.close();
  },
);

test("the markup in the documents is right", async () => {
  const documents = readFileSync(join(root, "docs/api.md"), "utf8");
  const snippets = [...documents.matchAll(/```html\n([\s\S]*?)```/g)].map(([, code]) => String(code));
  expect(snippets.length).toBeGreaterThan(1);
  for (const snippet of snippets) {
    const page = await open(snippet);
    await page.evaluate("mount(document.body)");
    expect(await page.locator("section").getAttribute("data-lumbit-driver")).toBe("native");
    await page.close();
  }
});

const { settle, relief, hold, camera } = sceneSettings;
const allowed = (setting: { grammar: { allowed: string } }) => setting.grammar.allowed;
const found = (value: string, what: string) => `found ${JSON.stringify(value)}; allowed: ${what}`;
test.each<[name: string, value: string, message: string | undefined, ofScene: boolean]>([
  ["settle", "centre", allowed(settle), true],
  ["relief", "much", allowed(relief), true],
  ["width", "wide", '"full", from edge to edge of the page', true],
  ["depth", "-1", allowed(layerSettings.depth), false],
  ["speed", "-0.1", allowed(layerSettings.speed), false],
  ["direction", "sideways", allowed(layerSettings.direction), false],
  [
    "direction",
    "dwon",
    `found "dwon", did you mean "down"? Allowed: ${allowed(layerSettings.direction)}`,
    false,
  ],
  ["travel-x", "40px", allowed(travel.x), false],
  ["hold", "-20px", allowed(hold), true],
  ["hold", "entry 100%", allowed(layerSettings.hold), false],
  ["sway", "5%", allowed(camera.settings.sway), true],
  ["tilt", "90", allowed(layerSettings.tilt), false],
  ["tilt-over", "page", allowed(layerSettings.tiltOver), false],
  ["perspective", "40px", allowed(layerSettings.perspective), false],
  ["ramps", "opacity", allowed(layerSettings.ramps), false],
  ["ramps", "[{}]", undefined, false],
  [
    "ramps",
    `[{"property": "opacity", "stops": [{"at": "exit 0%", "value": 1}, {"at": "exit 120%", "value": 0}]}]`,
    `at /0/stops/1/at found "exit 120%"; allowed: a range name`,
    false,
  ],
  [
    "ramps",
    `[{"property": "blur", "stops": [{"at": "exit 0%", "value": "1px"}, {"at": "exit 20%", "value": 5}]}]`,
    `at /0/stops/1/value found 5; allowed: a radius in px`,
    false,
  ],
  [
    "ramps",
    `[{"property": "x", "stops": [{"at": "exit 0%", "value": 0, "easing": "ease, linear"}, {"at": "exit 20%", "value": 0}]}]`,
    `at /0/stops/0/easing found "ease, linear"; allowed: a CSS easing function`,
    false,
  ],
  ["cue", "fade", 'a cue as JSON such as {"at": "entry 30%"', false],
  ["cue", "{}", "at /from something is missing; allowed: what the layer comes from", false],
  ["cue", `{"from": {"y": "40"}}`, `at /from/y found "40"; allowed: an offset downwards`, false],
  ["rules", "narrow", 'a JSON list of rules such as [{"media": "(max-width: 600px)"', false],
])("data-lumbit-%s='%s' is refused in the words of the page file", async (name, value, message, ofScene) => {
  const attribute = `data-lumbit-${name}='${value}'`;
  const other = name.includes("depth") || name.includes("speed") ? "" : ' data-lumbit-depth="1"';
  const page = await open(ofScene ? markup(attribute, other) : markup("", attribute + other));
  const said = await page.evaluate(
    "(() => { try { mount(document.body, { strict: true }) } catch (error) { return error.name + ': ' + error.message } })()",
  );
  const wanted =
    message === undefined
      ? "at /0/property something is missing"
      : /^(at|found) /.test(message)
        ? message
        : found(value, message);
  expect(said).toContain(`AttributeError: <${ofScene ? "section" : "i"}>: data-lumbit-${name}: ${wanted}`);
  await page.close();
});

test.each(["native", "scripted"])(
  "the background of the whole page gets a depth, behind scenes that have theirs, %s",
  async (driver) => {
    const page = await open(
      `<style>body { margin: 0; background: linear-gradient(#9cc, #135); }</style>${markup("", 'data-lumbit-depth="1"')}`,
    );
    const behind = () =>
      page.evaluate(() => {
        const { top, height } = document
          .querySelector("[data-lumbit-is~=behind] > *")
          ?.getBoundingClientRect() ?? {
          top: Number.NaN,
          height: 0,
        };
        return { top, height };
      });
    await page.evaluate(`document.body.setAttribute("data-lumbit-background-depth", "3")`);
    await page.evaluate(`mount(document.body, { driver: "${driver}" })`);
    await scrollPage(page, 0);
    const start = await behind();
    const layer = await offset(page);
    const end = await page.evaluate("document.documentElement.scrollHeight - innerHeight");
    for (const scroll of [400, 1000, Number(end)]) {
      await scrollPage(page, scroll);
      const { top, height } = await behind();
      // A quarter of the page's speed, and no end of it comes into view.
      expect(top - start.top).toBeCloseTo(-scroll / 4, 0);
      expect(top).toBeLessThanOrEqual(0.5);
      expect(top + height).toBeGreaterThanOrEqual(799.5);
    }
    expect((await offset(page)).y).not.toBeCloseTo(layer.y, 0);
    await page.close();
  },
);
