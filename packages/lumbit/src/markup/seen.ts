import type { Declarations } from "./tree.ts";

/** How something looks: its opacity, its blur radius in px, its turn in degrees. */
export const seenCss = ({
  opacity,
  blur,
  rotate,
}: Record<"opacity" | "blur" | "rotate", number>): Declarations => ({
  opacity,
  "--lumbit-opacity": opacity,
  filter: `blur(${blur}px)`,
  "--lumbit-focus": `${blur}px`,
  rotate: `${rotate}deg`,
  "--lumbit-rotate": `${rotate}deg`,
});
