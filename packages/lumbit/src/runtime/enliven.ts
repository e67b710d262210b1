import { playCues } from "./cues.ts";
import { type Driver, supportsNative, watchLayout } from "./driver.ts";
import { measureEdges } from "./edges.ts";
import { type Announcer, announcer } from "./events.ts";
import type { StyleChange } from "./kept-sheets.ts";
import { measureLines } from "./lines.ts";
import { followReels } from "./reel.ts";
import { scriptedDriver } from "./scripted.ts";
import { scrollerOf } from "./scroller.ts";
import type { StyleWriter } from "./style-writer.ts";
import { type Sway, swayScenes } from "./sway.ts";
import { playVideos } from "./videos.ts";

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
  let sway: Sway | undefined;
  const setEdges = () => {
    restyle();
    measureEdges(scenes, styles);
    scenes.forEach(measureLines);
    measure?.();
    sway?.refresh();
  };
  setEdges();
  const first = scenes[0];
  const [scripted, ...more] = scenes.filter((scene) => driverOf(scene) === "scripted");
  const native = scenes.filter((scene) => driverOf(scene) === "native");
  const moving = scripted && scriptedDriver([scripted, ...more], { smoothing, watched: false });
  const refresh = () => {
    setEdges();
    moving?.refresh();
  };
  const unwatch = first
    ? watchLayout([...scenes, ...(measured?.() ?? [])], scrollerOf(first), refresh)
    : () => {};

  sway = swayScenes(scenes);
  const events = announcer(scenes, first && scrollerOf(first));
  const cues = playCues(scenes, (layer) =>
    events.tell("cue", { scene: layer.closest("[data-lumbit-scene]") as HTMLElement, layer }),
  );
  const videos = playVideos([...scenes, ...(backdrop ? [backdrop] : [])]);
  const reels = followReels(scenes, (slide) =>
    events.tell("slide", { scene: slide.closest("[data-lumbit-scene]") as HTMLElement, slide }),
  );

  return {
    driver: native.length > 0 || !first ? "native" : "scripted",
    on: events.on,
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
      // What a sheet does follows by itself.
      if (change.length > 0) moving?.refresh(change === "rules" ? undefined : change);
    },
    pause() {
      moving?.pause();
      for (const animation of native.flatMap(animationsIn)) animation.pause();
    },
    resume() {
      moving?.resume();
      for (const animation of native.flatMap(animationsIn)) animation.play();
    },
    dispose() {
      reels.dispose();
      videos.dispose();
      cues.dispose();
      sway.dispose();
      events.dispose();
      moving?.dispose();
      unwatch();
    },
  };
}

const animationsIn = (scene: Element) =>
  scene
    .getAnimations({ subtree: true })
    .filter((animation) => animation.timeline !== scene.ownerDocument.timeline);
