import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Page as PageFile } from "lumbit/core";
import type { TextStyle } from "lumbit/internal";
import { TextSizer } from "lumbit/text";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { root } from "../../../test/command.ts";
import { Font } from "../src/font.ts";

const families = { Newsreader: "200 800", Figtree: "300 900" };
const files = Object.fromEntries(
  Object.keys(families).map((family) => [
    family,
    readFileSync(join(root, `examples/tidehouse/fonts/${family.toLowerCase()}.woff2`)),
  ]),
);
const file: PageFile = {
  format: "lumbit/1",
  title: "t",
  lang: "en",
  fonts: Object.keys(families).map((family) => ({ family, src: `${family}.woff2` })),
  scenes: [],
};
const viewport = { width: 1280, height: 800 };

let browser: Chromium;
let page: Page;
let sizer: TextSizer;
beforeAll(async () => {
  const fonts = await Promise.all(
    Object.entries(files).map(async ([family, bytes]) => ({
      path: `${family}.woff2`,
      bytes,
      font: (await Font.open(bytes)) as Font,
    })),
  );
  sizer = new TextSizer(file, fonts);
  browser = await openChromium();
  page = await browser.newPage({ viewport });
  const faces = Object.entries(families)
    .map(
      ([family, weight]) =>
        `@font-face { font-family: ${family}; font-weight: ${weight}; src: url(data:font/woff2;base64,${files[family]?.toString("base64")}); }`,
    )
    .join("\n");
  await page.setContent(
    `<style>${faces} p { position: absolute; margin: 0; width: max-content; white-space: pre-line; overflow-wrap: anywhere; }</style><p></p>`,
  );
});
afterAll(() => browser?.close());

/** The size that Chromium gives a text, between no width and `available`. */
const measured = (text: string, style: TextStyle & { fontSize: string }, available: number) =>
  page.evaluate(
    async ([text, style, available]) => {
      const element = document.querySelector("p") as HTMLElement;
      element.innerHTML = text;
      element.removeAttribute("style");
      Object.assign(element.style, style, {
        lineHeight: String(style.lineHeight),
        maxWidth: `${available}px`,
      });
      await Promise.all([...document.fonts].map((font) => font.load()));
      const { width, height } = element.getBoundingClientRect();
      return { width, height };
    },
    [text, style, available] as const,
  );

const words =
  "Twice a day the water of the sound comes in through the old mill's wheel pit, fills our tanks and goes out again.";

describe.each(["Newsreader", "Figtree"])("%s", (fontFamily) => {
  test.each([
    [14, 400, 0],
    [23.5, 300, 0.02],
    [64, 430, -0.025],
    [190, 800, -0.01],
  ])(
    "at %d px, weight %d and spacing %d em is as large as a browser sets it",
    async (size, fontWeight, em) => {
      const style = {
        fontFamily,
        fontWeight,
        fontSize: `${size}px` as const,
        letterSpacing: `${em}em` as const,
        lineHeight: 1.25,
      };
      for (const text of [
        "Below the\nkelp line",
        "officially afflicted waffles",
        "Tide 06:12 – 0,9 m (½)",
        words,
      ])
        for (const available of [180, 333, 640, 1200, 20_000].filter((width) => width > 2 * size)) {
          // A line that fills its width to the pixel may break either way.
          const own = sizer.size({ text, ...style }, available, viewport);
          const wanted = await measured(text, style, available);
          const where = `"${text}" in ${available} px`;
          expect(own.height, where).toBeCloseTo(wanted.height, 0);
          if (own.width < available) expect(Math.abs(own.width - wanted.width), where).toBeLessThan(0.5);
        }
    },
  );
});

test("what is strong or emphasized takes the room that a browser gives it", async () => {
  const style = { fontFamily: "Figtree", fontWeight: 400, lineHeight: 1.25 } as const;
  const marked =
    "**Twice a day** the *water of the sound* comes **in through the old mill's** [wheel pit](#pit).";
  const shown =
    "<strong>Twice a day</strong> the <em>water of the sound</em> comes <strong>in through the old mill's</strong> <a>wheel pit</a>.";
  for (const [fontWeight, size] of [
    [400, 20],
    [300, 34],
    [600, 27],
  ] as const)
    for (const available of [200, 333, 640, 4000]) {
      const own = sizer.size(
        { text: marked, ...style, fontWeight, fontSize: `${size}px` },
        available,
        viewport,
      );
      const wanted = await measured(shown, { ...style, fontWeight, fontSize: `${size}px` }, available);
      expect(own.height, `${size} px in ${available}`).toBeCloseTo(wanted.height, 0);
      if (own.width < available) expect(Math.abs(own.width - wanted.width)).toBeLessThan(0.5);
    }
});

test("a text with space around it is as large as a browser sets it", async () => {
  const style = { fontFamily: "Figtree", fontSize: "20px", lineHeight: 1.25, padding: "14px" } as const;
  for (const [text, available] of [
    ["Low water", 400],
    [words, 333],
    [words, 640],
  ] as const) {
    const own = sizer.size({ text, ...style }, available, viewport);
    const wanted = await measured(text, { ...style, boxSizing: "border-box" } as never, available);
    expect(own.height, `"${text}" in ${available} px`).toBeCloseTo(wanted.height, 0);
    if (own.width < available) expect(Math.abs(own.width - wanted.width)).toBeLessThan(0.5);
  }
});

test("a text fitted to a width has the letters of its largest optical size, and is that wide", async () => {
  for (const fontFamily of Object.keys(families))
    for (const text of ["The Shelf", "Spring\ntide"]) {
      const layer = {
        text,
        fontFamily,
        fontWeight: 430,
        letterSpacing: "-0.02em",
        fontSize: { fit: "50%" },
      } as const;
      const { width } = sizer.size(layer, 640, viewport);
      expect(width).toBe(640);
      const fontSize = `${640 / sizer.ems(layer)}px`;
      const letters = await measured(
        text,
        { ...layer, fontSize, lineHeight: 1, fontVariationSettings: '"opsz" 1000' } as never,
        9999,
      );
      expect(Math.abs(letters.width - 640)).toBeLessThan(0.5);
    }
});

test("a text in a font that the page does not ship, or that lacks its letters, is an estimate, and says so", () => {
  const own = { text: "tide", fontFamily: "Georgia, serif" };
  expect(sizer.isEstimate(own)).toBe(true);
  expect(sizer.isEstimate({ ...own, fontFamily: '"Figtree", sans-serif' })).toBe(false);
  expect(sizer.isEstimate({ text: "المد", fontFamily: "Figtree" })).toBe(true);
  expect(sizer.size({ ...own, fontSize: "20px" }, 1000, viewport)).toEqual({ width: 40, height: 26 });
});
