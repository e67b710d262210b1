import type { Moment } from "../core/page.ts";
import { parseMoment, type ResolvedTravel, rangeOf, travelAt } from "../core/travel.ts";
import { type Driver, prefersStillness, watchLayout } from "./driver.ts";
import { reachSheet } from "./reach.ts";
import { type Scroller, scrollerOf } from "./scroller.ts";
import { approach } from "./smoothing.ts";

export interface ScriptedOptions {
  /** Milliseconds in which the layers make up half of their distance to where the scroll has them; 0 (default): none. */
  smoothing?: number;
  /** Called before each measurement, to bring up to date what the style depends on. */
  beforeMeasure?: () => void;
}

/** A layer as it was measured: all that a frame needs. */
interface Moving {
  element: HTMLElement;
  kx: number;
  ky: number;
  travel: ResolvedTravel | undefined;
  /** Camera nearness per px of the passage, and the layer's distance from the camera; 0 when it does not scale. */
  push: number;
  distance: number;
  /** What was written last. */
  x: number;
  y: number;
  scale: number;
  own: { translate: string; scale: string; willChange: string };
}

interface MovingScene {
  element: HTMLElement;
  layers: Moving[];
  top: number;
  settle: number;
  length: number;
  /** Out of view, and drawn as it rests there. */
  resting: boolean;
}

/**
 * Moves the layers of scenes by script. It measures once and again when the layout changes; while the page scrolls
 * it reads the scroll position alone and writes `translate` (and `scale`) of layers in view, and it sleeps when
 * nothing moves. What it needs to know of scenes and layers it takes from their custom properties, so media rules
 * and every kind of markup come to the same.
 */
export function scriptedDriver(
  elements: readonly HTMLElement[],
  { smoothing = 0, beforeMeasure }: ScriptedOptions = {},
): Driver {
  const first = elements[0];
  if (!first) return { refresh() {}, pause() {}, resume() {}, dispose() {} };
  const scroller = scrollerOf(first);
  const scenes = elements.map(
    (element): MovingScene => ({ element, layers: [], top: 0, settle: 0, length: 0, resting: false }),
  );
  // The backdrop of a page is moved by the driver of its scenes.
  const backdrops = scroller.box
    ? []
    : [...document.querySelectorAll<HTMLElement>('[data-lumbit-backdrop="scripted"]')];
  const release = reachSheet(first);
  let behind: [HTMLElement, number][] = [];
  let viewport = 0;
  let position = scroller.position();
  let frame = 0;
  let last = 0;
  let running = true;

  const draw = (time: number) => {
    frame = 0;
    const target = scroller.position();
    position = approach(position, target, last ? time - last : 16, smoothing);
    last = time;
    for (const scene of scenes) drawScene(scene, position, viewport);
    for (const [backdrop, k] of behind) backdrop.style.translate = `0 ${round(k * position)}px`;
    if (position === target) last = 0;
    else wake();
  };
  const wake = () => {
    if (running) frame ||= requestAnimationFrame(draw);
  };

  const measure = () => {
    beforeMeasure?.();
    const still = prefersStillness();
    viewport = scroller.viewport();
    for (const scene of scenes) {
      if (still) for (const layer of scene.layers) restore(layer);
      scene.layers = still ? [] : measureScene(scene, scroller);
      scene.resting = true;
    }
    for (const [backdrop] of behind) backdrop.style.translate = "";
    behind = still
      ? []
      : backdrops.map((backdrop) => [
          backdrop,
          1 - Number.parseFloat(getComputedStyle(backdrop).getPropertyValue("--lumbit-speed")),
        ]);
    position = scroller.position();
    for (const scene of scenes) drawScene(scene, position, viewport);
    for (const [backdrop, k] of behind) backdrop.style.translate = `0 ${round(k * position)}px`;
  };
  const unwatch = watchLayout(elements, scroller, measure);

  scroller.target.addEventListener("scroll", wake, { passive: true });
  measure();
  return {
    refresh: measure,
    pause() {
      running = false;
      cancelAnimationFrame(frame);
      frame = 0;
    },
    resume() {
      running = true;
      wake();
    },
    dispose() {
      running = false;
      cancelAnimationFrame(frame);
      unwatch();
      scroller.target.removeEventListener("scroll", wake);
      for (const { layers } of scenes) for (const layer of layers) restore(layer);
      for (const [backdrop] of behind) backdrop.style.translate = "";
      release();
    },
  };
}

