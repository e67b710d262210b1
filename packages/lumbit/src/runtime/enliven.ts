import { type Driver, supportsNative, watchLayout } from "./driver.ts";
import { measureEdges } from "./edges.ts";
import type { Announcer } from "./events.ts";
import type { StyleChange } from "./kept-sheets.ts";
import { announcing, cueing, filming, focusing, reeling, scripting, swaying, withPart } from "./parts.ts";
import type { ScriptedDriver } from "./scripted.ts";
import { scrollerOf } from "./scroller.ts";
import type { StyleWriter } from "./style-writer.ts";
import type { Sway } from "./sway.ts";

/** A mounted scene, or all scenes of an element's markup or of a page. */
export interface Mounted extends Driver, Pick<Announcer, "on"> {
  driver: "native" | "scripted";
  /**
   * Scrolls to the settle moment of a scene, by its name or id, or of the first; the address gets its id as fragment.
   *
   * @throws RangeError when no scene has that name
   */
  jump(scene?: string): void;
}

/** Scenes that move, and what their maker tells them. */
export interface Live extends Mounted {
  /** Goes by another style from now on. */
  follow(change: StyleChange): void;
}

/** The driver that is asked for, or the best that this browser has. */
export const driverFor = (
  wanted: "auto" | "native" | "scripted" = "auto",
  smoothing = 0,
): "native" | "scripted" =>
  wanted === "auto" ? (supportsNative() && smoothing === 0 ? "native" : "scripted") : wanted;

/** Scenes that stand in a document, and what their style needs to be kept right. */
export interface Staged {
  scenes: readonly HTMLElement[];
  /** What lies behind all scenes. */
  backdrop?: Element | undefined;
  driverOf(scene: HTMLElement): "native" | "scripted";
  /** Where what is measured is written. */
  styles: StyleWriter;
  /** Brings the style up to date where other rules hold than before, or other sizes. */
  restyle(): void;
  /** Measures more, once it is known where the scenes lie. */
  measure?(): void;
  /** Elements besides the scenes whose size matters. */
  measured?(): Element[];
}

/** Moves scenes that are built and styled, and plays their cues, reels and films. */
export function enliven(
  { scenes, backdrop, driverOf, styles, restyle, measure, measured }: Staged,
  { smoothing }: { smoothing: number },
): Live {
  for (const scene of scenes)
    if (scene.dataset.lumbitDriver !== driverOf(scene)) scene.dataset.lumbitDriver = driverOf(scene);
  const first = scenes[0];
  const [scripted, ...more] = scenes.filter((scene) => driverOf(scene) === "scripted");
  const native = scenes.filter((scene) => driverOf(scene) === "native");
  const running: { dispose(): void }[] = [];
  let isOver = false;
  let isPaused = false;
  /** Has a part run as soon as it is there. */
  const run: typeof withPart = (part, start) =>
    withPart(part, (own) => {
      if (!isOver) start(own);
    });
  const keep = <Own extends { dispose(): void }>(own: Own): Own => {
    running.push(own);
    return own;
  };
  const drawn = backdrop ? [...scenes, backdrop] : scenes;
  const has = (selector: string) => drawn.some((part) => part.querySelector(selector));

  let asking: ReturnType<typeof setTimeout> | undefined;
  let sway: Sway | undefined;
  let isSwayAsked = false;
  const followPointer = () => {
    sway?.refresh();
    if (isSwayAsked || !scenes.some(asksForPointer)) return;
    isSwayAsked = true;
    run(swaying, ({ swayScenes }) => {
      sway = keep(swayScenes(scenes));
    });
  };
  const setEdges = () => {
    restyle();
    measureEdges(scenes, styles);
    measure?.();
  };
  setEdges();
  let moving: ScriptedDriver | undefined;
  if (scripted)
    run(scripting, ({ scriptedDriver }) => {
      moving = keep(scriptedDriver([scripted, ...more], { smoothing, watched: false }));
      if (isPaused) moving.pause();
    });
  const refresh = () => {
    setEdges();
    followPointer();
    moving?.refresh();
  };
  const scroller = first && scrollerOf(first);
  const unwatch = scroller ? watchLayout([...scenes, ...(measured?.() ?? [])], scroller, refresh) : () => {};

  followPointer();
  let events: Announcer | undefined;
  const sceneOf = (element: Element) => element.closest("[data-lumbit-scene]") as HTMLElement;
  if (has("[data-lumbit-cue]"))
    run(cueing, ({ playCues }) => {
      keep(playCues(scenes, (layer) => events?.tell("cue", { scene: sceneOf(layer), layer })));
    });
  if (has("[data-lumbit-video]"))
    run(filming, ({ playVideos }) => {
      keep(playVideos(drawn));
    });
  if (has("[data-lumbit-is~=reel]"))
    run(reeling, ({ followReels }) => {
      keep(followReels(scenes, (slide) => events?.tell("slide", { scene: sceneOf(slide), slide })));
    });
  for (const scene of scenes)
    scene.addEventListener(
      "focusin",
      () => run(focusing, ({ followFocus }) => keep(followFocus(scene, scroller?.box))),
      { once: true },
    );

  return {
    driver: native.length > 0 || !first ? "native" : "scripted",
    on(type, listener) {
      let stop: (() => void) | undefined;
      let isStopped = false;
      run(announcing, ({ announcer }) => {
        events ??= keep(announcer(scenes, scroller));
        if (!isStopped) stop = events.on(type, listener);
      });
      return () => {
        isStopped = true;
        stop?.();
      };
    },
    jump(name) {
      const scene = scenes.find(
        ({ dataset, id }) => name === undefined || dataset.lumbitScene === name || id === name,
      );
      if (!scene) throw new RangeError(`there is no scene "${name}" here`);
      // A link to a scene of existing markup goes where it went before; this goes to its settle moment.
      scene.setAttribute("data-lumbit-jump", "");
      scene.scrollIntoView({ block: "start" });
      scene.removeAttribute("data-lumbit-jump");
      if (scene.id && location.hash !== `#${scene.id}`) history.pushState(null, "", `#${scene.id}`);
    },
    refresh,
    follow(change) {
      if (change.length === 0) return;
      // What a sheet does follows by itself.
      moving?.refresh(change === "rules" ? undefined : change);
      // Whether anything goes with the pointer is asked once for many changes: it is read off the style.
      clearTimeout(asking);
      asking = setTimeout(followPointer, 100);
    },
    pause() {
      isPaused = true;
      moving?.pause();
      for (const animation of native.flatMap(animationsIn)) animation.pause();
    },
    resume() {
      isPaused = false;
      moving?.resume();
      for (const animation of native.flatMap(animationsIn)) animation.play();
    },
    dispose() {
      isOver = true;
      clearTimeout(asking);
      for (const part of running.reverse()) part.dispose();
      unwatch();
    },
  };
}

const animationsIn = (scene: Element) =>
  scene
    .getAnimations({ subtree: true })
    .filter((animation) => animation.timeline !== scene.ownerDocument.timeline);

/** Whether a scene has anything that goes with the pointer: a camera that sways, groups that tilt. */
function asksForPointer(scene: HTMLElement): boolean {
  const says = (name: string) => (element: Element) =>
    Number.parseFloat(getComputedStyle(element).getPropertyValue(`--lumbit-${name}`)) > 0;
  return (
    says("sway")(scene) ||
    [...scene.querySelectorAll("[data-lumbit-is~=group], [data-lumbit-tilt]")].some(says("tilt"))
  );
}
