import { cpSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { expect, test } from "vitest";
import { openChromium } from "../../../test/chromium.ts";
import { lumbit, root, temporaryFolder } from "../../../test/command.ts";

test("publishes any text as text", async () => {
  const folder = temporaryFolder();
  cpSync(join(root, "packages/cli/starter"), folder, { recursive: true });
  const pageFile = join(folder, "page.json");
  const hostile = `</title><script>alert(1)</script>"'&<img src=x onerror=alert(1)>`;
  const source = JSON.parse(readFileSync(pageFile, "utf8"));
  source.title = hostile;
  source.scenes[0].layers[2].text = hostile;
  source.scenes[0].layers[0].alt = hostile;
  writeFileSync(pageFile, JSON.stringify(source));
  const site = join(folder, "site");
  expect((await lumbit(["build", pageFile, "-o", site])).status).toBe(0);
  const browser = await openChromium();
  try {
    const page = await browser.newPage();
    await page.goto(pathToFileURL(join(site, "index.html")).href);
    expect(await page.title()).toBe(hostile);
    expect(await page.locator("[data-lumbit-layer=title]").textContent()).toBe(hostile);
    expect(await page.locator("[data-lumbit-layer=sky]").getAttribute("alt")).toBe(hostile);
    expect(await page.evaluate(() => document.scripts.length + document.querySelectorAll("img").length)).toBe(
      // The script that some browsers need is one.
      6,
    );
  } finally {
    await browser.close();
  }
  expect(readdirSync(folder).toSorted()).toEqual(["art", "page.json", "site"]);
});
