import type { Theme } from "./drawing.ts";

/** What is nearer than this speed looks the same: a colour goes by the speed that a depth comes to, so near ones part. */
const nearest = 1.7;

/** How near a layer looks, for its colour. */
export const nearness = (speed: number): number => Math.min(speed, nearest);

/** Colours by nearness: those of cividis, which reads the same to the colour-blind. */
export const depthColors = (theme: Theme) => ({
  type: "linear" as const,
  scheme: "cividis" as const,
  domain: [0, nearest],
  // Both ends stand out from the ground.
  range: theme === "dark" ? [0.32, 1] : [0.78, 0],
});

/** What the colours mean. */
export const depthNote = (theme: Theme): string =>
  theme === "dark" ? "near layers bright, far ones dim" : "near layers dark, far ones pale";
