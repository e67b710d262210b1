/**
 * The scroll distance during which any part of a scene is in the viewport. A position in it, p, counts scrolled
 * pixels from the moment the scene's top edge touches the bottom of the viewport.
 */
export interface Passage {
  /** Viewport height V in px. */
  viewport: number;
  /** Scene height H in px. */
  scene: number;
  /** L: how long the scene stays put once its top has reached that of the viewport, in px. */
  hold: number;
  /** V + H + L: p at the moment the scene has left. */
  length: number;
  /** The least p that the document's scroll range allows. */
  lo: number;
  /** The largest p that the document's scroll range allows; never below `lo`. */
  hi: number;
}

/** What the passage of a scene depends on, in px. */
export interface PassageInput {
  viewport: number;
  scene: number;
  hold: number;
  /** The page above the scene. */
  before: number;
  /** The page below the scene. */
  after: number;
}

/** The passage of a scene and the part of it that can be reached by scrolling. */
export function passageOf({ viewport, scene, hold, before, after }: PassageInput): Passage {
  const length = viewport + scene + hold;
  const lo = Math.max(0, viewport - before);
  return { viewport, scene, hold, length, lo, hi: Math.max(lo, Math.min(length, scene + hold + after)) };
}

/** How far the scene's top is above that of the viewport at position p, in px: it stops while the scene holds. */
export const passedAt = ({ viewport, hold }: Pick<Passage, "viewport" | "hold">, p: number): number =>
  Math.min(p - viewport, 0) + Math.max(0, p - viewport - hold);
