import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page as BrowserPage } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, expect, test } from "vitest";
import { accessibilityFaults, type Chromium, openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { recordedFilm } from "./film.ts";
import { serveFolder } from "./serve.ts";

let folder: string;
let browser: Chromium;
let site: Awaited<ReturnType<typeof serveFolder>>;

const tank = { image: "tank.png", alt: "" };
const page = (layers: object[], look = {}) => ({
  ...{ format: "lumbit/1", title: "Films", lang: "en", page: look },
  scenes: [
    { name: "first", height: "150vh", layers: [{ name: "picture", ...tank, depth: 1 }] },
    { name: "second", height: "150vh", layers },
  ],
});
const place = { left: "10%", top: "30vh", width: "40%", height: "50vh" };

const write = (name: string, content: string | Buffer) => writeFileSync(join(folder, name), content);

beforeAll(async () => {
  folder = temporaryFolder();
  browser = await openChromium();
  const own = await browser.newPage();
  write("waves.webm", await recordedFilm(own, 64, 40));
  await own.close();
  write(
    "tank.png",
    await sharp({ create: { width: 640, height: 400, channels: 3, background: "#a00" } })
      .png()
      .toBuffer(),
  );
  write(
    "page.json",
    JSON.stringify(
      page(
        [
          { name: "filled", ...tank, alt: "Waves", video: "waves.webm", depth: 1 },
          { name: "paned", ...tank, video: "waves.webm", depth: 1, pane: true, place },
          { name: "linked", ...tank, alt: "Book", video: "waves.webm", depth: -0.2, href: "#first", place },
          { name: "picture", ...tank, depth: 1, pane: true, place },
        ],
        { backdrop: { ...tank, video: "waves.webm", depth: 3 } },
      ),
    ),
  );
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  site = await serveFolder(join(folder, "site"));
});
afterAll(async () => {
  site?.close();
  await browser?.close();
});

const films = (page: BrowserPage) =>
  page.evaluate(() =>
    Object.fromEntries(
      [...document.querySelectorAll("video")].map((video) => [
        video.closest<HTMLElement>("[data-lumbit-layer]")?.dataset.lumbitLayer ?? "backdrop",
        { plays: !video.paused, moved: video.currentTime > 0, silent: video.muted },
      ]),
    ),
  );
const second = "document.querySelector('#second')";

test("a film is loaded and plays while it is in view, without sound, and is held when it goes out", async () => {
  const own = await browser.newPage({ viewport: { width: 1000, height: 600 } });
  site.asked.length = 0;
  await own.goto(site.origin);
  await expect.poll(() => films(own)).toMatchObject({ backdrop: { plays: true, silent: true } });
  const still = { plays: false, moved: false };
  expect(await films(own)).toMatchObject({ filled: still, paned: still, linked: still });
  await own.evaluate(`scrollTo(0, 700)`);
  const playing = { plays: true, moved: true, silent: true };
  await expect.poll(() => films(own)).toMatchObject({ filled: playing, paned: playing, linked: playing });
  // What shows is the film, as large as a picture of the layer.
  const shown = await own.evaluate(() =>
    [...document.querySelectorAll("#second [data-lumbit-layer]")].map((layer) => {
      const { width, height, top } = layer.getBoundingClientRect();
      return [layer.getAttribute("data-lumbit-layer"), width, height, top];
    }),
  );
  const boxOf = (name: string) => shown.find(([layer]) => layer === name)?.slice(1);
  expect(boxOf("paned")).toEqual(boxOf("picture"));
  await own.evaluate("scrollTo(0, 0)");
  await expect.poll(() => films(own)).toMatchObject({ filled: { plays: false }, paned: { plays: false } });
  // What is in view goes on, over and over.
  await own.evaluate(
    () =>
      new Promise<void>((again) => {
        const video = document.querySelector("video") as HTMLVideoElement;
        let before = 0;
        video.addEventListener("timeupdate", () => {
          if (video.currentTime < before) again();
          before = video.currentTime;
        });
      }),
  );
  await own.close();
});

test("where somebody wants less motion the still stands, from the moment on when they ask for it", async () => {
  const own = await browser.newPage({ viewport: { width: 1000, height: 600 } });
  await own.emulateMedia({ reducedMotion: "reduce" });
  site.asked.length = 0;
  await own.goto(site.origin);
  await own.evaluate(`${second}.scrollIntoView()`);
  await own.waitForTimeout(300);
  const middle = async () =>
    sharp(await own.screenshot())
      .extract({ left: 900, top: 560, width: 1, height: 1 })
      .removeAlpha()
      .raw()
      .toBuffer()
      .then(([red = 0, green = 0]) => (red > 100 ? "still" : green > 100 ? "film" : "neither"));
  expect(await middle()).toBe("still");
  expect(site.asked.filter((path) => path.endsWith(".webm"))).toEqual([]);
  await own.emulateMedia({ reducedMotion: "no-preference" });
  await expect.poll(middle).toBe("film");
  await own.emulateMedia({ reducedMotion: "reduce" });
  await expect.poll(middle).toBe("still");
  expect(Object.values(await films(own)).filter(({ plays }) => plays)).toEqual([]);
  await own.close();
});

test("a button in view stops the films of a scene and lets them go on, by pointer and by keys, in no language of its own", async () => {
  const own = await browser.newPage({ viewport: { width: 1000, height: 600 } });
  await own.goto(site.origin);
  await own.evaluate("scrollTo(0, 700)");
  const playing = { filled: { plays: true }, paned: { plays: true }, linked: { plays: true } };
  const standing = { filled: { plays: false }, paned: { plays: false }, linked: { plays: false } };
  await expect.poll(() => films(own)).toMatchObject(playing);
  const stop = own.locator("#second").getByRole("button", { name: "⏸ Waves, Book" });
  const box = await stop.boundingBox();
  // It stays in the lower corner of the screen for as long as the scene is there.
  expect(box).toMatchObject({ width: 44, height: 44, x: 1000 - 16 - 44, y: 600 - 16 - 44 });
  await own.mouse.click((box?.x ?? 0) + 22, (box?.y ?? 0) + 22);
  await expect.poll(() => films(own)).toMatchObject({ ...standing, backdrop: { plays: true } });
  await own.evaluate("scrollTo(0, 0)");
  await own.evaluate("scrollTo(0, 700)");
  await own.waitForTimeout(200);
  expect(await films(own)).toMatchObject(standing);
  expect(await accessibilityFaults(own)).toEqual([]);
  await own.locator("#second").getByRole("button", { name: "▶ Waves, Book" }).focus();
  await own.keyboard.press("Enter");
  await expect.poll(() => films(own)).toMatchObject(playing);
  expect(await own.getByRole("button", { name: "⏸", exact: true }).count()).toBe(1);
  await own.emulateMedia({ reducedMotion: "reduce" });
  await expect.poll(() => own.getByRole("button").count()).toBe(0);
  await own.close();
});

test("a built page says what a film shows, and stands without script", async () => {
  const html = readFileSync(join(folder, "site/index.html"), "utf8");
  const [, , , linked = ""] = html.match(/<video[^>]*>/g) ?? [];
  expect(linked).toMatch(/poster="assets\/tank\.[^"]+"/);
  expect(html).toMatch(/<video[^>]* aria-label="Waves"/);
  expect(html.match(/<video[^>]* aria-hidden="true"/g)).toHaveLength(2);
  expect(html).not.toMatch(/autoplay|<video[^>]* alt=/);
  expect(readdirSync(join(folder, "site")).filter((name) => name.startsWith("videos."))).toHaveLength(1);
  const own = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await own.goto(site.origin);
  const { channels } = await sharp(await own.screenshot()).stats();
  expect(channels.map(({ mean }) => Math.round(mean / 10))).toEqual([17, 0, 0]);
  await own.close();
});

test("films that are none, and what a film cannot have, are said", async () => {
  write("words.webm", "no film");
  const said = async (layer: object) => {
    write("wrong.json", JSON.stringify(page([{ name: "film", ...tank, depth: 1, ...layer }])));
    return (await lumbit(["check", "wrong.json"], folder)).stderr;
  };
  expect(await said({ video: "words.webm" })).toContain('"words.webm" is no film; name a .webm or .mp4 file');
  expect(await said({ video: "nowhere.webm" })).toContain("nowhere.webm");
  expect(await said({ video: "waves.webm", variants: { "2": "tank.png" } })).toContain(
    "a film has one still",
  );
  expect(
    await said({ video: "waves.webm", rules: [{ media: "(width < 600px)", image: "tank.png" }] }),
  ).toContain("make two layers of it");
  expect(await said({ image: undefined, text: "Hello", alt: undefined, video: "waves.webm" })).toContain(
    '"video" is for a picture; this layer is a text',
  );
});
