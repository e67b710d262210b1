import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import { createServer } from "node:net";
import type { Readable } from "node:stream";
import type { Page as ChromiumPage } from "playwright-core";
import puppeteer from "puppeteer-core";
import sharp from "sharp";
import { browserPath } from "../scripts/browsers.mjs";
import { endChromium, openChromium } from "./chromium.ts";

/** What the tests need of a browser engine. Scripts are texts, so that every engine takes them. */
export interface Engine {
  name: "chromium" | "firefox" | "webkit";
  open(url: string): Promise<void>;
  /** Makes the viewport this large, in CSS px. */
  resize(width: number, height: number): Promise<void>;
  /** The value of a function body, awaited. */
  run<T>(body: string): Promise<T>;
  screenshot(): Promise<Buffer>;
  close(): Promise<void>;
}

export const engineNames = ["chromium", "firefox", "webkit"] as const satisfies Engine["name"][];

/**
 * Of cases those that an engine takes in this run: Chromium all of them; the others a third, another one for each seed, or
 * all in the whole run (`npm run test:whole`).
 */
export function casesIn<T>(name: Engine["name"], cases: readonly T[]): T[] {
  if (name === "chromium" || process.env.LUMBIT_WHOLE) return [...cases];
  const turn = Number(process.env.LUMBIT_SEED) + engineNames.indexOf(name);
  return cases.filter((_, index) => (index + turn) % 3 === 0);
}

const launchers: Record<Engine["name"], () => Promise<Engine>> = {
  chromium,
  firefox: () => launchFirefox(),
  webkit: () => webkit(false),
};
const started = new Map<string, Promise<Engine>>();

/** An engine whose pages are measured, of which one process serves all tests of a worker, one after the other. */
export const engineOf = (name: Engine["name"]): Promise<Engine> => running(name, launchers[name]);

/** An engine whose pages are looked at. */
export const drawnEngineOf = (name: Engine["name"]): Promise<Engine> =>
  name === "webkit" ? running("webkit, drawn", () => webkit(true)) : engineOf(name);

function running(name: string, launch: () => Promise<Engine>): Promise<Engine> {
  const engine = started.get(name) ?? launch();
  started.set(name, engine);
  return engine;
}

/** Ends all browsers of this worker: a test that failed is tried again in new ones. */
export async function endBrowsers(): Promise<void> {
  const engines = [...started.values()];
  started.clear();
  await Promise.all(engines.map(async (engine) => (await engine).close()).map((end) => end.catch(() => {})));
  await endChromium();
}

async function chromium(): Promise<Engine> {
  const browser = await openChromium("at once");
  const page: ChromiumPage = await browser.newPage();
  return {
    name: "chromium",
    open: async (url) => void (await page.goto(url, { waitUntil: "load" })),
    resize: (width, height) => page.setViewportSize({ width, height }),
    run: (body) => page.evaluate(`(async () => { ${body} })()`),
    screenshot: () => page.screenshot(),
    close: () => browser.close(),
  };
}

/** Firefox over WebDriver BiDi, with the standard's implementation that it still keeps behind a preference, or without. */
export async function launchFirefox(native = true): Promise<Engine> {
  const browser = await puppeteer.launch({
    browser: "firefox",
    executablePath: browserPath("firefox"),
    headless: true,
    extraPrefsFirefox: {
      "layout.css.scroll-driven-animations.enabled": native,
      "ui.useOverlayScrollbars": 1,
      // As Chromium's frames, its come as fast as there is something to draw: tests wait for frames, not for time.
      "layout.frame_rate": 240,
    },
  });
  const page = await browser.newPage();
  return {
    name: "firefox",
    open: async (url) => void (await page.goto(url, { waitUntil: "load" })),
    // The new size reaches scroll timelines some frames after it reaches the layout.
    async resize(width, height) {
      await page.setViewport({ width, height });
      await page.evaluate(`(async () => {
        const frame = () => new Promise(requestAnimationFrame);
        while (innerWidth !== ${width} || innerHeight !== ${height}) await frame();
        for (let frames = 0; frames < 4; frames++) await frame();
      })()`);
    },
    run: <T>(body: string) => page.evaluate(`(async () => { ${body} })()`) as Promise<T>,
    screenshot: async () => Buffer.from(await page.screenshot()),
    close: () => browser.close(),
  };
}

