import { existsSync } from "node:fs";
import { createRequire } from "node:module";
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
 * What a browser does besides showing a page: asking for things of its maker's, which playwright-core has it not do either
 * (of two such lists browsers heed the last), and making ready what falls open below its address bar, 0.35 s of work each.
 */
const withoutFeatures = [
  ...["AimEnabled", "LensOverlay", "MediaRouter", "NetworkTimeServiceQuerying", "OptimizationHints"],
  ...["PaintHolding", "PreconnectToSearch"],
  ...["WebUIOmniboxPopup", "WebUIOmniboxAimPopup"],
];

/**
 * Does something with an installed browser, which begins while it starts, and closes it; `what` says in a message what needs one.
 *
 * @param scale the pixels that its screens have for each px
 * @throws Problem when there is none
 */
export async function withBrowser<T>(
  what: string,
  action: (starting: Promise<Browser>) => Promise<T>,
  scale = 1,
): Promise<T> {
  const executablePath = programs.find((path) => path && existsSync(path));
  if (!executablePath)
    throw new Problem(
      `${what} needs a browser: install Chromium (Debian: apt-get install chromium), or set LUMBIT_CHROMIUM to its program; an .html sheet needs none`,
    );
  // Loaded here, as no other command needs it, and as what it is: imported, all of it would be read once more for what it exports.
  const { chromium } = createRequire(import.meta.url)("playwright-core") as typeof import("playwright-core");
  const starting = chromium.launch({
    executablePath,
    args: [
      ...["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-sync"],
      `--disable-features=${withoutFeatures.join()}`,
      // A frame waits for its pictures.
      "--disable-checker-imaging",
      `--force-device-scale-factor=${scale}`,
    ],
  });
  try {
    return await action(starting);
  } finally {
    await starting.then((browser) => browser.close());
  }
}
