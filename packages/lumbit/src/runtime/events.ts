import type { Scroller } from "./scroller.ts";

/** What programs are told of scenes. */
export interface SceneEvents {
  /** Any part of the scene has come into view. */
  enter: { scene: HTMLElement };
  /** The last of it has gone out of view. */
  leave: { scene: HTMLElement };
  /** How much of its passage is over, 0 to 1; once a frame while it is in view and the page scrolls. */
  progress: { scene: HTMLElement; progress: number };
  /** A cue has played to its end. */
  cue: { scene: HTMLElement; layer: HTMLElement };
  /** Another slide of a reel is the one in view. */
  slide: { scene: HTMLElement; slide: HTMLElement };
}

export type Listener<Type extends keyof SceneEvents> = (event: SceneEvents[Type]) => void;

/** Tells those who listen, and watches nothing for nobody. */
export interface Announcer {
  /** Calls back at every event of a type; what it gives stops that. */
  on<Type extends keyof SceneEvents>(type: Type, listener: Listener<Type>): () => void;
  tell<Type extends keyof SceneEvents>(type: Type, event: SceneEvents[Type]): void;
  dispose(): void;
}

export function announcer(scenes: readonly HTMLElement[], scroller: Scroller | undefined): Announcer {
  const listeners: { [Type in keyof SceneEvents]: Set<Listener<Type>> } = {
    enter: new Set(),
    leave: new Set(),
    progress: new Set(),
    cue: new Set(),
    slide: new Set(),
  };
  const tell: Announcer["tell"] = (type, event) => {
    for (const listener of listeners[type])
      try {
        (listener as Listener<typeof type>)(event);
      } catch (error) {
        // Others listen too.
        reportError(error);
      }
  };
  const inView = new Set<Element>();
  let views: IntersectionObserver | undefined;
  let frame = 0;
  const tellProgress = () => {
    frame = 0;
    if (!scroller) return;
    const [position, viewport] = [scroller.position(), scroller.viewport()];
    for (const scene of scenes) {
      if (!inView.has(scene)) continue;
      const length = viewport + scene.getBoundingClientRect().height;
      const progress = (viewport + position - scroller.topOf(scene)) / length;
      tell("progress", { scene, progress: Math.min(Math.max(progress, 0), 1) });
    }
  };
  const scrolled = () => {
    frame ||= requestAnimationFrame(tellProgress);
  };
  /** Watches as long as anyone listens to what it is for. */
  const watch = () => {
    const wanted = listeners.enter.size + listeners.leave.size + listeners.progress.size > 0;
    if (wanted && !views) {
      views = new IntersectionObserver(
        (entries) => {
          for (const { target, isIntersecting } of entries) {
            if (isIntersecting === inView.has(target)) continue;
            if (isIntersecting) inView.add(target);
            else inView.delete(target);
            tell(isIntersecting ? "enter" : "leave", { scene: target as HTMLElement });
          }
          if (listeners.progress.size > 0) scrolled();
        },
        { root: scroller?.box },
      );
      for (const scene of scenes) views.observe(scene);
    }
    if (!wanted) {
      views?.disconnect();
      views = undefined;
      inView.clear();
    }
    if (listeners.progress.size > 0) scroller?.target.addEventListener("scroll", scrolled, { passive: true });
    else scroller?.target.removeEventListener("scroll", scrolled);
  };
  return {
    tell,
    on(type, listener) {
      listeners[type].add(listener);
      watch();
      return () => {
        listeners[type].delete(listener);
        watch();
      };
    },
    dispose() {
      for (const set of Object.values(listeners)) set.clear();
      cancelAnimationFrame(frame);
      watch();
    },
  };
}
