import { numbers } from "../core/arithmetic.ts";
import { backdropOffset } from "../core/backdrop.ts";
import { type Drift, driftAlong, driftFactor, type PushInput, pushed } from "../core/drift.ts";
import type { Moment } from "../core/moment.ts";
import { type PassageOf, rangeOf } from "../core/moment.ts";
import { cropCss } from "../markup/crop.ts";
import { type Driver, prefersStillness, watchLayout } from "./driver.ts";
import { isMarked } from "./marks.ts";
import { type Around, positionOf } from "./position.ts";
import { movingReachCss } from "./reach.ts";
import { scaleOf } from "./scale.ts";
import { type Scroller, scrollerOf } from "./scroller.ts";
import { adoptSheet } from "./sheet.ts";
import { approach } from "./smoothing.ts";
import { viewOf } from "./view.ts";

export interface ScriptedOptions {
  /** Milliseconds in which the layers make up half of their distance to where the scroll has them; 0 (default): none. */
  smoothing?: number;
  /** Whether it measures by itself when the layout changes; true by default. Without, `refresh` is for who does. */
  watched?: boolean;
}

/** A driver that can measure a part of what it moves. */
export interface ScriptedDriver extends Driver {
  /** Measures anew; of layers no more than those in `changed`, where that is given. */
  refresh(changed?: readonly Element[]): void;
}

/** A layer as it was measured: all that a frame needs. */
interface Moving {
  element: HTMLElement;
  drift: Drift;
  /** The position of the passage at which it stands where it was placed. */
  settle: number;
  ways: Played[];
  /** The positions of the passage between which its ramps can be seen: of what is in a slide, those of the slide. */
  from: number;
  to: number;
  /** How it scales as the camera nears it, by how far the passage has gone on since the settle moment. */
  push: PushInput<number>;
  /** What was written last. */
  x: number;
  y: number;
  scale: number;
  /** How many px of the screen a px of it is. */
  zoom: number;
  /** Whether it stands somewhere by itself, and whether it is a picture that is cropped to its pane. */
  stands: boolean;
  cropped: boolean;
  own: { translate: string; transform: string; willChange: string; clipPath: string };
}

/** One way of a ramp: the paused animation that it is, and the positions of the passage between which it runs. */
interface Played {
  animation: Animation;
  start: number;
  end: number;
  /** What was written last. */
  time?: number;
}

interface MovingScene {
  element: HTMLElement;
  layers: Moving[];
  top: number;
  settle: number;
  length: number;
  /** Out of view, and drawn as it rests there; `undefined` until it is drawn. */
  resting: boolean | undefined;
}

/**
 * Moves the layers of scenes by script. It measures once and again when the layout changes; while the page scrolls
 * it reads the scroll position alone, writes `translate` (and `transform`) of layers in view and sets the time of their
 * ramps, which are paused animations; it sleeps when nothing moves. What it needs to know of scenes and layers it takes
 * from their custom properties, so media rules and every kind of markup come to the same.
 */
export function scriptedDriver(
  elements: readonly [HTMLElement, ...HTMLElement[]],
  { smoothing = 0, watched = true }: ScriptedOptions = {},
): ScriptedDriver {
  const [first] = elements;
  const scroller = scrollerOf(first);
  const scenes = elements.map(
    (element): MovingScene => ({ element, layers: [], top: 0, settle: 0, length: 0, resting: undefined }),
  );
  // Whoever watches it otherwise has given it its style too.
  const release = watched ? adoptSheet(first, movingReachCss) : () => {};
  // The backdrop of a page is moved by the driver of its scenes.
  let behind: [HTMLElement, number][] = [];
  let viewport = 0;
  let position = 0;
  let frame = 0;
  let last = 0;
  let running = true;

  const drawAll = () => {
    for (const scene of scenes) drawScene(scene, position, viewport);
    for (const [backdrop, speed] of behind)
      backdrop.style.translate = `0 ${round(backdropOffset(numbers, speed, position))}px`;
  };
  const draw = (time: number) => {
    frame = 0;
    const target = scroller.position();
    position = approach(position, target, last ? time - last : 16, smoothing);
    last = time;
    drawAll();
    if (position === target) last = 0;
    else wake();
  };
  const wake = () => {
    if (running) frame ||= requestAnimationFrame(draw);
  };

  const rest = () => {
    for (const { layers } of scenes) layers.forEach(restore);
    for (const [backdrop] of behind) backdrop.style.translate = "";
  };
  const refresh = (changed?: readonly Element[]) => {
    const still = prefersStillness();
    if (still) rest();
    viewport = scroller.viewport();
    for (const scene of scenes) {
      scene.layers = still ? [] : measureScene(scene, scroller, changed);
      scene.resting = undefined;
    }
    behind =
      still || scroller.box
        ? []
        : [...document.querySelectorAll<HTMLElement>('[data-lumbit-backdrop="scripted"]')].map((backdrop) => [
            backdrop,
            Number.parseFloat(getComputedStyle(backdrop).getPropertyValue("--lumbit-speed")),
          ]);
    // What comes late on its way goes on so.
    if (!changed) position = scroller.position();
    drawAll();
  };
  const unwatch = watched ? watchLayout(elements, scroller, refresh) : () => {};

  scroller.target.addEventListener("scroll", wake, { passive: true });
  const pause = () => {
    running = false;
    cancelAnimationFrame(frame);
    frame = 0;
  };
  refresh();
  return {
    refresh,
    pause,
    resume() {
      running = true;
      wake();
    },
    dispose() {
      pause();
      unwatch();
      scroller.target.removeEventListener("scroll", wake);
      rest();
      release();
    },
  };
}

