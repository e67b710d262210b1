import { type Page as LumbitPage, layoutPage, poseAt } from "lumbit/core";
import { expect, test } from "vitest";
import { scrollPage } from "./chromium.ts";
import { markupPages } from "./markup-page.ts";

const names = ["bass", "star", "jelly"];
/** The same scene as markup of somebody's page and as an object. */
const markup = (reel: string, hold = 'data-lumbit-hold="1600px"') => `<style>
body { margin: 0 } div.gap { height: 1300px } section > div { height: 100vh; position: relative }
.reel { height: 800px; overflow: auto } .strip { display: flex } article { position: relative; height: 800px; width: 80% }
i { position: absolute; left: 100px; top: 200px; width: 90px; height: 60px }
figure { position: absolute; margin: 0; left: 30%; top: 100px; width: 50%; height: 500px }
img { width: 100%; height: 500px; display: block }
</style><div class="gap"></div><section data-lumbit-scene="five" ${hold}><div><div class="reel" ${reel}>
<div class="strip">${names.map((name) => `<article id="${name}"><i data-lumbit-depth="0.5" id="${name}-tag"></i><figure><img data-lumbit-pane data-lumbit-depth="1" id="${name}-picture" alt=""></figure><h2 data-lumbit-title>${name}</h2></article>`).join("")}</div>
</div></div></section><div class="gap"></div>`;
const modelOf = (own: object): LumbitPage =>
  ({
    format: "lumbit/1",
    title: "t",
    lang: "en",
    scenes: [
      { name: "before", height: "1300px", layers: [] },
      {
        name: "five",
        height: "100vh",
        hold: "1600px",
        layers: [
          {
            name: "reel",
            reel: { width: "80%", gap: "20px", ...own },
            layers: names.map((name) => ({
              name,
              layers: [
                {
                  name: `${name}-tag`,
                  shape: "rectangle",
                  background: "#034",
                  depth: 0.5,
                  place: { left: "100px", top: "200px", width: "90px", height: "60px" },
                },
                {
                  name: `${name}-picture`,
                  image: "a.png",
                  alt: "",
                  depth: 1,
                  pane: true,
                  place: { left: "30%", top: "100px", width: "50%", height: "500px" },
                },
              ],
            })),
          },
        ],
      },
      { name: "after", height: "1300px", layers: [] },
    ],
  }) as LumbitPage;

const open = markupPages();
const reelOf = (own: object) => `data-lumbit-reel='${JSON.stringify({ width: "80%", gap: "20px", ...own })}'`;
const reel = reelOf({});

test.each([
  ["native", "ltr", 1000],
  ["scripted", "ltr", 1000],
  ["native", "rtl", 1000],
  ["native", "ltr", 500],
  ["scripted", "ltr", 500],
  ["native", "ltr", 1000, "right"],
  ["scripted", "ltr", 1000, "right"],
])(
  "a row of markup travels as the model says, %s, %s, on a screen %i px wide, %s",
  async (driver, written, width, direction = "left") => {
    const own = { direction, ...(width < 600 && { narrow: "travel" }) };
    const page = await open(`<html dir="${written}">${markup(reelOf(own))}`, width);
    const before = await page.evaluate(() => document.body.innerHTML);
    await page.evaluate(`window.own = mount(document.body, { driver: "${driver}" })`);
    const layout = layoutPage(
      modelOf(own),
      { width, height: 800 },
      { layer: () => ({ width: 0.4 * width, height: 500 }) },
    );
    let compared = 0;
    for (const scroll of [0, 900, 1300, 1700, 2100, 2500, 2900, 3300]) {
      await scrollPage(page, scroll);
      const scene = poseAt(layout, scroll).scenes[1];
      for (const layer of scene?.layers ?? []) {
        const found = await page.evaluate((id) => {
          const box = document.getElementById(id)?.getBoundingClientRect();
          return box && { left: box.left, top: box.top, width: box.width, height: box.height };
        }, layer.name);
        if (!found) continue;
        compared++;
        const said = `${layer.name} at ${scroll}`;
        if (!layer.name.endsWith("picture"))
          for (const side of ["left", "top", "width", "height"] as const)
            expect(Math.abs(found[side] - layer[side]), `${said}: ${side}`).toBeLessThan(0.5);
        else {
          // A picture keeps its proportions: it reaches as far as the model says, and further up and down.
          expect(Math.abs(found.left - layer.left), said).toBeLessThan(0.5);
          expect(Math.abs(found.width - layer.width), said).toBeLessThan(0.5);
          expect(found.top, said).toBeLessThan(layer.top + 0.1);
          expect(found.top + found.height, said).toBeGreaterThan(layer.top + layer.height - 0.1);
        }
      }
    }
    expect(compared).toBeGreaterThan(40);
    expect(await page.locator("#bass").evaluate((slide) => getComputedStyle(slide).direction)).toBe(written);
    await page.evaluate("own.dispose()");
    expect(await page.evaluate(() => document.body.innerHTML)).toBe(before);
    await page.close();
  },
);

test("its titles come and go, and programs hear of slides", async () => {
  const page = await open(markup(reel));
  await page.evaluate(
    'window.told = []; window.own = mount(document.body); own.on("slide", ({ slide }) => told.push(slide.id))',
  );
  for (const scroll of [1300, 2100, 2900]) {
    await scrollPage(page, scroll);
    await page.waitForTimeout(800);
  }
  expect(await page.evaluate("told")).toEqual(names);
  const shown = await page.$$eval("h2", (all) => all.map((title) => Number(getComputedStyle(title).opacity)));
  expect(shown).toEqual([0, 0, 1]);
  await page.close();
});

test("on a narrow screen it is a row to swipe, and nothing holds", async () => {
  const page = await open(markup(reel), 390);
  await page.evaluate("mount(document.body)");
  const { height, swiped, tag } = await page.evaluate(() => {
    const row = document.querySelector(".reel") as HTMLElement;
    row.scrollTo({ left: 400, behavior: "instant" });
    const [tag, slide] = ["bass-tag", "bass"].map((id) =>
      document.getElementById(id)?.getBoundingClientRect(),
    );
    return {
      height: document.documentElement.scrollHeight,
      swiped: row.scrollLeft > 0,
      tag: (tag?.left ?? 0) - (slide?.left ?? 0),
    };
  });
  expect({ height, swiped, tag }).toEqual({ height: 1300 + 800 + 1300, swiped: true, tag: 100 });
  await page.close();
});

test.each([
  ["not JSON", `data-lumbit-reel="wide"`, undefined, /found "wide"; allowed: settings of a reel/],
  [
    "a wrong length",
    `data-lumbit-reel='{"width": "-3px"}'`,
    undefined,
    /at \/width found "-3px"; allowed: the width of a slide/,
  ],
  ["no hold", reel, "", /give the scene a data-lumbit-hold/],
])("is refused with %s", async (_, attribute, hold, message) => {
  const page = await open(markup(attribute, hold));
  const said = await page.evaluate(
    "(() => { try { mount(document.body, { strict: true }) } catch (error) { return error.name + ': ' + error.message } })()",
  );
  expect(said).toMatch(/^AttributeError: <div class="reel">/);
  expect(said).toMatch(message);
  await page.close();
});
