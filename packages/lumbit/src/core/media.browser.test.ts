import { expect, test } from "vitest";
import { openChromium } from "../../../../test/chromium.ts";
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
  "(orientation: portrait) or (min-width: 1300px)",
  "not (max-width: 600px)",
  "((width < 500px) or (height < 500px)) and (orientation: landscape)",
  "not ((width < 500px) and (height > 800px))",
  "(not (width < 500px)) and (not (height < 500px))",
  "not all and (width < 400px)",
  "screen and ((width > 1300px) or (height > 800px))",
];

test.each([
  ["a mouse", false],
  ["a touch screen", true],
])("media queries hold where a browser with %s says they do", async (_, hasTouch) => {
  const browser = await openChromium();
  try {
    const page = await browser.newPage({ hasTouch, isMobile: hasTouch });
    await page.setContent('<meta name="viewport" content="width=device-width">');
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
      const pointer = await page.evaluate(() =>
        (["fine", "coarse", "none"] as const).find((kind) => matchMedia(`(pointer: ${kind})`).matches),
      );
      expect(pointer === "coarse").toBe(hasTouch);
      for (const [index, query] of queries.entries())
        expect(matchesMedia(query, { width, height, pointer }), `${query} at ${width} x ${height}`).toBe(
          wanted[index],
        );
    }
  } finally {
    await browser.close();
  }
});
