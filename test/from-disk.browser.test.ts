import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { launchFirefox } from "./engines.ts";

/** A built page that somebody opens with a double click, as clients do who get a folder. */
const page = {
  ...{ format: "lumbit/1", title: "Tidehouse", lang: "en" },
  scenes: [
    {
      ...{ name: "quay", height: "160vh" },
      layers: [
        {
          name: "far",
          shape: "rectangle",
          background: "#134",
          depth: 1,
          place: { left: 0, top: "20vh", width: "50%", height: "40vh" },
        },
        { name: "title", text: "Tidehouse", as: "h1", cue: { from: { opacity: 0, y: "40px" } } },
      ],
    },
    { name: "slip", height: "200vh", layers: [{ name: "words", text: "At the slip" }] },
  ],
};
let address: string;
let chromium: Chromium;
beforeAll(async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  expect(await lumbit(["build", "page.json", "-o", "site"], folder)).toMatchObject({ status: 0, stderr: "" });
  address = pathToFileURL(join(folder, "site/index.html")).href;
  chromium = await openChromium();
});
afterAll(() => chromium?.close());

const cued = `[document.querySelector("[data-lumbit-cue]").getAttribute("data-lumbit-cue") !== null,
  getComputedStyle(document.querySelector('[data-lumbit-layer="title"]')).opacity]`;
/** How far a layer of half the page's speed is behind its scene when 200 px are scrolled. */
const lag = `const far = document.querySelector('[data-lumbit-layer="far"]');
  const at = () => far.getBoundingClientRect().top - far.closest("[data-lumbit-scene]").getBoundingClientRect().top;
  const frames = async () => { for (let frame = 0; frame < 6; frame++) await new Promise(requestAnimationFrame); };
  await frames();
  const before = at();
  scrollTo({ top: 200, behavior: "instant" });
  await frames();
  return Math.round(at() - before);`;

test("a page that is opened from the disk has no errors, plays its cues and moves", async () => {
  const own = await chromium.newPage({ viewport: { width: 1000, height: 700 } });
  const errors: string[] = [];
  own.on("console", (message) => void (message.type() === "error" && errors.push(message.text())));
  own.on("pageerror", (error) => void errors.push(error.message));
  await own.goto(address);
  await expect.poll(() => own.evaluate(cued)).toEqual([true, "1"]);
  expect(await own.evaluate(`(async () => { ${lag} })()`)).toBe(100);
  expect(errors).toEqual([]);
  await own.close();
});

test("it moves where the standard is missing too", async () => {
  const firefox = await launchFirefox(false);
  try {
    await firefox.resize(1000, 700);
    await firefox.open(address);
    expect(
      await firefox.run("return document.querySelector('[data-lumbit-scene]').dataset.lumbitDriver"),
    ).toBe("scripted");
    expect(await firefox.run(lag)).toBe(100);
  } finally {
    await firefox.close();
  }
});

test("its scripts are files beside it, which strict policies let through", () => {
  const html = readFileSync(new URL(address), "utf8");
  expect(html.match(/<script[^>]*>/g)?.length).toBeGreaterThan(1);
  for (const script of html.match(/<script[^>]*>[^<]*<\/script>/g) ?? [])
    expect(script).toMatch(/^<script defer(="")? src="[\w.-]+\.js"><\/script>$/);
});
