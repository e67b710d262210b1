import { copyFileSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { lumbit, root, temporaryFolder } from "../../../test/command.ts";

const site = join(temporaryFolder(), "site");
let stylesheet: string;
let built: string;
let browser: Chromium;
beforeAll(async () => {
  expect((await lumbit(["build", join(root, "examples/tidehouse/page.json"), "-o", site])).status).toBe(0);
  stylesheet = join(site, readdirSync(site).find((name) => name.startsWith("page.")) as string);
  built = readFileSync(stylesheet, "utf8");
  // Fonts with the same widths as those that most readers have, for a machine that has none of them.
  for (const font of ["tinos", "arimo"])
    copyFileSync(
      fileURLToPath(import.meta.resolve(`@fontsource/${font}/files/${font}-latin-400-normal.woff2`)),
      join(site, `${font}.woff2`),
    );
  browser = await openChromium();
});
afterAll(() => browser?.close());

/** Every text on the page with this style sheet: its lines' height, and how wide its letters are. */
async function texts(css: string): Promise<{ name: string; height: number; letters: number }[]> {
  writeFileSync(stylesheet, css);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(pathToFileURL(join(site, "index.html")).href);
  await page.evaluate(() => Promise.all([...document.fonts].map((font) => font.load().catch(() => {}))));
  const found = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>(":is(h1, h2, h3, p, li)")].map((element) => {
      const range = document.createRange();
      range.selectNodeContents(element);
      const { width } = range.getBoundingClientRect();
      return { name: element.textContent ?? "", height: element.offsetHeight, letters: width };
    }),
  );
  await page.close();
  return found;
}

test("until its fonts are there, a page is laid out with the reader's own, scaled to the same letters", async () => {
  const late = built.replace(/url\("assets[^"]+\.woff2"\)/g, 'url("late.woff2")');
  const reader = (css: string) =>
    css
      .replace(/local\('Times New Roman'\)[^;]*/g, 'url("tinos.woff2")')
      .replace(/local\('Arial'\)[^;]*/g, 'url("arimo.woff2")');
  const [own, scaled, plain] = [
    await texts(built),
    await texts(reader(late)),
    await texts(reader(late).replace(/(ascent|descent|line-gap)-override:[^;]*;|size-adjust:[^;]*;/g, "")),
  ];
  expect(own.length).toBeGreaterThan(30);
  const error = (other: typeof own) =>
    own.reduce((sum, { letters }, index) => sum + Math.abs((other[index]?.letters ?? 0) / letters - 1), 0) /
    own.length;
  console.log(
    `letters differ by ${(error(scaled) * 100).toFixed(1)} %, unscaled ${(error(plain) * 100).toFixed(1)} %`,
  );
  expect(error(scaled)).toBeLessThan(0.06);
  expect(error(scaled)).toBeLessThan(error(plain));
  const moved = own.filter(({ height }, index) => Math.abs((scaled[index]?.height ?? 0) - height) > 1);
  expect(moved.map(({ name }) => name)).toEqual([]);
});

test("a font list keeps its order, with the stand-ins behind the font that they stand in for", () => {
  expect(built).toContain(
    'font-family: Newsreader, "Newsreader Fallback: Times New Roman", "Newsreader Fallback: Noto Serif", "Times New Roman", "Noto Serif", serif;',
  );
  expect(built).toMatch(/Figtree, "Figtree Fallback: Arial",.* sans-serif;/);
});
