import type { Box, Size, Viewport } from "lumbit/core";
import { pointerOf } from "lumbit/internal";
import webpmux, { type Frame } from "node-webpmux";
import type { Browser, Page } from "playwright-core";
import sharp from "sharp";
import { contentType } from "../preview/content-type.ts";
import type { Site } from "../site.ts";
import { withBrowser } from "./browser.ts";
import { writeWebm } from "./webm.ts";

export interface Shooting {
  /** An animated picture, which every browser shows, or a video. */
  kind: "webp" | "webm";
  /** The screens that are seen side by side, each at the same moment. */
  screens: readonly Screen[];
  /** A drawing beside the screens, as JPEG, that follows the scroll of the first. */
  drawing?: { size: Size; at: (scroll: number) => Promise<Buffer> };
  seconds: number;
  progress: (done: number, frames: number) => void;
}

/** A screen, and the scroll positions between which it goes, in px. */
export interface Screen {
  viewport: Viewport;
  from: number;
  to: number;
}

/** Frames in a second, and how wide a frame is at most, in px: of one screen, and of several. */
const rate = 20;
const widest = { one: 960, several: 1280 };
/** What is between and around several screens. */
const ground = { gap: 24, color: "#e9ebe8" };
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
  makeSite: () => Promise<Site>,
  { kind, screens, drawing, seconds, progress }: Shooting,
): Promise<Buffer> => {
  const { places, ...size } = arranged([
    ...screens.map(({ viewport }) => viewport),
    ...(drawing ? [drawing.size] : []),
  ]);
  // Drawn as small as it is shown: a browser is slow to draw and to photograph what a film has no room for.
  const scale = Math.max(
    ...screens.map(({ viewport }, index) => (places[index]?.width ?? 0) / viewport.width),
  );
  const shoot = async (starting: Promise<Browser>) => {
    const making = makeSite();
    // It is told of when it is waited for.
    making.catch(() => {});
    const browser = await starting;
    const site = await making;
    const pages = await Promise.all(screens.map(({ viewport }) => opened(browser, site, viewport, scale)));
    const video = kind === "webm" ? await writeWebm(await openAt(browser), size, rate) : undefined;
    const frames: Frame[] = [];
    const count = Math.max(2, Math.round(seconds * rate));
    // While a browser draws a frame the one before is put together.
    let kept: Promise<unknown> = Promise.resolve();
    for (let frame = 0; frame < count; frame++) {
      const way = wayAt(frame / (count - 1));
      const scrolls = screens.map(({ from, to }) => from + (to - from) * way);
      const shots = await Promise.all(
        pages.map(async (page, index) => {
          await page.evaluate(`(${showFrame})(${scrolls[index]}, ${1000 / rate})`);
          return page.shot();
        }),
      );
      await kept;
      kept = (async () => {
        const drawn = drawing ? [await drawing.at(scrolls[0] ?? 0)] : [];
        const picture = await together([...shots, ...drawn], places, size);
        if (video) await video.add(picture);
        else frames.push(await frameOf(picture, size));
      })();
      // It is told of when it is waited for.
      kept.catch(() => {});
      progress(frame + 1, count);
    }
    await kept;
    if (video) return video.end();
    return webpmux.Image.save(null, { frames, ...size, loops: 0 });
  };
  return withBrowser("a film", shoot, scale);
};

/** The site on a screen, with all its pictures there, and how it is photographed. */
async function opened(
  browser: Browser,
  site: Site,
  viewport: Viewport,
  scale: number,
): Promise<Pick<Page, "evaluate"> & { shot(): Promise<Buffer> }> {
  const { width, height } = viewport;
  const hasTouch = pointerOf(viewport) === "coarse";
  const page = await browser.newPage({ viewport: { width, height }, deviceScaleFactor: scale, hasTouch });
  await page.route("**/*", (route) => {
    const { pathname, origin: asked } = new URL(route.request().url());
    const name = pathname === "/" ? "index.html" : decodeURIComponent(pathname.slice(1));
    const body = asked === origin ? site.get(name) : undefined;
    return body === undefined
      ? route.fulfill({ status: 404 })
      : route.fulfill({ body: Buffer.from(body), contentType: contentType(name) });
  });
  const session = await page.context().newCDPSession(page);
  // Nothing plays before the film does.
  await session.send("Animation.enable");
  await session.send("Animation.setPlaybackRate", { playbackRate: 0 });
  await page.goto(origin);
  await page.evaluate(loadEverything);
  return {
    evaluate: page.evaluate.bind(page),
    async shot() {
      const asked = { format: "jpeg", quality: 95, optimizeForSpeed: true } as const;
      const { data } = await session.send("Page.captureScreenshot", asked);
      return Buffer.from(data, "base64");
    },
  };
}

/** How large a film of screens is, and where each is in it: side by side, equally high, and of even sizes, as videos are. */
function arranged(viewports: readonly Size[]): Size & { places: Box[] } {
  const even = (size: number) => 2 * Math.max(1, Math.floor(size / 2));
  const [first] = viewports;
  if (first && viewports.length === 1) {
    const scale = Math.min(1, widest.one / first.width);
    const size = { width: even(first.width * scale), height: even(first.height * scale) };
    return { ...size, places: [{ left: 0, top: 0, ...size }] };
  }
  const { gap } = ground;
  const proportions = viewports.reduce((sum, { width, height }) => sum + width / height, 0);
  const high = (widest.several - gap * (viewports.length + 1)) / proportions;
  const height = even(Math.min(high, ...viewports.map((viewport) => viewport.height)));
  let left = gap;
  const places = viewports.map((viewport): Box => {
    const place = { left, top: gap, width: even((height * viewport.width) / viewport.height), height };
    left += place.width + gap;
    return place;
  });
  return { width: left, height: height + 2 * gap, places };
}

/** Screens in one picture, each at its place: JPEG. */
async function together(shown: readonly Buffer[], places: readonly Box[], size: Size): Promise<Buffer> {
  const [only] = shown;
  if (only && shown.length === 1) return only;
  const composed = shown.map(async (picture, index) => {
    const { width, height, left, top } = places[index] as Box;
    const input = await sharp(picture)
      .resize({ width, height, fit: "fill" })
      .png({ compressionLevel: 0 })
      .toBuffer();
    return { input, left, top };
  });
  return sharp({ create: { ...size, channels: 3, background: ground.color } })
    .composite(await Promise.all(composed))
    .jpeg({ quality: 95 })
    .toBuffer();
}

/** A picture as a frame of a film. */
const frameOf = async (picture: Buffer, size: Size): Promise<Frame> => {
  const buffer = await sharp(picture)
    .resize({ ...size, fit: "fill" })
    .webp({ quality: 70, effort: 2 })
    .toBuffer();
  return webpmux.Image.generateFrame({ buffer, delay: 1000 / rate });
};

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
  await Promise.all(
    pictures.map((picture) => picture.complete || new Promise((done) => { picture.onload = picture.onerror = done; })),
  );
})()`;

/** Scrolls, and advances what plays by the clock by as many milliseconds as a frame lasts. */
const showFrame = `(scroll, lasts) => {
  scrollTo({ top: scroll, behavior: "instant" });
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
}`;
