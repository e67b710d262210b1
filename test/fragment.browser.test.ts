import { cpSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

/** One scene of the demo in a foreign page that says a lot of everything. */
const foreign = `<style>
* { letter-spacing: 0.2em; line-height: 3; } body { margin: 30px; background: gold; color: purple; font: 22px/2 monospace; text-transform: uppercase; text-align: right }
section { padding: 50px; margin: 40px; border: 9px solid red; height: 77px } div { margin: 11px; padding: 7px } section div, section img { float: left; transform: rotate(9deg) }
img { max-width: 100%; filter: invert(1); border-radius: 40px; width: 50px } h1, h2, h3, p { margin: 3em; font: bold 9px cursive; color: lime; opacity: 0.4 }
a { color: orange } .tall { height: 1400px; width: 100%; background: #eee }
</style>`;
const around = (inside: string, style = foreign) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Elsewhere</title>${style}</head><body><h1>Elsewhere</h1><div class="tall"><a href="#descent">To the words</a><p>Words</p></div>${inside}<div class="tall" style="height: 1400px"><h2 id="descent">More</h2><img alt="" width="20" height="20"></div></body></html>`;

let browser: Chromium;
let origin: string;
let close = () => {};
beforeAll(async () => {
  const folder = temporaryFolder();
  cpSync(join(root, "examples/tidehouse"), join(folder, "tidehouse"), { recursive: true });
  const { stderr } = await lumbit(
    ["build", "tidehouse/page.json", "--fragment", "descent", "-o", "site"],
    folder,
  );
  expect(stderr).toBe("");
  const site = join(folder, "site");
  expect(readdirSync(join(site, "assets")).some((name) => name.startsWith("tank"))).toBe(false);
  const fragment = readFileSync(join(site, "descent.html"), "utf8");
  writeFileSync(join(site, "with.html"), around(fragment));
  writeFileSync(join(site, "without.html"), around(""));
  // Nothing but a page around it, of the same width.
  writeFileSync(
    join(site, "plain.html"),
    around(fragment, "<style>body { margin: 30px } .tall { height: 1400px }</style>"),
  );
  ({ origin, close } = await serveFolder(site, "default-src 'self'; style-src 'self' 'unsafe-inline'"));
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  close();
});

const open = async (name: string): Promise<Page> => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${origin}/${name}.html`);
  await page.waitForLoadState("networkidle");
  return page;
};
/** Every computed style of everything outside of the fragment, and its size. */
const outside = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll("html, body, body > h1, .tall, .tall *")].map((element) => {
      const style = getComputedStyle(element);
      const own = element.matches("html, body")
        ? []
        : [element.getBoundingClientRect().width, element.getBoundingClientRect().height];
      const said = [...style].filter(
        (name) =>
          !name.startsWith("--") && !(element.matches("html, body") && /size|height|width|origin/.test(name)),
      );
      return [element.tagName, own, said.map((name) => style.getPropertyValue(name)).join(";")].join();
    }),
  );
/** Where everything in the fragment is against it, and how its words are set. */
const inside = (page: Page) =>
  page.evaluate(() => {
    const around = document.querySelector("[data-lumbit-fragment]")?.getBoundingClientRect() ?? new DOMRect();
    return [...document.querySelectorAll("[data-lumbit-fragment] [data-lumbit-layer]")].map((element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      const { color, font, letterSpacing, textTransform, opacity, filter } = getComputedStyle(element);
      return {
        box: [left - around.left, top - around.top, width, height],
        words: [
          element.getAttribute("data-lumbit-layer"),
          color,
          font,
          letterSpacing,
          textTransform,
          Number(opacity).toFixed(1),
          filter,
        ],
      };
    });
  });

test("changes nothing outside of itself, and nothing of the page changes it", async () => {
  const [without, withIt, plain] = [await open("without"), await open("with"), await open("plain")];
  expect(await outside(withIt)).toEqual(await outside(without));
  for (const share of [0, 0.3, 0.7]) {
    for (const page of [withIt, plain]) {
      const top = await page.$eval(
        "[data-lumbit-fragment]",
        (element) => element.getBoundingClientRect().top + scrollY,
      );
      await page.evaluate((width) => {
        const around = document.querySelector<HTMLElement>("[data-lumbit-fragment]");
        around?.style.setProperty("width", `${width}px`, "important");
        around?.style.setProperty("float", "none", "important");
      }, 1000);
      await scrollPage(page, top - 800 + share * 1600);
    }
    const [foreign, own] = [await inside(withIt), await inside(plain)];
    expect(foreign.map(({ words }) => words)).toEqual(own.map(({ words }) => words));
    // The two are not scrolled by the same parts of a px.
    for (const [index, { box, words }] of foreign.entries())
      for (const [side, px] of box.entries())
        expect(Math.abs(px - Number(own[index]?.box[side])), `${words[0]} at ${share}`).toBeLessThan(0.6);
  }
  for (const page of [without, withIt, plain]) await page.close();
});

test("its fonts have names that are nobody else's", async () => {
  const page = await open("with");
  const faces = await page.evaluate(() =>
    [...document.fonts].map(({ family }) => family.replaceAll('"', "")),
  );
  expect(faces).toContain("Newsreader of this fragment");
  expect(faces).not.toContain("Newsreader");
  await page.evaluate(() => document.fonts.ready);
  expect(await page.evaluate(() => document.fonts.check('20px "Newsreader of this fragment"'))).toBe(true);
  await page.close();
});

test("moves in the page as it does in its own", async () => {
  const page = await open("with");
  const top = await page.$eval(
    "[data-lumbit-fragment]",
    (element) => element.getBoundingClientRect().top + scrollY,
  );
  const at = async (scroll: number) => {
    await scrollPage(page, scroll);
    return page.$eval("[data-lumbit-layer=far-kelp]", (layer) => layer.getBoundingClientRect().top);
  };
  const [before, after] = [await at(top - 300), await at(top - 200)];
  // It is 3.4 camera distances deep.
  expect(after - before).toBeCloseTo(-100 / 4.4, 0);
  await page.close();
});
