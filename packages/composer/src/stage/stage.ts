import { dequal } from "dequal/lite";
import { applyPatches, enablePatches } from "immer";
import { type Assets, type MountedPage, mountPage } from "lumbit";
import type { Page } from "lumbit/core";
import type { Screen } from "../desk/screens.ts";
import type { Blobs } from "../home/home.ts";
import type { FromStage, Moment, ToStage } from "./messages.ts";
import { withoutScript } from "./without-script.ts";

/*
 * One screen: the real page, in a frame of its own that cannot reach the composer. It is told what to show through a
 * port, which is all that it has of it.
 */

enablePatches();

let shown: { page: Page; as: Screen["as"]; live: MountedPage } | undefined;
/** What was shown last as a whole, while nothing of it has changed. */
let whole: object | undefined;
let tell: (message: FromStage) => void = () => {};
/** How many changes what is shown has in it. */
let changes = 0;
/** The moment that was scrolled to last, by the composer or by hand. */
let moment: Moment | undefined;
/** Where the composer has scrolled to: what comes of that is not told back. */
let told: number | undefined;

addEventListener("message", ({ ports: [port] }) => {
  if (!port) return;
  tell = (message) => port.postMessage(message);
  port.onmessage = ({ data }: MessageEvent<ToStage>) => {
    before = before.then(() => follow(data)).catch(reportError);
  };
});

/** What was said before: nothing overtakes a page that waits for its fonts. */
let before: Promise<void> = Promise.resolve();

async function follow(data: ToStage): Promise<void> {
  if (data.kind === "show") {
    const { kind: _, at, changes: told, ...next } = data;
    // The composer says again what was said before it was there, as a rule.
    const isSame = dequal(next, whole);
    // What comes to a page that is looked at moves nothing of it.
    const stays = !isSame && shown?.as === data.as && dequal(at, moment);
    if (isSame) arrived();
    else await show(data.page, data.as, reached(data.assets, data.blobs));
    whole = next;
    changes = told;
    // Before anything is drawn: to draw the top of the page first would take as long again.
    if (!stays) scrollToMoment(at);
    void picturesInView().then(() => tell({ kind: "shown" }));
  } else if (data.kind === "patch" && shown) {
    whole = undefined;
    changes = data.changes;
    change(applyPatches(shown.page, data.patches));
  }
  if (data.kind === "scrollBy") scrollBy({ top: data.y, behavior: "instant" });
  else if (data.kind === "scroll") {
    // Of what comes in one frame the last: a slow screen is late by a frame, not by all that it has missed.
    if (!next) inFrame(scrollToNext);
    next = data.to;
  }
}

addEventListener("scroll", () => {
  tell({ kind: "at", scroll: scrollY });
  if (told !== undefined && Math.abs(scrollY - told) < 1) return;
  told = undefined;
  const to = momentHere();
  if (!to) return;
  moment = to;
  tell({ kind: "scrolled", to });
});
addEventListener("resize", tellSoon);
document.fonts.addEventListener("loadingdone", tellSoon);

async function show(page: Page, as: Screen["as"], assets: Assets): Promise<void> {
  if (!shown || shown.as !== as) {
    shown?.live.dispose();
    const still = as === "still" || (as === "scriptless" && !CSS.supports("animation-timeline: view()"));
    // With the fonts there it is laid out once, instead of once more for each that comes.
    shown = { page, as, live: mountPage(document, { ...page, scenes: [] }, assets, { still }) };
    await fontsLoaded();
  }
  change(page, assets);
}

function change(page: Page, assets?: Assets): void {
  if (!shown) return;
  shown.page = page;
  shown.live.update(shown.as === "scriptless" ? withoutScript(page) : page, assets);
  tellSoon();
}

/** Until the fonts of the page are there, but not for long, in ms. */
const fontsLoaded = () =>
  Promise.race([
    Promise.allSettled([...document.fonts].map((font) => font.load())),
    new Promise((done) => setTimeout(done, 200)),
  ]);

/** The frame is at its place. Chromium takes the first scroll back after a move, unless the page was laid out since. */
function arrived(): void {
  const { body } = document;
  body.style.marginTop = "1px";
  body.getBoundingClientRect();
  body.style.marginTop = "";
  body.getBoundingClientRect();
  tellSoon();
}

/** Until the pictures in view are there, or cannot be had. Asked to decode them a browser does so at their full size. */
const picturesInView = () =>
  Promise.all(
    [...document.images]
      .filter((picture) => {
        const { top, bottom } = picture.getBoundingClientRect();
        return top < innerHeight && bottom > 0 && !picture.complete;
      })
      .map(
        (picture) =>
          new Promise((done) => {
            for (const type of ["load", "error"]) picture.addEventListener(type, done, { once: true });
          }),
      ),
  );

/** Addresses of files that only the composer could reach. */
const addresses = new Map<string, string>();

/** Files with addresses that this frame can reach. */
function reached(assets: Assets, blobs: Blobs): Assets {
  for (const [path, blob] of Object.entries(blobs))
    if (!addresses.has(path)) addresses.set(path, URL.createObjectURL(blob));
  const { pictures, fonts } = assets;
  return {
    ...assets,
    pictures: Object.fromEntries(
      Object.entries(pictures).map(([path, one]) => [path, { ...one, url: addresses.get(path) ?? one.url }]),
    ),
    fonts: Object.fromEntries(Object.entries(fonts).map(([path, url]) => [path, addresses.get(path) ?? url])),
  };
}

/** Does something in the next frame; where frames are held back, because nobody sees them, a little later. */
function inFrame(action: () => void): void {
  let late: ReturnType<typeof setTimeout>;
  const frame = requestAnimationFrame(() => {
    clearTimeout(late);
    action();
  });
  late = setTimeout(() => {
    cancelAnimationFrame(frame);
    action();
  }, 250);
}

/** How long nothing has changed before it is told how the page stands, in ms: in the midst of a drag nobody asks. */
const rest = 60;
let waiting: ReturnType<typeof setTimeout> | undefined;

function tellSoon(): void {
  clearTimeout(waiting);
  // Behind a frame all is laid out, and asking costs nothing.
  waiting = setTimeout(
    () =>
      inFrame(() =>
        setTimeout(
          () => shown && tell({ kind: "stands", layout: shown.live.layout(), scroll: scrollY, changes }),
        ),
      ),
    rest,
  );
}

const scenes = () => [...document.querySelectorAll<HTMLElement>("main > [data-lumbit-scene]")];

/** Where a scene's passage begins, in px of scroll, and how long it is. */
function passageOf(scene: HTMLElement): { start: number; length: number } {
  const { top, height } = scene.getBoundingClientRect();
  return { start: top + scrollY - innerHeight, length: innerHeight + height };
}

/** The moment of the scene in the middle of the screen. */
function momentHere(): Moment | undefined {
  const middle = innerHeight / 2;
  const scene = scenes().find((scene) => {
    const { top, bottom } = scene.getBoundingClientRect();
    return top <= middle && bottom > middle;
  });
  if (!scene) return undefined;
  const { start, length } = passageOf(scene);
  return { scene: scene.dataset.lumbitScene ?? "", share: (scrollY - start) / length };
}

let next: Moment | undefined;

function scrollToNext(): void {
  if (next) scrollToMoment(next);
  next = undefined;
}

function scrollToMoment(to: Moment): void {
  const { scene: name, share } = to;
  moment = to;
  const scene = scenes().find(({ dataset }) => dataset.lumbitScene === name);
  if (!scene) return;
  const { start, length } = passageOf(scene);
  scrollTo({ top: start + share * length, behavior: "instant" });
  told = scrollY;
}
