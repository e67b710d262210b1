import type { Cue } from "../core/cue.ts";
import { prefersStillness, watchLayout } from "./driver.ts";
import { childrenOf } from "./live.ts";
import { isMarked } from "./marks.ts";
import { splitElement } from "./pieces.ts";
import { positionOf } from "./position.ts";
import { type Scroller, scrollerOf } from "./scroller.ts";
import { viewOf } from "./view.ts";

/** The cues of scenes until they are disposed of. */
export interface Cues {
  dispose(): void;
}

/** What waits for its cue: it stands where it comes from. */
interface Waiting {
  element: HTMLElement;
  /** Nothing where a rule takes the cue away: it may come with another screen. */
  cue: Cue | undefined;
  scene: HTMLElement;
  /** The scroll position at which it plays. */
  at: number;
  /** Keep the element where it comes from. */
  before: Animation[];
}

/**
 * Plays what elements with `data-lumbit-cue` say when the scroll passes their moments, once each. What a page that
 * was reloaded or a jump has passed already is simply there, and so is everything for readers who ask for less
 * motion, on paper, and where the focus goes.
 */
export function playCues(scenes: readonly HTMLElement[], played: (element: HTMLElement) => void): Cues {
  const first = scenes[0];
  const elements = scenes.flatMap((scene) =>
    [...scene.querySelectorAll<HTMLElement>("[data-lumbit-cue]")]
      .filter((element) => element.closest("[data-lumbit-scene]") === scene)
      .map((element) => ({ element, scene, cue: readCue(element) })),
  );
  if (!first || elements.length === 0 || prefersStillness()) return { dispose() {} };
  const scroller = scrollerOf(first);
  let last = scroller.position();
  const undo: (() => void)[] = [];
  const at = (entry: (typeof elements)[number]) => momentOf(entry, scroller);
  let waiting = elements.flatMap((entry): Waiting[] => {
    const moment = at(entry);
    // Above the first screenful nobody scrolls past anything: it plays with the page.
    const passed = last > 0 && moment <= last && entry.cue?.at !== "load";
    return passed ? [] : [{ ...entry, at: moment, before: comesFrom(entry.element, entry.cue) }];
  });
  /** After a change of the layout, or of the media queries that hold. */
  const renew = (entry: Waiting) => {
    const cue = readCue(entry.element);
    if (JSON.stringify(cue) !== JSON.stringify(entry.cue)) {
      for (const animation of entry.before) animation.cancel();
      Object.assign(entry, { cue, before: comesFrom(entry.element, cue) });
    }
    entry.at = at(entry);
  };
  const release = (entry: Waiting) => {
    for (const animation of entry.before) animation.cancel();
    waiting = waiting.filter((other) => other !== entry);
    if (waiting.length === 0) stop();
  };
  const update = () => {
    const position = scroller.position();
    const jumped = Math.abs(position - last) > scroller.viewport();
    last = position;
    for (const entry of waiting.filter(({ at }) => at <= position)) {
      const { element, cue } = entry;
      if (!jumped && cue) undo.push(play(element, cue, () => played(element)));
      release(entry);
    }
  };
  let frame = 0;
  const later = () => {
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      update();
    });
  };
  const showAll = () => {
    for (const entry of waiting) release(entry);
  };
  const focused = ({ target }: Event) => {
    for (const entry of waiting) if (entry.element.contains(target as Node)) release(entry);
  };
  const unwatch = watchLayout(scenes, scroller, () => {
    if (prefersStillness()) showAll();
    for (const entry of waiting) renew(entry);
    later();
  });
  const root = first.getRootNode();
  scroller.target.addEventListener("scroll", later, { passive: true });
  addEventListener("beforeprint", showAll);
  root.addEventListener("focusin", focused);
  const stop = () => {
    cancelAnimationFrame(frame);
    unwatch();
    scroller.target.removeEventListener("scroll", later);
    removeEventListener("beforeprint", showAll);
    root.removeEventListener("focusin", focused);
  };
  if (waiting.length === 0) stop();
  else later();
  return {
    dispose() {
      showAll();
      stop();
      for (const step of undo) step();
    },
  };
}

