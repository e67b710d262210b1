import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { engineNames, engineOf } from "./engines.ts";
import { serveFolder } from "./serve.ts";

const place = { left: "40%", top: "40%", width: "200px", height: "100px" };
const block = (name: string, more: object) => ({
  name,
  shape: "rectangle",
  background: "#0a6",
  place,
  ...more,
});
const document = {
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  scenes: [
    {
      name: "sea",
      height: "100vh",
      camera: { sway: "60px" },
      layers: [
        block("far", { depth: 1 }),
        block("surface", {}),
        block("near", { depth: -0.2 }),
        {
          name: "wide",
          place: { left: "60%", top: "5%", width: "200px", height: "100px" },
          ...{ tilt: 20, tiltOver: "screen", perspective: "400px" },
          layers: [block("on-it", { place: { width: "100%", height: "100%" } })],
        },
        {
          name: "card",
          place: { left: "10%", top: "10%", width: "300px", height: "200px" },
          tilt: 10,
          layers: [
            {
              name: "back",
              shape: "rectangle",
              background: "#024",
              depth: 0.5,
              place: { left: 0, top: 0, width: "100px", height: "50px" },
            },
            {
              name: "front",
              shape: "rectangle",
              background: "#9ef",
              depth: -0.2,
              place: { right: 0, bottom: 0, width: "100px", height: "50px" },
            },
          ],
        },
      ],
    },
  ],
};

const folder = temporaryFolder();
let origin: string;
let close: () => void;
beforeAll(async () => {
  writeFileSync(join(folder, "page.json"), JSON.stringify(document));
  const { stdout, stderr } = await lumbit(["build", "page.json", "-o", "site"], folder);
  expect(stderr).toBe("");
  expect(stdout).toMatch(/[1-9]\d* bytes of script/);
  // Scripts of tests are evaluated in WebKitGTK.
  ({ origin, close } = await serveFolder(
    join(folder, "site"),
    "default-src 'self'; script-src 'self' 'unsafe-eval'",
  ));
});
afterAll(() => close?.());

const point = (x: number, y: number) =>
  `dispatchEvent(new PointerEvent("pointermove", { clientX: ${x}, clientY: ${y}, pointerType: "mouse" }));`;
const places = `Object.fromEntries([...document.querySelectorAll("[data-lumbit-layer]")].map((layer) => { const { left, top } = layer.getBoundingClientRect(); return [layer.dataset.lumbitLayer, [left, top]]; }))`;
const lefts = `return ${places};`;
/** Until nothing has moved for some frames, however late they are. */
const settled = `
  const end = performance.now() + 20_000;
  for (let still = 0, last = ""; still < 12; ) {
    if (performance.now() > end) throw new Error("it does not come to rest");
    await new Promise(requestAnimationFrame);
    const now = JSON.stringify(${places});
    still = now === last ? still + 1 : 0;
    last = now;
  }`;
type Places = Record<string, [number, number]>;

const transformOf = (name: string) =>
  `getComputedStyle(document.querySelector("[data-lumbit-layer=${name}]")).transform`;
/** How far a card is turned about its upright axis, in degrees, and from how far it is seen, in px. */
function turnOf(transform: string): { degrees: number; perspective: number } {
  const m = (transform.match(/-?[\d.]+(e-?\d+)?/g) ?? []).slice(1).map(Number);
  const [m11 = 1, , m13 = 0, m14 = 0] = m;
  return { degrees: (Math.atan2(-m13, m11) * 180) / Math.PI, perspective: -m13 / m14 };
}

