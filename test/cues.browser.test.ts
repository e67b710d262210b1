import { writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { engineNames, engineOf } from "./engines.ts";
import { serveFolder } from "./serve.ts";

const cue = (from: object, more: object = {}) => ({ from, duration: 300, ...more });
const gap = (name: string) => ({ name, height: "120vh", layers: [] });
/** A page whose first title comes in with it, whose later texts come in as they are scrolled to. */
const document = {
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  scenes: [
    {
      name: "top",
      height: "100vh",
      layers: [
        {
          name: "title",
          text: "Below the kelp line",
          as: "h1",
          cue: cue({ opacity: 0, y: "40px" }, { at: "load" }),
        },
      ],
    },
    gap("between"),
    {
      name: "hours",
      content: [
        // Long enough to be seen under way where frames are late.
        { text: "Opening times", as: "h2", cue: cue({ opacity: 0, x: "-60px" }, { duration: 1500 }) },
        {
          text: "Every day from first to last tide, and longer in spring weeks.",
          cue: cue({ opacity: 0 }, { pieces: "words", stagger: 20 }),
        },
      ],
      layers: [
        {
          name: "lamp",
          text: "Lamps out",
          depth: 0.5,
          cue: cue({ scale: 0.2, opacity: 0 }, { pieces: "letters", stagger: 10 }),
        },
      ],
    },
    gap("after"),
  ],
};

const site = temporaryFolder();
let origin: string;
let close: () => void;
// Scripts of tests are evaluated in WebKitGTK.
beforeAll(async () => {
  writeFileSync(join(site, "page.json"), JSON.stringify(document));
  const { stdout, stderr } = await lumbit(["build", "page.json", "-o", "site"], site);
  expect(stderr).toBe("");
  expect(stdout).toMatch(/bytes of script for its cues/);
  ({ origin, close } = await serveFolder(
    join(site, "site"),
    "default-src 'self'; script-src 'self' 'unsafe-eval'",
  ));
});
afterAll(() => close?.());

const opacity = (selector: string) =>
  `Number(getComputedStyle(document.querySelector('${selector}')).opacity)`;
const heading = "[data-lumbit-scene=hours] h2";
const words = "[data-lumbit-scene=hours] [data-lumbit-is~=content] p";

describe.each(engineNames)("%s", (name) => {
  test("plays each cue once as its moment is passed, and leaves the text as it was", async () => {
    const engine = await engineOf(name);
    await engine.resize(1000, 800).catch(() => {});
    await engine.open(`${origin}/`);
    await engine.resize(1000, 800);
    const pause = (ms: number) => `await new Promise((done) => setTimeout(done, ${ms}));`;
    // The first title comes in by itself; what lies below waits.
    await engine.run(pause(700));
    expect(await engine.run(`return [${opacity("h1")}, ${opacity(heading)}]`)).toEqual([1, 0]);
    // Scrolled to in steps, as a reader does, it plays and stays.
    const seen = await engine.run<{ during: number[]; after: number; text: string; parts: number }>(`
        const target = document.querySelector('${heading}').getBoundingClientRect().top + scrollY - 300;
        const during = [];
        const frames = async (count) => { for (let frame = 0; frame < count; frame++) { await new Promise(requestAnimationFrame); during.push(${opacity(heading)}); } };
        for (let at = scrollY; at < target; at += 300) { scrollTo({ top: at, behavior: "instant" }); await frames(2); }
        scrollTo({ top: target, behavior: "instant" });
        await frames(30);
        ${pause(2500)}
        return { during, after: ${opacity(heading)}, text: document.querySelector('${words}').textContent, parts: document.querySelector('${words}').childElementCount };`);
    expect(seen.during.some((value) => value > 0 && value < 1)).toBe(true);
    expect(seen).toMatchObject({
      after: 1,
      text: "Every day from first to last tide, and longer in spring weeks.",
      parts: 0,
    });
    // Scrolling back does not undo it.
    expect(
      await engine.run(`scrollTo({ top: 0, behavior: "instant" }); ${pause(300)} return ${opacity(heading)}`),
    ).toBe(1);
  });
});

describe("nothing stays hidden", () => {
  let browser: Chromium;
  beforeAll(async () => {
    browser = await openChromium();
  });
  afterAll(() => browser?.close());
  const open = async (options: object = {}): Promise<Page> => {
    const page = await browser.newPage({ viewport: { width: 1000, height: 800 }, ...options });
    await page.goto(`${origin}/`);
    return page;
  };
  const opacities = (page: Page) =>
    page.evaluate(() =>
      [...window.document.querySelectorAll("[data-lumbit-cue]")].map((element) =>
        Number(getComputedStyle(element).opacity),
      ),
    );

  test("without script, and for readers who ask for less motion", async () => {
    expect(await opacities(await open({ reducedMotion: "reduce" }))).toEqual([1, 1, 1, 1]);
    const page = await browser.newPage();
    await page.route("**/cues.*.js", (route) => route.abort());
    await page.goto(`${origin}/`);
    expect(await opacities(page)).toEqual([1, 1, 1, 1]);
  });

  test("after a jump over it, a reload in the middle of the page, and in print", async () => {
    const page = await open();
    await page.waitForTimeout(600);
    expect(await opacities(page)).toEqual([1, 0, 0, 0]);
    await scrollPage(page, 2200);
    // Jumped to, all is there at once: nothing plays.
    expect(await opacities(page)).toEqual([1, 1, 1, 1]);
    await page.reload();
    await page.waitForTimeout(300);
    expect(await opacities(page)).toEqual([1, 1, 1, 1]);

    const fresh = await open();
    await fresh.waitForTimeout(600);
    await fresh.evaluate(() => dispatchEvent(new Event("beforeprint")));
    expect(await opacities(fresh)).toEqual([1, 1, 1, 1]);
  });
});
