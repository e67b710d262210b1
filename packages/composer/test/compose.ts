import { cpSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Page as PageFile } from "lumbit/core";
import type { Frame, Locator, Page } from "playwright-core";
import { afterAll, afterEach, beforeAll, beforeEach, expect } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";
import { startComposer } from "../../cli/src/compose/compose.ts";

/** Files are watched and written in their own time, and slowly where other tests run beside. */
export const poll = <T>(value: () => T) => expect.poll(value, { timeout: 15_000 });

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
  /** Ends the server. */
  stop(): Promise<void>;
}

/** Gives each test of a file a window of its own, on a copy of the demo or on what `prepare` makes. */
export function composed(
  prepare: (folder: string) => string | undefined = demo,
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
    const file = prepare(folder);
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
  window.stop = () => served.close();
  window.saved = () =>
    poll(() => window.page.getByRole("status").textContent()).toBe("saved") as unknown as Promise<void>;
  return window;
}

/** A copy of the demo. */
export function demo(folder: string): string {
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
