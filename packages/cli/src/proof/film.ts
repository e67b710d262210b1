import type { Viewport } from "lumbit/core";
import { pointerOf } from "lumbit/internal";
import type { Page } from "playwright-core";
import sharp from "sharp";
import { contentType } from "../preview/content-type.ts";
import type { Site } from "../site.ts";
import { withBrowser } from "./browser.ts";

export interface Shooting {
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
 * A film of a smooth scroll over a site, as an animated WebP, made by an installed browser. What plays by the clock,
 * as cues do, plays by that of the film.
 *
 * @throws Problem when there is no browser
 */
export const film = (site: Site, { viewport, from, to, seconds, progress }: Shooting): Promise<Buffer> =>
  withBrowser("a film", async (browser) => {
    const { width, height } = viewport;
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
      frames.push(await shot(page));
      progress(frame + 1, count);
    }
    return sharp(frames, { join: { animated: true } })
      .webp({ quality: 70, effort: 2, delay: frames.map(() => 1000 / rate), loop: 0 })
      .toBuffer();
  });

const shot = async (page: Page) =>
  sharp(await page.screenshot({ type: "jpeg", quality: 95 }))
    .resize({ width: widest, withoutEnlargement: true })
    .jpeg({ quality: 95 })
    .toBuffer();

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
