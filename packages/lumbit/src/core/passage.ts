import { type Arithmetic, numbers } from "./arithmetic.ts";

/** What the passage of a scene depends on, in px. */
export interface PassageInput<T = number> {
  /** Viewport height V. */
  viewport: T;
  /** Scene height H. */
  scene: T;
  /** L: how long the scene stays put once its top has reached that of the viewport. */
  hold: T;
  /** The page above the scene. */
  before: T;
  /** The page below the scene. */
  after: T;
}

/**
 * The scroll distance during which any part of a scene is in the viewport. A position in it, p, counts scrolled
 * pixels from the moment the scene's top edge touches the bottom of the viewport. All in px.
 */
export interface Passage<T = number> extends Pick<PassageInput<T>, "viewport" | "scene" | "hold"> {
  /** V + H + L: p at the moment the scene has left. */
  length: T;
  /** The least p that the document's scroll range allows. */
  lo: T;
  /** The largest p that the document's scroll range allows; never below `lo`. */
  hi: T;
}

/** V + H + L. */
export const passageLength = <T>(
  a: Arithmetic<T>,
  { viewport, scene, hold }: Omit<Passage<T>, "length" | "lo" | "hi">,
) => a.add(viewport, scene, hold);

/** The least p that can be reached where so much of the page is above the scene. */
export const leastReached = <T>(
  a: Arithmetic<T>,
  { viewport, before }: Pick<PassageInput<T>, "viewport" | "before">,
) => a.max(a.px(0), a.subtract(viewport, before));

/** The largest p that can be reached where so much of the page is below the scene. */
export const mostReached = <T>(
  a: Arithmetic<T>,
  { scene, hold, after }: Pick<PassageInput<T>, "scene" | "hold" | "after">,
  { length, lo }: Pick<Passage<T>, "length" | "lo">,
) => a.max(lo, a.min(length, a.add(scene, hold, after)));

/** The passage of a scene and the part of it that can be reached by scrolling, in px. */
export function passageOf(input: PassageInput): Passage {
  const { viewport, scene, hold } = input;
  const length = passageLength(numbers, input);
  const lo = leastReached(numbers, input);
  return { viewport, scene, hold, length, lo, hi: mostReached(numbers, input, { length, lo }) };
}

/** How far the scene's top is above that of the viewport at position p: it stops while the scene holds. */
export const passed = <T>(
  a: Arithmetic<T>,
  { viewport, hold }: Pick<Passage<T>, "viewport" | "hold">,
  p: T,
): T => a.add(a.min(a.subtract(p, viewport), a.px(0)), a.max(a.px(0), a.subtract(p, viewport, hold)));
