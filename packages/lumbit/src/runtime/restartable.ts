import type { Live, Mounted } from "./enliven.ts";
import type { Listener, SceneEvents } from "./events.ts";
import type { StyleChange } from "./kept-sheets.ts";

/** What has changed: elements, some of which are others now, or no more than their style. */
export type Change = "elements" | StyleChange;

/** What moves scenes, as it can be begun anew: those who listen stay. */
export function restartable(start: () => Live): Mounted & { restart(): void; follow(change: Change): void } {
  type Type = keyof SceneEvents;
  const listening = new Set<{ type: Type; listener: Listener<Type>; stop: () => void }>();
  let live = start();
  let isPaused = false;
  const restart = () => {
    live.dispose();
    live = start();
    if (isPaused) live.pause();
    for (const entry of listening) entry.stop = live.on(entry.type, entry.listener);
  };
  return {
    get driver() {
      return live.driver;
    },
    jump: (scene) => live.jump(scene),
    refresh: () => live.refresh(),
    pause() {
      isPaused = true;
      live.pause();
    },
    resume() {
      isPaused = false;
      live.resume();
    },
    on(type, listener) {
      const entry = { type, listener: listener as Listener<Type>, stop: live.on(type, listener) };
      listening.add(entry);
      return () => {
        entry.stop();
        listening.delete(entry);
      };
    },
    restart,
    follow(change) {
      if (change === "elements") restart();
      else live.follow(change);
    },
    dispose() {
      live.dispose();
      listening.clear();
    },
  };
}
