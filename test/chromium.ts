import axe from "axe-core";
import { type Browser, type BrowserContext, chromium, type Page } from "playwright-core";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";

let started: Promise<Browser> | undefined;

/** What a test opens in Chromium, of which one process serves all tests of a worker. */
export interface Chromium extends Pick<Browser, "newContext" | "newPage"> {
  /** Closes what was opened here. */
  close(): Promise<void>;
}

export async function openChromium(): Promise<Chromium> {
  const opened: BrowserContext[] = [];
  const newContext: Browser["newContext"] = async (options) => {
    started ??= chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });
    const context = await (await started).newContext(options);
    opened.push(context);
    return context;
  };
  return {
    newContext,
    newPage: async (options) => (await newContext(options)).newPage(),
    close: async () => void (await Promise.all(opened.map((context) => context.close()))),
  };
}

/** Ends the process: the next test gets a new one. */
export async function endChromium(): Promise<void> {
  const ended = await started?.catch(() => undefined);
  started = undefined;
  await ended?.close().catch(() => undefined);
}

/** What axe finds wrong on a page: each rule with the elements that break it. */
export async function accessibilityFaults(page: Page): Promise<string[]> {
  // Not as a script of the page, which its policy may refuse.
  await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run();
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(" ")}`);
  });
}

/** Scrolls to a position and waits until what is on the screen shows it. */
export const scrollPage = (page: Page, scroll: number): Promise<void> =>
  page.evaluate(async (scroll) => {
    window.scrollTo({ top: scroll, behavior: "instant" });
    const frame = () => new Promise(requestAnimationFrame);
    await frame();
    await frame();
  }, scroll);

export interface ElementBox {
  scene: string;
  layer: string;
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The box of every layer on the page, in viewport px. */
export const layerBoxes = (page: Page): Promise<ElementBox[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>("[data-lumbit-layer]")].map((element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      const scene = element.closest<HTMLElement>("[data-lumbit-scene]")?.dataset.lumbitScene ?? "";
      return { scene, layer: element.dataset.lumbitLayer ?? "", left, top, width, height };
    }),
  );
