import { playCues } from "./cues.ts";
import { type Driver, supportsNative, watchLayout } from "./driver.ts";
import { measureEdges } from "./edges.ts";
import { type Announcer, announcer } from "./events.ts";
import { measureLines } from "./lines.ts";
import { followReels } from "./reel.ts";
import { scriptedDriver } from "./scripted.ts";
import { scrollerOf } from "./scroller.ts";
import { type Sway, swayScenes } from "./sway.ts";

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

/** The driver that is asked for, or the best that this browser has. */
export const driverFor = (
  wanted: "auto" | "native" | "scripted" = "auto",
  smoothing = 0,
): "native" | "scripted" =>
  wanted === "auto" ? (supportsNative() && smoothing === 0 ? "native" : "scripted") : wanted;

/** Moves scenes that are built and styled, and plays their cues and reels. */
export function enliven(
  scenes: readonly HTMLElement[],
  { driver, smoothing, restyle }: { driver: "native" | "scripted"; smoothing: number; restyle: () => void },
): Mounted {
  for (const scene of scenes) scene.dataset.lumbitDriver = driver;
  let sway: Sway | undefined;
  const setEdges = () => {
    restyle();
    scenes.forEach(measureEdges);
    scenes.forEach(measureLines);
    sway?.refresh();
  };
  setEdges();
  const moving =
    driver === "scripted" ? scriptedDriver(scenes, { smoothing, beforeMeasure: setEdges }) : undefined;
  const first = scenes[0];
  const unwatch = first && !moving ? watchLayout(scenes, scrollerOf(first), setEdges) : () => {};

  sway = swayScenes(scenes);
  const events = announcer(scenes, first && scrollerOf(first));
  const cues = playCues(scenes, (layer) =>
    events.tell("cue", { scene: layer.closest("[data-lumbit-scene]") as HTMLElement, layer }),
  );
  const reels = followReels(scenes, (slide) =>
    events.tell("slide", { scene: slide.closest("[data-lumbit-scene]") as HTMLElement, slide }),
  );

  return {
    driver,
    on: events.on,
    jump(name) {
      const scene = scenes.find(
        ({ dataset, id }) => name === undefined || dataset.lumbitScene === name || id === name,
      );
      if (!scene) throw new RangeError(`there is no scene "${name}" here`);
      scene.scrollIntoView({ block: "start" });
      if (scene.id && location.hash !== `#${scene.id}`) history.pushState(null, "", `#${scene.id}`);
    },
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
      reels.dispose();
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
