import type { Reel } from "./reel.ts";

/** Viewports narrower than this, in px, swipe reels instead of travelling along them. */
export const swipeWidth = 600;

/** Whether slides are swiped on a screen so many px wide. */
export const isSwiped = ({ narrow }: Reel, width: number): boolean =>
  width < swipeWidth && narrow !== "travel";
