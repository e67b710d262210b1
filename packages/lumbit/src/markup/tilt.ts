import type { GroupLayer } from "../core/index.ts";
import type { Declarations } from "./tree.ts";

/** How a group turns towards the pointer, as custom properties. */
export const tiltCss = ({
  tilt,
  tiltOver,
  perspective,
}: Pick<GroupLayer, "tilt" | "tiltOver" | "perspective">): Declarations => ({
  "--lumbit-tilt": tilt,
  "--lumbit-tilt-over": tiltOver,
  "--lumbit-perspective": perspective,
});