function measureScene(scene: MovingScene, scroller: Scroller, changed?: readonly Element[]): Moving[] {
  const known = new Map(scene.layers.map((layer) => [layer.element, layer]));
  const elements = [
    ...scene.element.querySelectorAll<HTMLElement>("[data-lumbit-is~=drifts], [data-lumbit-is~=ramped]"),
  ].filter((element) => element.closest("[data-lumbit-scene]") === scene.element);
  const rect = scene.element.getBoundingClientRect();
  scene.top = scroller.topOf(scene.element);
  const viewport = scroller.viewport();
  const common = {
    ...{ viewport, height: rect.height, top: scene.top, scrollHeight: scroller.scrollHeight() },
    zoom: scaleOf(scene.element),
  };
  const layers = elements.map(
    (element) =>
      (changed?.every((one) => !one.contains(element)) && known.get(element)) ||
      measureLayer(element, known.get(element), common, scene.element),
  );
  // A slide has a passage of its own.
  const own =
    elements.find((element) => !element.closest("[data-lumbit-is~=row], [data-lumbit-is~=settles]")) ??
    scene.element;
  const style = getComputedStyle(own);
  scene.settle = Number.parseFloat(style.getPropertyValue("--lumbit-settle")) || 0;
  scene.length = (Number.parseFloat(style.getPropertyValue("--lumbit-v")) || viewport) + rect.height;
  for (const [element, layer] of known) if (!elements.includes(element)) restore(layer);
  return layers;
}

function measureLayer(
  element: HTMLElement,
  known: Moving | undefined,
  around: Around & { zoom: number },
  scene: HTMLElement,
): Moving {
  const style = getComputedStyle(element);
  const number = (name: string, otherwise: number) => {
    const value = Number.parseFloat(style.getPropertyValue(`--lumbit-${name}`));
    return Number.isNaN(value) ? otherwise : value;
  };
  const speed = isMarked(element, "drifts") ? number("speed", 1) : 1;
  const k = driftFactor(numbers, number("page-relief", 1) * number("relief", 1), speed);
  const { innerWidth, innerHeight } = viewOf(element);
  // By the width of the screen: no number, but a formula of it.
  const direction = { x: number("ux", 0) * number("sideways", innerWidth / innerHeight), y: number("uy", 1) };
  const drift = driftAlong(numbers, k, direction, number("pan", 0));
  const push = speed === 0 || number("paned", 0) === 1 ? 0 : number("push", 0);
  const { translate, transform, willChange, clipPath } = element.style;
  const stands = ["own-x", "own-y", "shift-x", "shift-y"].some(
    (name) => Number.parseFloat(style.getPropertyValue(`--lumbit-${name}`)) !== 0,
  );
  return {
    element,
    drift,
    settle: isMarked(element, "follows")
      ? positionOf(
          `${style.getPropertyValue("--lumbit-settle-range")} ${style.getPropertyValue("--lumbit-settle-share")}` as Moment,
          "layer",
          { ...around, element, scene },
        )
      : number("settle", 0),
    ways: measureWays(element, style, around, scene),
    ...slideInView(element, around),
    push: { push, speed, length: number("v", around.viewport) + around.height, settle: 0 },
    // What stands somewhere by itself is drawn anew: where may have changed.
    x: stands ? Number.NaN : (known?.x ?? 0),
    y: stands ? Number.NaN : (known?.y ?? 0),
    scale: known?.scale ?? 1,
    ...{ zoom: around.zoom, stands, cropped: number("cropped", 0) === 1 },
    own: known?.own ?? { translate, transform, willChange, clipPath },
  };
}