describe.each(engineNames)("%s", (name) => {
  test("a card may turn to the pointer anywhere on the screen, seen from nearer; a finger turns it where it lies on it", async () => {
    const engine = await engineOf(name);
    await engine.open(`${origin}/`);
    await engine.resize(1000, 800);
    await engine.run("await new Promise((done) => setTimeout(done, 400));");
    const finger = (type: string, x: number, y: number) =>
      `dispatchEvent(new PointerEvent("${type}", { clientX: ${x}, clientY: ${y}, pointerType: "touch" }));`;
    const turned = async (event: string, card: string) =>
      turnOf(await engine.run<string>(`${event} ${settled} return ${transformOf(card)}`));
    const wide = await turned(point(1000, 400), "wide");
    expect(wide.degrees).toBeCloseTo(20, 1);
    expect(wide.perspective).toBeCloseTo(400, 0);
    expect((await turned(point(250, 400), "wide")).degrees).toBeCloseTo(-10, 1);
    // The other one is turned by nothing that is not over it.
    expect((await turned(point(1000, 400), "card")).degrees).toBeCloseTo(0, 3);
    const pressed = await turned(finger("pointerdown", 325, 180), "card");
    expect(pressed.degrees).toBeCloseTo(5, 1);
    // WebKitGTK says six digits of a matrix.
    expect(pressed.perspective).toBeCloseTo(1000, -1);
    expect((await turned(finger("pointerdown", 700, 700), "wide")).degrees).toBeCloseTo(0, 3);
    await turned(finger("pointerdown", 325, 180), "card");
    expect((await turned(finger("pointercancel", 325, 180), "card")).degrees).toBeCloseTo(0, 3);
  });

  test("layers follow the pointer by their depths, a card turns under it, and all come to rest", async () => {
    const engine = await engineOf(name);
    await engine.open(`${origin}/`);
    await engine.resize(1000, 800);
    await engine.run("await new Promise((done) => setTimeout(done, 400));");
    const rest = await engine.run<Places>(lefts);
    const moved = async (x: number, y: number) => {
      const places = await engine.run<Places>(`${point(x, y)} ${settled} ${lefts}`);
      return (layer: string) =>
        [0, 1].map((axis) => (places[layer]?.[axis] ?? Number.NaN) - (rest[layer]?.[axis] ?? 0));
    };
    // At the right edge the camera has moved 60 px: a layer by its drift of that, the surface not at all.
    const right = await moved(1000, 400);
    for (const [layer, x] of [
      ["far", 30],
      ["surface", 0],
      ["near", -15],
    ] as const) {
      expect(right(layer)[0], layer).toBeCloseTo(x, 0);
      expect(right(layer)[1], layer).toBeCloseTo(0, 0);
    }
    expect(right("card")).toEqual([0, 0]);
    const corner = await moved(0, 800);
    expect(corner("far")[0]).toBeCloseTo(-30, 0);
    expect(corner("far")[1]).toBeCloseTo(30, 0);
    // Over the card's right edge, half of the screen's height above the middle: it turns, and its layers part.
    const over = await moved(395, 200);
    // As far as the pointer is from the middle of the card when that lies flat: its own turn does not count.
    const turn = await engine.run<string>(
      `return getComputedStyle(document.querySelector("[data-lumbit-layer=card]")).transform`,
    );
    const [m11, , m13] = (turn.match(/-?[\d.]+(e-?\d+)?/g) ?? []).slice(1).map(Number);
    const degrees = (Math.atan2(-(m13 ?? 0), m11 ?? 1) * 180) / Math.PI;
    expect(degrees).toBeCloseTo(10 * ((395 - 100) / 150 - 1), 1);
    const [back, front] = [over("back")[0] ?? 0, over("front")[0] ?? 0];
    expect(over("card")[0]).not.toBeCloseTo(0, 0);
    expect(back - front).toBeGreaterThan(30);
    // Gone, everything is back where it was composed.
    const away = await engine.run<Places>(
      `document.documentElement.dispatchEvent(new PointerEvent("pointerleave")); ${settled} ${lefts}`,
    );
    for (const [layer, [left, top]] of Object.entries(away)) {
      expect(left, layer).toBeCloseTo(rest[layer]?.[0] ?? Number.NaN, 1);
      expect(top, layer).toBeCloseTo(rest[layer]?.[1] ?? Number.NaN, 1);
    }
  });
});

test("nothing follows the pointer for a reader who asks for less motion, and touching moves nothing", async () => {
  const browser = await openChromium();
  try {
    for (const [options, event] of [
      [{ reducedMotion: "reduce" }, point(1000, 0)],
      [{}, point(1000, 0).replace('"mouse"', '"touch"')],
    ] as const) {
      const page = await browser.newPage({ viewport: { width: 1000, height: 800 }, ...options });
      await page.goto(`${origin}/`);
      const read = () => page.evaluate(`(() => { ${lefts} })()`);
      const before = await read();
      await page.evaluate(event);
      await page.waitForTimeout(500);
      expect(await read()).toEqual(before);
    }
  } finally {
    await browser.close();
  }
});

test("a device that tilts moves the camera once its reader has allowed it", async () => {
  const browser = await openChromium();
  try {
    const context = await browser.newContext({
      viewport: { width: 400, height: 800 },
      hasTouch: true,
      isMobile: true,
    });
    const page = await context.newPage();
    // As on platforms that want to be asked.
    await page.addInitScript(
      "window.asked = 0; DeviceOrientationEvent.requestPermission = async () => { asked++; return 'granted'; };",
    );
    await page.goto(`${origin}/`);
    const tilt = (gamma: number) =>
      page.evaluate(
        `dispatchEvent(new DeviceOrientationEvent("deviceorientation", { beta: 40, gamma: ${gamma} }))`,
      );
    const left = () =>
      page.locator("[data-lumbit-layer=far]").evaluate((element) => element.getBoundingClientRect().left);
    const rest = await left();
    await tilt(0);
    await tilt(20);
    await page.waitForTimeout(500);
    expect(await left()).toBeCloseTo(rest, 1);
    await page.tap("body");
    expect(await page.evaluate("asked")).toBe(1);
    await tilt(0);
    await tilt(20);
    await page.waitForTimeout(1500);
    expect((await left()) - rest).toBeCloseTo(30, 0);
  } finally {
    await browser.close();
  }
});
