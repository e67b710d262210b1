import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { directionalityOf } from "lumbit/internal";
import { expect, test } from "vitest";
import { accessibilityFaults, openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";

test("a language is written the way its script is, or the one it is mostly written in", () => {
  for (const lang of ["ar", "he", "fa-IR", "ur", "yi", "pa-Arab", "az-Arab"])
    expect(directionalityOf(lang), lang).toBe("rtl");
  for (const lang of ["en", "pt-BR", "ja", "az", "pa", "ar-Latn", "not a language"])
    expect(directionalityOf(lang), lang).toBe("ltr");
});

test("lines begin at the right where the language does, and end where a text says so", async () => {
  const folder = temporaryFolder();
  const place = { left: "100px", top: "100px", width: "400px" };
  const page = {
    format: "lumbit/1",
    title: "المد",
    lang: "ar",
    scenes: [
      {
        name: "hours",
        height: "100vh",
        content: [{ text: "ساعات", as: "h1" }],
        layers: [
          { name: "title", text: "المد!", as: "h2", place },
          { name: "left", text: "المد!", as: "h3", textAlign: "left", place: { ...place, top: "300px" } },
        ],
      },
    ],
  };
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).status).toBe(0);
  const browser = await openChromium();
  const tab = await browser.newPage();
  await tab.goto(pathToFileURL(join(folder, "site/index.html")).href);
  const letters = (selector: string) =>
    tab.locator(selector).evaluate((element) => {
      const range = document.createRange();
      range.selectNodeContents(element);
      const [box, text] = [element.getBoundingClientRect(), range.getBoundingClientRect()];
      return { before: text.left - box.left, after: box.right - text.right };
    });
  const heading = await letters("h1");
  expect(heading.after).toBe(0);
  expect(heading.before).toBeGreaterThan(100);
  const title = await letters("h2");
  expect(title.after).toBe(0);
  expect(title.before).toBeGreaterThan(100);
  expect((await letters("h3")).before).toBe(0);
  // A sign at the end of a sentence stands at its left.
  const sign = await tab.locator("h2").evaluate((element) => {
    const range = document.createRange();
    range.setStart(element.firstChild as Node, 4);
    range.setEnd(element.firstChild as Node, 5);
    return range.getBoundingClientRect().left - element.getBoundingClientRect().left;
  });
  expect(sign).toBeCloseTo(title.before, 0);
  expect(await accessibilityFaults(tab)).toEqual([]);
  await browser.close();
});
