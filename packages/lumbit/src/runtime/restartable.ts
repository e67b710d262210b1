import type { Mounted } from "./enliven.ts";
import type { Listener, SceneEvents } from "./events.ts";

/** What moves scenes, as it can be begun anew: those who listen stay. */
export function restartable(start: () => Mounted): Mounted & { restart(): void } {
  type Type = keyof SceneEvents;
  const listening = new Set<{ type: Type; listener: Listener<Type>; stop: () => void }>();
  let live = start();
  return {
    get driver() {
      return live.driver;
    },
    jump: (scene) => live.jump(scene),
    refresh: () => live.refresh(),
    pause: () => live.pause(),
    resume: () => live.resume(),
    on(type, listener) {
      const entry = { type, listener: listener as Listener<Type>, stop: live.on(type, listener) };
      listening.add(entry);
      return () => {
        entry.stop();
        listening.delete(entry);
      };
    },
    restart() {
      live.dispose();
      live = start();
      for (const entry of listening) entry.stop = live.on(entry.type, entry.listener);
    },
    dispose() {
      live.dispose();
      listening.clear();
    },
  };
}
