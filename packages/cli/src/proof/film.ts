import type { Viewport } from "lumbit/core";
import { pointerOf } from "lumbit/internal";
import type { Browser, Page } from "playwright-core";
import sharp from "sharp";
import { contentType } from "../preview/content-type.ts";
import type { Site } from "../site.ts";
import { withBrowser } from "./browser.ts";
import { writeWebm } from "./webm.ts";

export interface Shooting {
  /** An animated picture, which every browser shows, or a video. */
  kind: "webp" | "webm";
  viewport: Viewport;
  /** The scroll positions between which it goes, in px. */
  from: number;
  to: number;
  seconds: number;
  progress: (done: number, frames: number) => void;
}

/** Frames in a second, and how wide a frame is at most, in px. */
const rate = 20;
const widest = 960;
/** The share of a film in which the scroll comes up to its pace, and in which it slows down again. */
const rampUp = 0.12;
/** Where the site seems to be: nothing leaves the browser. */
const origin = "http://film.localhost";

/**
 * A film of a smooth scroll over a site, as an animated WebP or a WebM video, made by an installed browser. What plays by the clock,
 * as cues do, plays by that of the film.
 *
 * @throws Problem when there is no browser
 */
export const film = (
  site: Site,
  { kind, viewport, from, to, seconds, progress }: Shooting,
): Promise<Buffer> =>
  withBrowser("a film", async (browser) => {
    const { width, height } = viewport;
    const size = sizeOf(viewport);
    // First, so that the page does not play while that begins.
    const video = kind === "webm" ? await writeWebm(await openAt(browser), size, rate) : undefined;
    const hasTouch = pointerOf(viewport) === "coarse";
    const page = await browser.newPage({ viewport: { width, height }, hasTouch });
    await page.route("**/*", (route) => {
      const { pathname, origin: asked } = new URL(route.request().url());
      const name = pathname === "/" ? "index.html" : decodeURIComponent(pathname.slice(1));
      const body = asked === origin ? site.get(name) : undefined;
      return body === undefined
        ? route.fulfill({ status: 404 })
        : route.fulfill({ body: Buffer.from(body), contentType: contentType(name) });
    });
    await page.goto(origin);
    await page.evaluate(loadEverything);
    const frames: Buffer[] = [];
    const count = Math.max(2, Math.round(seconds * rate));
    for (let frame = 0; frame < count; frame++) {
      const scroll = from + (to - from) * wayAt(frame / (count - 1));
      await page.evaluate(`(${showFrame})(${scroll}, ${1000 / rate})`);
      const picture = await shot(page, size);
      if (video) await video.add(picture);
      else frames.push(picture);
      progress(frame + 1, count);
    }
    if (video) return video.end();
    return sharp(frames, { join: { animated: true } })
      .webp({ quality: 70, effort: 2, delay: frames.map(() => 1000 / rate), loop: 0 })
      .toBuffer();
  });

/** How large a film is of a viewport, in px: not wider than it may be, and of even sizes, as videos are. */
function sizeOf({ width, height }: Viewport): { width: number; height: number } {
  const scale = Math.min(1, widest / width);
  const even = (size: number) => 2 * Math.max(1, Math.floor((size * scale) / 2));
  return { width: even(width), height: even(height) };
}

const shot = async (page: Page, size: { width: number; height: number }) =>
  sharp(await page.screenshot({ type: "jpeg", quality: 95 }))
    .resize({ ...size, fit: "fill" })
    .jpeg({ quality: 95 })
    .toBuffer();

/** An empty page where videos can be made. */
async function openAt(browser: Browser): Promise<Page> {
  const page = await browser.newPage();
  await page.route("**/*", (route) => route.fulfill({ body: "", contentType: "text/html" }));
  await page.goto(origin);
  return page;
}

/** How much of the way a smooth scroll has gone at a share of its time: up to its pace, along, and slower again. */
export function wayAt(time: number): number {
  const pace = 1 / (1 - rampUp);
  if (time < rampUp) return (pace * time * time) / (2 * rampUp);
  if (time > 1 - rampUp) return 1 - wayAt(1 - time);
  return pace * (time - rampUp / 2);
}

/** Pictures that come late would be missed. */
const loadEverything = `(async () => {
  await document.fonts.ready;
  const pictures = [...document.images];
  for (const picture of pictures) picture.loading = "eager";
  await Promise.all(pictures.map((picture) => picture.decode().catch(() => {})));
})()`;

/** Scrolls, and advances what plays by the clock by as many milliseconds as a frame lasts. */
const showFrame = `async (scroll, lasts) => {
  scrollTo({ top: scroll, behavior: "instant" });
  const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
  await frame();
  const playing = (window.lumbitPlaying ??= new Map());
  for (const animation of document.getAnimations()) {
    if (animation.timeline !== document.timeline || !animation.effect) continue;
    if (!playing.has(animation) && animation.playState !== "running") continue;
    const time = (playing.get(animation) ?? 0) + lasts;
    playing.set(animation, time);
    if (time >= animation.effect.getComputedTiming().endTime) {
      playing.delete(animation);
      animation.finish();
    } else {
      animation.pause();
      animation.currentTime = time;
    }
  }
  await frame();
}`;
