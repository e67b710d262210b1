import type { LayerView } from "./view.ts";

/** How far a layer moves against its scene in what can be scrolled of it, in px, and how fast. */
export function movementOf({ layout, track }: LayerView): { distance: number; drift: number } {
  const drift = Math.hypot(layout.drift.x, layout.drift.y);
  const seen = track.filter(({ pose }) => pose.visible);
  const [first, last] = [seen[0], seen.at(-1)];
  return { drift, distance: first && last ? drift * (last.scroll - first.scroll) : 0 };
}