/** WebKitGTK's MiniBrowser over WebDriver, on a screen of its own. */
async function webkit(drawn: boolean): Promise<Engine> {
  // It takes a display that is free and writes its number.
  const screen = spawn(browserPath("xvfb"), ["-displayfd", "3", "-screen", "0", "2000x1300x24"], {
    stdio: ["ignore", "ignore", "ignore", "pipe"],
  });
  const processes: ChildProcess[] = [screen];
  // A worker that is ended does not leave them behind.
  const end = () => processes.forEach((child) => void child.kill());
  process.once("exit", end);
  process.once("SIGTERM", () => {
    end();
    process.exit();
  });
  const [number] = await once(screen.stdio[3] as Readable, "data");
  const display = `:${String(number).trim()}`;
  const port = await freePort();
  processes.push(
    spawn(browserPath("webkitDriver"), [`--port=${port}`, "--host=127.0.0.1"], {
      stdio: "ignore",
      env: { ...process.env, DISPLAY: display },
    }),
  );
  const call = async <T>(method: string, path: string, body?: object): Promise<T> => {
    const response = await fetch(`http://127.0.0.1:${port}${path}`, {
      method,
      body: body && JSON.stringify(body),
      signal: AbortSignal.timeout(path.startsWith("/session/") && method === "DELETE" ? 10_000 : 90_000),
    });
    const { value } = (await response.json()) as { value: T & { message?: string } };
    if (!response.ok) throw new Error(`${path}: ${value?.message}`);
    return value;
  };
  await retry(() => call("GET", "/status"));
  const { sessionId } = await call<{ sessionId: string }>("POST", "/session", {
    capabilities: {
      alwaysMatch: {
        browserName: "MiniBrowser",
        "webkitgtk:browserOptions": { binary: browserPath("webkit"), args: ["--automation"] },
      },
    },
  });
  const session = `/session/${sessionId}`;
  // Blurred layers are slow to draw on the processor.
  await call("POST", `${session}/timeouts`, { script: 90_000 });
  const run = async <T>(body: string) => {
    const { value, error } = await call<{ value: T; error?: string }>("POST", `${session}/execute/async`, {
      script: `const done = arguments[arguments.length - 1];
        (async () => { ${body} })().then((value) => done({ value }), (error) => done({ error: String(error) }));`,
      args: [],
    });
    if (error) throw new Error(error);
    return value;
  };
  // A small window is drawn faster, and a frame that nobody looks at may be larger.
  await call(
    "POST",
    `${session}/window/rect`,
    drawn ? { width: 1960, height: 1200 } : { width: 300, height: 200 },
  );
  // The window cannot be made as narrow as a telephone, so the page stands in a frame of the wanted size. The frame
  // is not painted: drawing on the processor takes most of the time, and what is read of a page is its geometry.
  const frame = "document.querySelector('iframe')";
  return {
    name: "webkit",
    async open(url) {
      await call("POST", `${session}/url`, { url });
      await run(`document.documentElement.innerHTML = '<body style="margin:0"><iframe style="border:0;display:block;visibility:hidden"></iframe>';
        await new Promise((loaded) => { ${frame}.onload = loaded; ${frame}.src = ${JSON.stringify(url)}; });`);
    },
    resize: (width, height) =>
      run(`Object.assign(${frame}.style, { width: "${width}px", height: "${height}px" });
        await new Promise(requestAnimationFrame); await new Promise(requestAnimationFrame);`),
    run: (body) =>
      run(`return ${frame}.contentWindow.eval(${JSON.stringify(`(async () => { ${body} })()`)})`),
    async screenshot() {
      const size = await run<string>(`${frame}.style.visibility = "visible";
        await new Promise(requestAnimationFrame); await new Promise(requestAnimationFrame);
        return ${frame}.clientWidth + "," + ${frame}.clientHeight;`);
      const [width = 0, height = 0] = size.split(",").map(Number);
      const window = Buffer.from(await call<string>("GET", `${session}/screenshot`), "base64");
      return sharp(window).extract({ left: 0, top: 0, width, height }).png().toBuffer();
    },
    async close() {
      await call("DELETE", session).catch(() => {});
      for (const child of processes.reverse()) {
        const gone = once(child, "exit");
        if (child.kill()) await gone;
      }
    },
  };
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

async function retry(action: () => Promise<unknown>): Promise<void> {
  for (let attempt = 0; ; attempt++) {
    try {
      await action();
      return;
    } catch (error) {
      if (attempt >= 40) throw error;
      await pause(100);
    }
  }
}

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" ? (address?.port ?? 0) : 0));
    });
  });
