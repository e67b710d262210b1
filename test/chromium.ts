import axe from "axe-core";
import { type Browser, type BrowserContext, chromium, type Page } from "playwright-core";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";

/** One process for each way of running. */
const started = new Map<string, Promise<Browser>>();

/** What a test opens in Chromium, of which one process serves all tests of a worker. */
export interface Chromium extends Pick<Browser, "newContext" | "newPage"> {
  /** Closes what was opened here. */
  close(): Promise<void>;
}

/**
 * Chromium as people have it; or with a frame as soon as there is something to draw, for who waits for frames and not for
 * time: whatever moves by itself would take the whole machine then.
 */
export async function openChromium(frames: "as drawn" | "at once" = "as drawn"): Promise<Chromium> {
  const opened: BrowserContext[] = [];
  const newContext: Browser["newContext"] = async (options) => {
    const running =
      started.get(frames) ??
      chromium.launch({
        executablePath: browserPath("chromium"),
        args: [...chromiumArguments, ...(frames === "at once" ? ["--disable-frame-rate-limit"] : [])],
      });
    started.set(frames, running);
    const context = await (await running).newContext(options);
    opened.push(context);
    return context;
  };
  return {
    newContext,
    newPage: async (options) => (await newContext(options)).newPage(),
    close: async () => void (await Promise.all(opened.map((context) => context.close()))),
  };
}

/** Ends the processes: the next test gets new ones. */
export async function endChromium(): Promise<void> {
  const ended = [...started.values()];
  started.clear();
  for (const one of ended) await (await one.catch(() => undefined))?.close().catch(() => undefined);
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