/** The scroll position of a cue's moment, within what can be scrolled. */
function momentOf(
  { element, scene, cue }: Pick<Waiting, "element" | "scene" | "cue">,
  scroller: Scroller,
): number {
  if (cue?.at === "load") return Number.NEGATIVE_INFINITY;
  const top = scroller.topOf(scene);
  const viewport = scroller.viewport();
  const scrollHeight = scroller.scrollHeight();
  const around = { viewport, height: scene.getBoundingClientRect().height, top, scrollHeight };
  const p = positionOf(cue?.at ?? "entry 30%", cue?.of ?? "layer", { ...around, element, scene });
  return Math.min(p - viewport + top, scrollHeight - viewport - 1);
}

/** Puts an element where its cue comes from and keeps it there. */
function comesFrom(element: HTMLElement, cue: Cue | undefined): Animation[] {
  const animations = cue ? animate(element, cue, 0) : [];
  for (const animation of animations) animation.pause();
  return animations;
}

/** Plays a cue; gives what ends it at once. */
function play(element: HTMLElement, cue: Cue, done: () => void): () => void {
  const text = cue.pieces && splitElement(element, cue.pieces);
  const groups =
    text?.groups ??
    (isMarked(element, "group") && cue.stagger ? childrenOf(element).map((child) => [child]) : [[element]]);
  const { stagger = cue.pieces ? 40 : 0 } = cue;
  const animations = groups.flatMap((group, index) =>
    group.flatMap((piece) => animate(piece, cue, index * stagger)),
  );
  const end = () => {
    for (const animation of animations) animation.cancel();
    text?.restore();
  };
  Promise.allSettled(animations.map(({ finished }) => finished)).then((results) => {
    text?.restore();
    if (results.every(({ status }) => status === "fulfilled")) done();
  });
  return end;
}

/** From what a cue says to how the element is by itself: whatever moves it goes on underneath. */
function animate(element: HTMLElement, cue: Cue, wait: number): Animation[] {
  const { from, duration = 700, delay = 0, easing = "ease-out" } = cue;
  const { opacity, blur, clip } = from;
  const timing: KeyframeAnimationOptions = { duration, delay: delay + wait, easing, fill: "backwards" };
  const shown: Keyframe = {
    ...(opacity !== undefined && { opacity }),
    ...(blur !== undefined && { filter: `blur(${blur})` }),
  };
  const moved = ["x", "y", "rotate", "scale"].some((key) => key in from);
  const played = (keyframes: Keyframe[], more: KeyframeAnimationOptions = {}): Animation[] => {
    try {
      return [element.animate(keyframes, { ...timing, ...more })];
    } catch {
      // What no browser can play is not played: an easing that is none, a duration that is no number.
      return [];
    }
  };
  return [
    ...(moved
      ? played([{ transform: transformOf(from) }, { transform: transformOf({}) }], { composite: "add" })
      : []),
    ...(Object.keys(shown).length > 0 ? played([shown, {}]) : []),
    ...(clip !== undefined ? played([{ clipPath: `inset(${clip})` }, { clipPath: "inset(0)" }]) : []),
  ];
}

const transformOf = ({ x = 0, y = 0, rotate = 0, scale = 1 }: Cue["from"]) =>
  `translate(${x === 0 ? "0px" : x}, ${y === 0 ? "0px" : y}) rotate(${rotate}deg) scale(${scale})`;

/** The cue of an element that its page's rules leave it; nothing where there is none. */
export function readCue(element: HTMLElement): Cue | undefined {
  const cues: Partial<Cue & { media: string }>[] = [parsed(element.dataset.lumbitCue)].flat().map(Object);
  const cue = cues.findLast(({ media }) => !media || viewOf(element).matchMedia(media).matches);
  return Object.keys(Object(cue?.from)).length > 0 ? (cue as Cue) : undefined;
}

/** What an attribute says; who adopts markup tells what is wrong with it. */
function parsed(text = "[]"): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return [];
  }
}