function measureScene(scene: MovingScene, scroller: Scroller): Moving[] {
  const known = new Map(scene.layers.map((layer) => [layer.element, layer]));
  const elements = [...scene.element.querySelectorAll<HTMLElement>(".lumbit-drifts")].filter(
    (element) => element.closest("[data-lumbit-scene]") === scene.element,
  );
  const rect = scene.element.getBoundingClientRect();
  scene.top = scroller.topOf(scene.element);
  const viewport = scroller.viewport();
  const common = { viewport, height: rect.height, top: scene.top, scrollHeight: scroller.scrollHeight() };
  const layers = elements.map((element) => measureLayer(element, known.get(element), rect.top, common));
  const style = getComputedStyle(elements[0] ?? scene.element);
  scene.settle = Number.parseFloat(style.getPropertyValue("--lumbit-settle")) || 0;
  scene.length = (Number.parseFloat(style.getPropertyValue("--lumbit-v")) || viewport) + rect.height;
  for (const [element, layer] of known) if (!elements.includes(element)) restore(layer);
  return layers;
}

interface Around {
  viewport: number;
  height: number;
  top: number;
  scrollHeight: number;
}

function measureLayer(
  element: HTMLElement,
  known: Moving | undefined,
  sceneTop: number,
  around: Around,
): Moving {
  const style = getComputedStyle(element);
  const number = (name: string, otherwise: number) => {
    const value = Number.parseFloat(style.getPropertyValue(`--lumbit-${name}`));
    return Number.isNaN(value) ? otherwise : value;
  };
  const speed = number("speed", 1);
  const k = number("page-relief", 1) * number("relief", 1) * (1 - speed);
  const push = speed === 0 || element.classList.contains("lumbit-reach") ? 0 : number("push", 0);
  const { translate, scale, willChange } = element.style;
  return {
    element,
    kx: k * (number("ux", 0) + number("pan", 0)),
    ky: k * number("uy", 1),
    travel: measureTravel(element, style, known, sceneTop, around),
    push: push / (number("v", around.viewport) + around.height),
    distance: 1 / speed,
    x: known?.x ?? 0,
    y: known?.y ?? 0,
    scale: known?.scale ?? 1,
    own: known?.own ?? { translate, scale, willChange },
  };
}

function measureTravel(
  element: HTMLElement,
  style: CSSStyleDeclaration,
  known: Moving | undefined,
  sceneTop: number,
  around: Around,
): ResolvedTravel | undefined {
  const [startRange, startShare, endRange, endShare] = style
    .getPropertyValue("--lumbit-over")
    .trim()
    .split(/\s+/);
  if (!endShare) return undefined;
  const of = style.getPropertyValue("--lumbit-of").trim();
  const { offsetWidth, offsetHeight } = element;
  const offset = (name: string, whole: number) => {
    const text = style.getPropertyValue(`--lumbit-${name}`);
    return (Number.parseFloat(text) || 0) * (text.includes("%") ? whole / 100 : 1);
  };
  // Where it lies without the movement that was written to it.
  const top = element.getBoundingClientRect().top - sceneTop - (known?.y ?? 0);
  const at = (text: string) => {
    const { range, share } = parseMoment(text as Moment);
    if (of === "page") return share * (around.scrollHeight - around.viewport) + around.viewport - around.top;
    const [start, end] = rangeOf(range, around.viewport, of === "layer" ? offsetHeight : around.height);
    return start + share * (end - start) + (of === "layer" ? top : 0);
  };
  return {
    from: { x: offset("x0", offsetWidth), y: offset("y0", offsetHeight) },
    to: { x: offset("x1", offsetWidth), y: offset("y1", offsetHeight) },
    start: at(`${startRange} ${startShare}`),
    end: at(`${endRange} ${endShare}`),
  };
}

function drawScene(scene: MovingScene, position: number, viewport: number): void {
  const { layers, top, settle, length } = scene;
  const p = viewport + position - top;
  const out = p < 0 || p > length;
  if (out && scene.resting) return;
  if (out !== scene.resting)
    for (const { element, own } of layers) element.style.willChange = out ? own.willChange : "translate";
  scene.resting = out;
  const d = Math.min(Math.max(p, 0), length) - settle;
  for (const layer of layers) {
    const travel = layer.travel && travelAt(layer.travel, p);
    const x = layer.kx * d + (travel?.x ?? 0);
    const y = layer.ky * d + (travel?.y ?? 0);
    const { style } = layer.element;
    if (x !== layer.x || y !== layer.y) style.translate = `${round(x)}px ${round(y)}px`;
    const scale = layer.push ? layer.distance / (layer.distance - layer.push * d) : 1;
    if (scale !== layer.scale) style.scale = String(scale);
    layer.x = x;
    layer.y = y;
    layer.scale = scale;
  }
}

const round = (value: number) => Math.round(value * 1000) / 1000;

function restore({ element, own }: Moving): void {
  element.style.translate = own.translate;
  element.style.scale = own.scale;
  element.style.willChange = own.willChange;
  if (element.getAttribute("style") === "") element.removeAttribute("style");
}
