import { expect, test } from "vitest";
import { launchChromium } from "../../../../test/chromium.ts";
import { matchesMedia } from "./media.ts";

const queries = [
  "(max-width: 600px)",
  "(min-width: 600px) and (max-width: 1000px)",
  "(width < 500px)",
  "(400px <= width <= 1400px)",
  "(400px < width)",
  "(height >= 50rem)",
  "(min-height: 40em)",
  "(orientation: portrait)",
  "(orientation: landscape) and (min-aspect-ratio: 3/2)",
  "(max-aspect-ratio: 3/4)",
  "(aspect-ratio > 1.5)",
  "screen and (width: 1280px)",
  "not screen and (min-width: 900px)",
  "print, (max-width: 400px)",
  "(pointer: fine)",
  "(pointer: coarse), (any-hover: none)",
  "all",
];

test("media queries hold where a browser says they do", async () => {
  const browser = await launchChromium();
  try {
    const page = await browser.newPage();
    for (const [width, height] of [
      [320, 568],
      [390, 844],
      [500, 500],
      [844, 390],
      [1280, 800],
      [1400, 933],
    ] as const) {
      await page.setViewportSize({ width, height });
      const wanted = await page.evaluate(
        (queries) => queries.map((query) => matchMedia(query).matches),
        queries,
      );
      // A headless browser has no pointing device unless it says so.
      const pointer = (await page.evaluate(() => matchMedia("(pointer: fine)").matches)) ? "fine" : "none";
      for (const [index, query] of queries.entries())
        expect(matchesMedia(query, { width, height, pointer }), `${query} at ${width} x ${height}`).toBe(
          wanted[index],
        );
    }
  } finally {
    await browser.close();
  }
});

test("what is no query of this kind is said to be none", () => {
  for (const query of [
    "",
    "wide",
    "(width)",
    "(max-width: wide)",
    "(min-orientation: portrait)",
    "(colour: 8)",
    "(width > 3px",
  ])
    expect(matchesMedia(query, { width: 1, height: 1 }), query).toBeUndefined();
});
