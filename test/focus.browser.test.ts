import { writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page as PageFile } from "lumbit/core";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { engineOf } from "./engines.ts";
import { documents, mounted } from "./mounted-page.ts";
import { serveFolder } from "./serve.ts";

const words = (name: string, more: object) => ({
  ...{ name, text: `To the ${name}`, href: "#end", fontSize: "20px", ...more },
});
/** Links that a browser scrolls past when they are focused: far from where they settle, carried sideways, faded. */
const page = {
  ...{ format: "lumbit/1", title: "Tidehouse", lang: "en" },
  scenes: [
    { name: "quay", height: "120vh", layers: [{ name: "title", text: "Tidehouse", as: "h1" }] },
    {
      ...{ name: "slip", height: "320vh" },
      layers: [
        words("near", { depth: -0.4, place: { left: "10%", top: "30%" } }),
        words("far", { depth: 2, place: { left: "10%", top: "60%" } }),
        words("lamp", {
          depth: 0.2,
          place: { left: "50%", top: "80%" },
          ramps: [
            {
              property: "opacity",
              stops: [
                { at: "cover 60%", value: 0 },
                { at: "cover 66%", value: 1 },
                { at: "cover 69%", value: 0 },
              ],
            },
          ],
        }),
        {
          name: "boats",
          ...{ row: { gap: "60vw" }, place: { left: 0, top: "50%" } },
          travel: { x: ["0%", "-120vw"], over: ["cover 42%", "cover 58%"] },
          layers: ["dory", "gig", "punt"].map((name) => words(name, {})),
        },
      ],
    },
    { name: "end", height: "100vh", layers: [{ name: "here", text: "Here it is", as: "h2" }] },
  ],
} as PageFile;
const links = ["near", "far", "lamp", "dory", "gig", "punt"];

/** What is focused: its name, and whether a reader sees it. */
const focused = `(() => {
  const { left, right, top, bottom } = document.activeElement.getBoundingClientRect();
  let opacity = 1;
  for (let one = document.activeElement; one; one = one.parentElement) opacity *= getComputedStyle(one).opacity;
  return {
    name: document.activeElement.textContent.replace("To the ", ""),
    isSeen: left >= -1 && right <= innerWidth + 1 && top >= -1 && bottom <= innerHeight + 1 && opacity >= 0.5,
  };
})()`;

const serve = documents();
let browser: Chromium;
let served: Awaited<ReturnType<typeof serveFolder>>;
/** For engines whose driver evaluates what the test says. */
let evaluated: Awaited<ReturnType<typeof serveFolder>>;
beforeAll(async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  expect(await lumbit(["build", "page.json", "-o", "site"], folder)).toMatchObject({ status: 0, stderr: "" });
  served = await serveFolder(join(folder, "site"));
  evaluated = await serveFolder(join(folder, "site"), "default-src 'self' 'unsafe-eval'");
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  served?.close();
  evaluated?.close();
});

/** Goes through the page by a key, and tells of each link that it comes to whether it is seen there. */
async function tabThrough(page: Page, key: string): Promise<void> {
  for (const name of key === "Tab" ? links : links.toReversed()) {
    await page.keyboard.press(key);
    await expect.poll(() => page.evaluate(focused), { timeout: 10_000 }).toEqual({ name, isSeen: true });
  }
}

test.each([
  [1280, 800],
  [390, 844],
])("links in moving layers are seen when they are come to by keyboard, on %i x %i", async (width, height) => {
  const page = await browser.newPage({ viewport: { width, height } });
  await page.goto(served.origin);
  await tabThrough(page, "Tab");
  await page.keyboard.press("Tab");
  await tabThrough(page, "Shift+Tab");
  await page.close();
});

describe.each(["native", "scripted"])("mounted, moved by the %s driver", (driver) => {
  test("they are too, and no more when it is over", async () => {
    const own = await serve("", { width: 1280, height: 800 });
    await mounted(own, page, driver, {});
    await tabThrough(own, "Tab");
    await own.evaluate("live.dispose()");
  });
});

// The window of WebKit's driver has no focus, and nothing in it is focused as by keyboard.
test.each(["chromium", "firefox"] as const)("%s shows what is focused", async (name) => {
  const engine = await engineOf(name);
  await engine.open(evaluated.origin);
  await engine.resize(1280, 800);
  for (const link of links) {
    const { isSeen } = await engine.run<{ isSeen: boolean }>(`
        const [own] = [...document.querySelectorAll("a")].filter(({ textContent }) => textContent === "To the ${link}");
        own.focus({ focusVisible: true });
        for (let tries = 0; tries < 120 && !${focused}.isSeen; tries++)
          await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
        return ${focused};
      `);
    expect({ link, isSeen }).toEqual({ link, isSeen: true });
  }
  await engine.open("about:blank");
});

test("a link that no moment shows whole is said by check, and one that some moment does is not", async () => {
  const folder = temporaryFolder();
  const lost = words("lost", { place: { left: "-40px", top: "20%" } });
  const scenes = page.scenes.map((scene) =>
    scene.name === "slip" ? { ...scene, layers: [...scene.layers, lost] } : scene,
  );
  writeFileSync(join(folder, "page.json"), JSON.stringify({ ...page, scenes }));
  const { stdout } = await lumbit(["check", "page.json", "--json"], folder);
  const findings: { rule: string; layer: string }[] = JSON.parse(stdout).findings;
  expect(findings.flatMap(({ rule, layer }) => (rule === "focus" ? [layer] : []))).toEqual(["lost"]);
});
