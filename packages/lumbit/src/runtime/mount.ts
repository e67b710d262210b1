import type { PageLook, Scene, TextLayer } from "../core/index.ts";
import {
  type Declarations,
  modelCss,
  motionConditions,
  nativeCss,
  type Picture,
  pageRules,
  reachCss,
  ruleCss,
  sceneElement,
  sceneRules,
  sceneSelector,
} from "../markup/index.ts";
import { layerStyle, layersIn, sceneStyle } from "./attributes.ts";
import { type Driver, supportsNative, watchLayout } from "./driver.ts";
import { liveElement, rememberAttributes } from "./live.ts";
import { scriptedDriver } from "./scripted.ts";
import { type Scroller, scrollerOf } from "./scroller.ts";
import { adoptSheet } from "./sheet.ts";

export interface MountOptions {
  /** The scene to build in the element; without it the element's own markup is used. */
  scene?: Scene;
  /** What the page gives the scene: relief, camera, haze, focus. */
  page?: PageLook;
  /** `native` needs no script while scrolling; `auto` (default) takes it where the browser has it. */
  driver?: "auto" | "native" | "scripted";
  /** Half-life in milliseconds of the layers' way to where the scroll has them. Scripted only; 0 by default. */
  smoothing?: number;
}

/** A mounted scene, or all scenes of an element's markup. */
export interface Mounted extends Driver {
  driver: "native" | "scripted";
}

/**
 * Brings an element's scenes to life: a scene given as an object is built in it; without one, the element or
 * elements in it with `data-lumbit-scene` are scenes and what is in them with `data-lumbit-depth` and the like are
 * their layers. Mounting an element again replaces what was mounted there.
 *
 * @throws AttributeError when an attribute has a wrong value; nothing is changed then
 */
export function mount(element: HTMLElement, options: MountOptions = {}): Mounted {
  const { smoothing = 0, driver: wanted = "auto" } = options;
  const driver = wanted === "auto" ? (supportsNative() && smoothing === 0 ? "native" : "scripted") : wanted;
  mounted.get(element)?.dispose();
  const undo: (() => void)[] = [];
  const built = options.scene && build(element, options.scene, options.page ?? {}, undo);
  const scenes = built ? [element] : adopt(element, driver === "native", undo);
  for (const scene of scenes) scene.dataset.lumbitDriver = driver;
  const setEdges = () => {
    built?.restyle();
    scenes.forEach(measureEdges);
  };
  setEdges();
  const moving =
    driver === "scripted" ? scriptedDriver(scenes, { smoothing, beforeMeasure: setEdges }) : undefined;
  const first = scenes[0];
  const unwatch = first && !moving ? watchLayout(scenes, scrollerOf(first), setEdges) : () => {};

  const handle: Mounted = {
    driver,
    refresh() {
      if (moving) moving.refresh();
      else setEdges();
    },
    pause() {
      moving?.pause();
      for (const animation of moving ? [] : scenes.flatMap(animationsIn)) animation.pause();
    },
    resume() {
      moving?.resume();
      for (const animation of moving ? [] : scenes.flatMap(animationsIn)) animation.play();
    },
    dispose() {
      if (mounted.get(element) === handle) mounted.delete(element);
      moving?.dispose();
      unwatch();
      for (const step of undo.splice(0).reverse()) step();
    },
  };
  mounted.set(element, handle);
  return handle;
}

const mounted = new WeakMap<Element, Mounted>();

const animationsIn = (scene: Element) =>
  scene
    .getAnimations({ subtree: true })
    .filter((animation) => animation.timeline !== scene.ownerDocument.timeline);

const liveCss = `${modelCss}
@media ${motionConditions.media} {${reachCss}
@supports ${motionConditions.supports} {${nativeCss}}}`;

/** Tells a scene where it lies in what is scrolled: the page above and below it, the viewport, its height. */
function measureEdges(scene: HTMLElement): void {
  const scroller = scrollerOf(scene);
  if (scene.dataset.lumbitWidth === "full") spread(scene, scroller);
  const top = scroller.topOf(scene);
  const { height } = scene.getBoundingClientRect();
  const edges = { v: scroller.viewport(), before: top, after: scroller.scrollHeight() - top - height };
  // The height of a built scene is what its style says; that of existing markup is what it turned out to be.
  const known = scene.classList.contains("lumbit-scene") ? edges : { ...edges, h: height };
  for (const [name, value] of Object.entries(known))
    scene.style.setProperty(`--lumbit-${name}`, `${Math.max(0, value)}px`);
  for (const pane of scene.querySelectorAll<HTMLElement>(".lumbit-adopted-pane")) {
    const box = pane.getBoundingClientRect();
    pane.style.setProperty("--lumbit-t", `${box.top - scene.getBoundingClientRect().top}px`);
    pane.style.setProperty("--lumbit-ph", `${box.height}px`);
  }
}