function measureWays(
  element: HTMLElement,
  style: CSSStyleDeclaration,
  around: Around,
  scene: HTMLElement,
): Played[] {
  const ways = style.getPropertyValue("--lumbit-ways").trim();
  if (!ways || ways === "none") return [];
  const animations = element
    .getAnimations()
    .filter((animation) => (animation as CSSAnimation).animationName?.startsWith("lumbit-"));
  return ways.split(",").flatMap((way, index): Played[] => {
    const [of, from, start, to, end, late = 0] = way.trim().split(/\s+/) as [PassageOf, ...string[]];
    const animation = animations[index];
    const delay = Number(late) * (Number.parseFloat(style.getPropertyValue("--lumbit-late")) || 0);
    const at = (range = "", far = "") =>
      positionOf(
        `${range} ${far.endsWith("%") ? `${Number.parseFloat(far) + 100 * delay}%` : far}` as Moment,
        of,
        {
          ...around,
          element,
          scene,
        },
      );
    return animation ? [{ animation, start: at(from, start), end: at(to, end) }] : [];
  });
}

/** While what is in a slide is in view, or as near as another slide. */
function slideInView(element: HTMLElement, { viewport, height }: Around): Pick<Moving, "from" | "to"> {
  const slide = element.closest<HTMLElement>("[data-lumbit-is~=slide]");
  const row = slide?.parentElement;
  const reel = row?.parentElement;
  const first = row?.firstElementChild as HTMLElement;
  const travel = row && reel ? row.offsetWidth - reel.clientWidth : 0;
  // In the few reels that go the other way it is moved all the time: this driver is to stay small.
  if (!slide || !reel || travel <= 0 || isMarked(reel, "backwards")) return { from: -Infinity, to: Infinity };
  const [start, end] = rangeOf("contain", viewport, height);
  const left = slide.offsetLeft - first.offsetLeft;
  const at = (x: number) => start + (x / travel) * (end - start);
  return { from: at(left - reel.clientWidth - slide.offsetWidth), to: at(left + 2 * slide.offsetWidth) };
}

/** The time of a way at p, in ms: before its beginning or past its end where p is. */
const timeOf = ({ start, end }: Played, p: number) =>
  end > start
    ? Math.min(Math.max(((p - start) / (end - start)) * wayLength, -1), wayLength + 1)
    : p < end
      ? -1
      : wayLength + 1;
/** How long the paused animations of ramps are, in ms. */
const wayLength = 1000;

function drawScene(scene: MovingScene, position: number, viewport: number): void {
  const { layers, top, settle, length } = scene;
  const p = viewport + position - top;
  const out = p < 0 || p > length;
  if (out && scene.resting) return;
  if (out !== scene.resting)
    for (const { element, own } of layers) element.style.willChange = out ? own.willChange : "translate";
  scene.resting = out;
  const within = Math.min(Math.max(p, 0), length);
  for (const layer of layers) {
    const q = Math.min(Math.max(p, layer.from), layer.to);
    for (const way of layer.ways) {
      const time = timeOf(way, q);
      if (time !== way.time) way.animation.currentTime = way.time = time;
    }
    const x = layer.drift.x * (within - layer.settle);
    const y = layer.drift.y * (within - layer.settle);
    const { style } = layer.element;
    if (x !== layer.x || y !== layer.y) place(layer, x / layer.zoom, y / layer.zoom);
    const scale = layer.push.push ? scaleAt(layer.push, within - settle) : 1;
    if (scale !== layer.scale) style.transform = `scale(${scale})`;
    layer.x = x;
    layer.y = y;
    layer.scale = scale;
  }
}

function scaleAt(push: PushInput<number>, d: number): number {
  const { distance, nearer } = pushed(numbers, push, d);
  return distance / (distance - nearer);
}

/** Draws a layer so far, in px of its own, from where it lies in the page. */
function place({ element, stands, cropped }: Moving, x: number, y: number): void {
  const { style } = element;
  const at = (px: number, axis: string, more: readonly string[]) =>
    `calc(${[`${round(px)}px`, ...more.map((name) => `var(--lumbit-${name}-${axis})`)].join(" + ")})`;
  style.translate = stands
    ? `${at(x, "x", ["shift", "own"])} ${at(y, "y", ["shift", "own"])}`
    : `${round(x)}px ${round(y)}px`;
  if (cropped) style.clipPath = cropCss({ x: at(x, "x", ["shift"]), y: at(y, "y", ["shift"]) });
}

const round = (value: number) => Math.round(value * 1000) / 1000;

function restore({ element, own }: Moving): void {
  Object.assign(element.style, own);
  if (element.getAttribute("style") === "") element.removeAttribute("style");
}
