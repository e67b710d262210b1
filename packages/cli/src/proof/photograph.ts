import { existsSync } from "node:fs";
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
 * A sheet as a picture or a document, so many px wide, made by an installed browser.
 *
 * @throws Problem when there is none
 */
export async function photograph(html: string, kind: ".png" | ".pdf", width: number): Promise<Buffer> {
  const executablePath = programs.find((path) => path && existsSync(path));
  if (!executablePath)
    throw new Problem(
      `a ${kind} needs a browser: install Chromium (Debian: apt-get install chromium), or set LUMBIT_CHROMIUM to its program; .html needs none`,
    );
  // Loaded here: no other command needs it.
  const { chromium } = await import("playwright-core");
  const browser = await chromium.launch({
    executablePath,
    args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-sync"],
  });
  try {
    const page = await browser.newPage({ viewport: { width, height: 900 }, offline: true });
    await page.setContent(html, { waitUntil: "load" });
    await page.evaluate("document.fonts.ready");
    return kind === ".png"
      ? await page.screenshot({ fullPage: true })
      : await page.pdf({
          width: `${width}px`,
          height: `${Math.round(width * 0.7)}px`,
          printBackground: true,
        });
  } finally {
    await browser.close();
  }
}