/** Lays a scene from edge to edge of what scrolls it, whatever container it sits in. */
function spread(scene: HTMLElement, scroller: Scroller): void {
  const container = scene.parentElement;
  if (!container) return;
  const { paddingLeft, paddingRight } = getComputedStyle(container);
  const left = container.getBoundingClientRect().left + container.clientLeft;
  const { left: from, width } = scroller.across();
  const before = left + Number.parseFloat(paddingLeft) - from;
  const after = from + width - (left + container.clientWidth - Number.parseFloat(paddingRight));
  Object.assign(scene.style, {
    width: "auto",
    maxWidth: "none",
    marginLeft: `${-before}px`,
    marginRight: `${-after}px`,
  });
}

/** Builds a scene in an element, and gives what styles it again when sizes of its pictures or letters have changed. */
function build(
  element: HTMLElement,
  scene: Scene,
  look: PageLook,
  undo: (() => void)[],
): { restyle: () => void } {
  const pictures: Record<string, Picture> = {};
  const find = (name: string) =>
    element.querySelector<HTMLElement>(`[data-lumbit-layer="${CSS.escape(name)}"]`);
  const assets = { pictures, fonts: {}, ems: (text: TextLayer) => emsOf(find(text.name)) };
  const plain = sceneElement(scene, look, false, assets);
  const styled = () =>
    [...pageRules(look, sceneSelector(scene)), ...sceneRules(scene, look, assets)]
      .map((rule) => (rule.motion ? `@media ${motionConditions.media} { ${ruleCss(rule)} }` : ruleCss(rule)))
      .join("\n");
  undo.push(rememberAttributes(element));
  undo.push(adoptSheet(element, liveCss));
  let current = "";
  let release = () => {};
  undo.push(() => release());
  const children = plain.children.map((child) =>
    typeof child === "string" ? new Text(child) : liveElement(child, element.ownerDocument),
  );
  element.prepend(...children);
  if (scene.width === "full") element.dataset.lumbitWidth = "full";
  undo.push(() => children.forEach((child) => void child.remove()));
  for (const [name, value] of Object.entries(plain.attributes)) {
    if (value === undefined) continue;
    if (name === "class") element.classList.add(...String(value).split(" "));
    else if (name !== "id" || !element.id) element.setAttribute(name, String(value));
  }
  const restyle = () => {
    for (const image of element.querySelectorAll("img"))
      if (image.naturalWidth > 0)
        pictures[image.getAttribute("src") ?? ""] = {
          url: "",
          width: image.naturalWidth,
          height: image.naturalHeight,
        };
    const style = styled();
    if (style === current) return;
    const before = release;
    release = adoptSheet(element, style);
    current = style;
    before();
  };
  // The load of a picture does not bubble, but it can be caught on its way down.
  element.addEventListener("load", restyle, true);
  undo.push(() => element.removeEventListener("load", restyle, true));
  // The letters of fitted texts have their shape once the first style is there.
  restyle();
  return { restyle };
}

/** How wide a text's widest line is, in font sizes, whatever moves or scales it. */
function emsOf(element: HTMLElement | null): number {
  if (!element?.firstChild) return 1;
  const range = element.ownerDocument.createRange();
  range.selectNodeContents(element);
  const { fontSize, width } = getComputedStyle(element);
  const scale = element.getBoundingClientRect().width / Number.parseFloat(width) || 1;
  const ems = range.getBoundingClientRect().width / scale / Number.parseFloat(fontSize);
  return Number(ems.toFixed(4)) || 1;
}

/** Takes scenes from existing markup. Everything is read before anything is written. */
function adopt(element: HTMLElement, native: boolean, undo: (() => void)[]): HTMLElement[] {
  const scenes = [
    ...(element.matches("[data-lumbit-scene]") ? [element] : []),
    ...element.querySelectorAll<HTMLElement>("[data-lumbit-scene]"),
  ];
  const styled = scenes.flatMap((scene): [HTMLElement, Declarations][] => [
    [scene, sceneStyle(scene)],
    ...layersIn(scene).map((layer): [HTMLElement, Declarations] => [layer, layerStyle(layer, native)]),
  ]);
  undo.push(adoptSheet(element, liveCss));
  for (const [styledElement, declarations] of styled) {
    undo.push(rememberAttributes(styledElement));
    for (const [name, value] of Object.entries(declarations))
      if (value !== undefined) styledElement.style.setProperty(name, String(value));
    if (scenes.includes(styledElement)) {
      styledElement.classList.add("lumbit-adopted");
      continue;
    }
    styledElement.classList.add("lumbit-drifts");
    if (styledElement.dataset.lumbitPane !== undefined) adoptPane(styledElement, undo);
  }
  return scenes;
}

/** Makes the box around a picture its pane. A box that was as high as the picture keeps the picture's proportions. */
function adoptPane(picture: HTMLElement, undo: (() => void)[]): void {
  const pane = picture.parentElement;
  if (!pane) return;
  undo.push(rememberAttributes(pane));
  const before = pane.getBoundingClientRect();
  pane.classList.add("lumbit-adopted-pane");
  if (getComputedStyle(pane).position === "static") pane.style.position = "relative";
  picture.classList.add("lumbit-reach");
  if (Math.abs(pane.getBoundingClientRect().height - before.height) > 0.5)
    pane.style.aspectRatio = `${before.width} / ${before.height}`;
}
