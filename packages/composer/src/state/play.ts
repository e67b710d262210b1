import type { Composer } from "./store.ts";

/** How long a calm scroll through a scene takes, one way, in ms. */
const duration = 6000;

/** The share of a passage after so many ms of going through it and back, which begins at a share. */
export function shareAfter(elapsed: number, from: number): number {
  const way = (((elapsed / duration + from) % 2) + 2) % 2;
  return way <= 1 ? way : 2 - way;
}

/** Scrolls all stages calmly through the scene and back, until it is ended. */
export function play(composer: Composer): () => void {
  const { scene, moment } = composer.store.getState();
  const begun = performance.now();
  let frame = requestAnimationFrame(function step(now) {
    composer.goTo({ scene, share: shareAfter(now - begun, moment.share) });
    frame = requestAnimationFrame(step);
  });
  return () => cancelAnimationFrame(frame);
}
