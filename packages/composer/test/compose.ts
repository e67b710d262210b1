import { cpSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page as PageFile, Scene } from "lumbit/core";
import type { Frame, Locator, Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, afterEach, beforeAll, beforeEach, expect } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";
import { startComposer } from "../../cli/src/compose/compose.ts";

/** Files are watched and written in their own time, and slowly where other tests run beside. */
export const poll = <T>(value: () => T) => expect.poll(value, { timeout: 30_000 });

/** A window of the composer, as a person has it before them. */
export interface Window {
  page: Page;
  url: string;
  /** The page file on disk. */
  file: string;
  text(): string;
  onDisk(): PageFile;
  /** A layer on disk. */
  layer(name: string, scene?: string): Record<string, unknown> | undefined;
  card(name: string): Locator;
  /** The frames of all stages, the large one first. */
  stages(): Frame[];
  /** What is taken hold of on the large stage. */
  large(): Locator;
  /** The box of a layer on a stage, in px of the composer's window. */
  boxOn(stage: number, layer: string): Promise<{ x: number; y: number; width: number; height: number }>;
  saved(): Promise<void>;
  /** Waits until what is on the stages and around them stands still, and has been told of. */
  atRest(): Promise<void>;
  /** Ends the server. */
  stop(): Promise<void>;
}

/** Gives each test of a file a window of its own, on a copy of the demo or on what `prepare` makes. */
export function composed(
  prepare: (folder: string) => string | undefined | Promise<string> = demo,
  viewport = { width: 1280, height: 800 },
): Window {
  let browser: Chromium;
  let served: Awaited<ReturnType<typeof startComposer>>;
  const window = {} as { -readonly [Key in keyof Window]: Window[Key] };
  beforeAll(async () => {
    browser = await openChromium();
  });
  afterAll(() => browser?.close());
  beforeEach(async () => {
    const folder = temporaryFolder();
    const file = await prepare(folder);
    served = await startComposer(file ?? folder, 0);
    window.file = file ?? join(folder, "page.json");
    window.url = served.url;
    window.page = await browser.newPage({ viewport });
    await window.page.goto(served.url);
    if (file) await stagesShow(window);
  });
  afterEach(async () => {
    await window.page?.close();
    await served?.close();
  });
  window.text = () => readFileSync(window.file, "utf8");
  window.onDisk = () => JSON.parse(window.text());
  window.layer = (name, scene) => {
    const own = window.onDisk().scenes.find((one) => scene === undefined || one.name === scene);
    return own?.layers.find((layer) => layer.name === name) as Record<string, unknown> | undefined;
  };
  window.card = (name) => window.page.getByRole("option", { name: new RegExp(`^${name}(?![\\w-])`) });
  window.stages = () => window.page.frames().filter((frame) => frame.url().endsWith("stage.html"));
  window.large = () => window.page.getByRole("group", { name: /^Layers on the/ }).first();
  window.boxOn = async (stage, layer) => {
    const frame = window.page.locator("iframe").nth(stage);
    const [around, inner] = [await frame.boundingBox(), await (await frame.elementHandle())?.contentFrame()];
    const box = await inner?.evaluate((layer) => {
      const { x, y, width, height } = (
        document.querySelector(`[data-lumbit-layer="${layer}"]`) as Element
      ).getBoundingClientRect();
      return { x, y, width, height, screen: innerWidth };
    }, layer);
    if (!box || !around) throw new Error(`${layer} is not on stage ${stage}`);
    // A stage is drawn smaller than its screen is.
    const scale = around.width / box.screen;
    return {
      ...{ x: around.x + box.x * scale, y: around.y + box.y * scale },
      ...{ width: box.width * scale, height: box.height * scale },
    };
  };
  window.atRest = async () => {
    const standing = async () => JSON.stringify(await Promise.all(window.page.frames().map(boxesIn)));
    let [before, same] = ["", 0];
    await poll(async () => {
      await window.page.waitForTimeout(120);
      const now = await standing();
      same = now === before ? same + 1 : 0;
      before = now;
      return same;
    }).toBeGreaterThan(2);
  };
  window.stop = () => served.close();
  window.saved = () =>
    poll(() => window.page.getByRole("status").textContent()).toBe("saved") as unknown as Promise<void>;
  return window;
}

/** What is drawn in a window or a stage, and where, in px. */
const boxesIn = (frame: Frame) =>
  frame.evaluate(() =>
    [...document.querySelectorAll("[data-lumbit-scene], .composer *")].map((element) => {
      const { x, y, width, height } = element.getBoundingClientRect();
      return [x, y, width, height].map(Math.round).join(" ");
    }),
  );

/** Scenes of the demo: each step has the whole page judged on eight screens, which takes as long as the page is. */
const some = ["descent", "tides", "gear"];

/** A folder with the demo's pictures at a third of their size: each window decodes them three times over. */
async function shrunken(): Promise<string> {
  const [from, to] = [join(root, "examples/tidehouse/art"), temporaryFolder()];
  for (const name of readdirSync(from).filter((name) => name.endsWith(".webp"))) {
    const { width } = await sharp(join(from, name)).metadata();
    await sharp(join(from, name))
      .resize(Math.ceil((width ?? 0) / 3))
      .toFile(join(to, name));
  }
  return to;
}

let small: ReturnType<typeof shrunken> | undefined;

/** A copy of the demo, of some of its scenes and with small pictures. */
export async function demo(folder: string): Promise<string> {
  const file = wholeDemo(folder);
  small ??= shrunken();
  cpSync(await small, join(file, "../art"), { recursive: true });
  const page = JSON.parse(readFileSync(file, "utf8"));
  const text = JSON.stringify(
    { ...page, scenes: page.scenes.filter(({ name }: Scene) => some.includes(name)) },
    null,
    2,
  );
  writeFileSync(file, `${text}\n`);
  return file;
}

/** A copy of all of the demo. */
export function wholeDemo(folder: string): string {
  const home = join(folder, "tidehouse");
  cpSync(join(root, "examples/tidehouse"), home, { recursive: true });
  return join(home, "page.json");
}

/** Waits until both stages show their page, and what stands around them is there. */
export async function stagesShow({ stages, page }: Pick<Window, "stages" | "page">): Promise<void> {
  await poll(() => stages().length).toBe(2);
  for (const frame of stages()) await frame.waitForSelector("main > [data-lumbit-scene]");
  await page.getByRole("slider", { name: "Place in the passage of the scene" }).waitFor();
}
