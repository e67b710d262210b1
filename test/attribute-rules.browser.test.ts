import { describe, expect, test } from "vitest";
import { scrollPage } from "./chromium.ts";
import { markup, markupPages, markupStyle, offset } from "./markup-page.ts";

const openPage = markupPages();
const open = (html: string) => openPage(markupStyle + html);

describe.each(["native", "scripted"])("rules of markup, %s", (driver) => {
  test("rules hold where their media queries do, and go as they came", async () => {
    const rules = (list: object[]) => `data-lumbit-rules='${JSON.stringify(list)}'`;
    const narrow = "(max-width: 700px)";
    const ramps = [
      {
        property: "opacity",
        stops: [
          { at: "cover 0%", value: 0.4 },
          { at: "cover 100%", value: 0.4 },
        ],
      },
    ];
    const page = await open(
      markup(
        `data-lumbit-settle="top" ${rules([{ media: narrow, settle: "none", relief: 0.5 }])}`,
        `data-lumbit-depth="1" data-lumbit-travel-x="0px 100px" ${rules([
          { media: narrow, speed: 2, "travel-x": "none", ramps },
          { media: "(max-width: 400px)", direction: "left" },
          { media: "(prefers-color-scheme: dark)", speed: 1, "travel-x": "none" },
        ])}`,
      ),
    );
    const before = await page.evaluate("document.body.innerHTML");
    await page.evaluate(`window.own = mount(document.body, { driver: "${driver}" })`);
    const opacity = () =>
      page.evaluate(() => Number(getComputedStyle(document.querySelector("i") as Element).opacity));
    for (const width of [1000, 600, 380, 1000]) {
      await page.setViewportSize({ width, height: 800 });
      for (const scroll of [700, 1210, 1800]) {
        await scrollPage(page, scroll);
        const { x, y, top } = await offset(page);
        const p = 800 - top;
        if (width === 1000) {
          expect(x, `across at ${scroll}`).toBeCloseTo((100 * p) / 1420, 0);
          expect(y, `down at ${scroll}`).toBeCloseTo(0.5 * (p - 800), 0);
        } else {
          const drifted = -0.5 * (p - 710);
          expect(x, `across at ${scroll}, ${width} px wide`).toBeCloseTo(width === 380 ? -drifted : 0, 0);
          expect(y, `down at ${scroll}, ${width} px wide`).toBeCloseTo(width === 380 ? 0 : drifted, 0);
        }
      }
      expect(await opacity()).toBe(width === 1000 ? 1 : 0.4);
    }
    await page.emulateMedia({ colorScheme: "dark" });
    await expect.poll(async () => (await offset(page)).y).toBe(0);
    expect((await offset(page)).x).toBe(0);
    await page.evaluate("own.dispose()");
    expect(await page.evaluate("document.body.innerHTML")).toBe(before);
    await page.close();
  });

  test("rules make the box around a picture its pane, and a plain box again", async () => {
    const rules = '[{ "media": "(max-width: 700px)", "pane": true, "depth": 1 }]';
    const page = await open(
      `<style>figure { margin: 0 0 0 40px; width: 300px } img { display: block; width: 300px; height: 500px }</style>
      <div class="gap"></div><section data-lumbit-scene="s"><figure><img alt="" data-lumbit-depth="0.25" data-lumbit-rules='${rules}'></figure></section><div class="gap"></div>`,
    );
    const before = await page.evaluate("document.body.innerHTML");
    await page.evaluate(`window.own = mount(document.body, { driver: "${driver}" })`);
    for (const width of [1000, 600, 1000, 600]) {
      await page.setViewportSize({ width, height: 800 });
      for (const scroll of [500, 900, 1300]) {
        await scrollPage(page, scroll);
        const [box, picture, overflow] = await page.evaluate(() => {
          const [figure, img] = ["figure", "img"].map((name) => document.querySelector(name) as Element);
          return [figure, img]
            .map((element) => element?.getBoundingClientRect().toJSON())
            .concat(getComputedStyle(figure as Element).overflowY);
        });
        expect(box.height, `${width} px wide`).toBeCloseTo(500, 1);
        expect(overflow).toBe(width === 600 ? "clip" : "visible");
        const drifted = 0.2 * (800 - box.top - 710);
        if (width === 1000) {
          expect(picture.top - box.top).toBeCloseTo(drifted, 0);
          expect(picture.height).toBe(500);
        } else {
          expect(picture.top).toBeLessThanOrEqual(Math.max(0, box.top) + 0.1);
          expect(picture.bottom).toBeGreaterThanOrEqual(Math.min(800, box.bottom) - 0.1);
          expect(picture.height).toBeGreaterThan(500);
        }
      }
    }
    await page.evaluate("own.dispose()");
    expect(await page.evaluate("document.body.innerHTML")).toBe(before);
    await page.close();
  });
});

test.each([
  [
    { media: "(max-width: 700px)", depth: -2 },
    false,
    /data-lumbit-rules: depth: found "-2"; allowed: the distance behind/,
  ],
  [{ media: "(max-width: 700px)", cue: "none" }, false, /rules of a layer, which may change depth, speed/],
  [{ media: "(max-width: 700px)", depth: 1 }, true, /rules of a scene, which may change settle, hold/],
  [
    { media: "(max-width: 700px)", hold: "40vh" },
    true,
    /has no "hold" to change: give it a data-lumbit-hold, "0px" for none/,
  ],
  [{ media: "narrow ones", depth: 1 }, false, /each have a "media"/],
])("a rule %j is refused with what is allowed", async (rule, ofScene, message) => {
  const attribute = `data-lumbit-rules='${JSON.stringify([rule])}'`;
  const page = await open(ofScene ? markup(attribute, 'data-lumbit-depth="1"') : markup("", attribute));
  await expect(page.evaluate("mount(document.body, { strict: true })")).rejects.toThrow(message);
  await page.close();
});
