import { spawn } from "node:child_process";
import { once } from "node:events";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Readable } from "node:stream";
import puppeteer from "puppeteer-core";
import sharp, { type Sharp } from "sharp";
import { browserPath } from "../scripts/browsers.mjs";

/**
 * What Firefox shows of a page on a screen, 1280 x 900, of which the page is the top left. Its own screenshots are painted
 * in another way, without what is blurred behind things.
 */
export async function firefoxScreen(url: string): Promise<Sharp> {
  const folder = mkdtempSync(join(tmpdir(), "lumbit-screen-"));
  const screen = spawn(
    browserPath("xvfb"),
    ["-displayfd", "3", "-screen", "0", "1280x900x24", "-fbdir", folder],
    { stdio: ["ignore", "ignore", "ignore", "pipe"] },
  );
  try {
    const [number] = await once(screen.stdio[3] as Readable, "data");
    const browser = await puppeteer.launch({
      browser: "firefox",
      executablePath: browserPath("firefox"),
      headless: false,
      args: ["--kiosk"],
      env: { ...process.env, DISPLAY: `:${String(number).trim()}`, MOZ_ENABLE_WAYLAND: "0" },
    });
    try {
      const page = await browser.newPage();
      await page.goto(url, { waitUntil: "load" });
      await page.evaluate(
        "new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))",
      );
      // What was drawn reaches the screen some time after.
      await new Promise((resolve) => setTimeout(resolve, 2000));
      return screenOf(readFileSync(join(folder, "Xvfb_screen0")));
    } finally {
      await browser.close();
    }
  } finally {
    screen.kill();
  }
}

/** The picture in an X window dump (xwd): a head of 32-bit numbers, its colors, then 4 bytes a pixel: blue, green, red, none. */
function screenOf(dump: Buffer): Sharp {
  const field = (index: number) => dump.readUInt32BE(4 * index);
  const [head, width, height, line, colors] = [field(0), field(4), field(5), field(12), field(19)];
  const pixels = dump.subarray(head + 12 * colors);
  const rgb = Buffer.alloc(3 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (let channel = 0; channel < 3; channel++)
        rgb[3 * (y * width + x) + channel] = pixels[y * line + 4 * x + 2 - channel] as number;
  return sharp(rgb, { raw: { width, height, channels: 3 } });
}
