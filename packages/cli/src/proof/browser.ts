import { existsSync } from "node:fs";
import type { Browser } from "playwright-core";
import { Problem } from "../problem.ts";

/** Where an installed browser is looked for. */
const programs = [
  process.env.LUMBIT_CHROMIUM,
  "/usr/bin/chromium",
  "/usr/bin/chromium-browser",
  "/usr/bin/google-chrome",
  "/Applications/Google Chrome.app/Contents/MacOS/Google Chrome",
];

/**
 * Does something with an installed browser, and closes it; `what` says in a message what needs one.
 *
 * @throws Problem when there is none
 */
export async function withBrowser<T>(what: string, action: (browser: Browser) => Promise<T>): Promise<T> {
  const executablePath = programs.find((path) => path && existsSync(path));
  if (!executablePath)
    throw new Problem(
      `${what} needs a browser: install Chromium (Debian: apt-get install chromium), or set LUMBIT_CHROMIUM to its program; an .html sheet needs none`,
    );
  // Loaded here: no other command needs it.
  const { chromium } = await import("playwright-core");
  const browser = await chromium.launch({
    executablePath,
    args: [
      ...["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-sync"],
      // A frame waits for its pictures.
      "--disable-checker-imaging",
    ],
  });
  try {
    return await action(browser);
  } finally {
    await browser.close();
  }
}
