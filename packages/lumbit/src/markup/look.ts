import { type AnyLayer, blurAt, depthOf, hazedOpacity, type Motion, type PageLook } from "../core/index.ts";
import { type Declarations, round } from "./tree.ts";

/** How a layer looks by its own settings and by its depth; ramps go on from the custom properties. */
export function lookCss(
  layer: Motion & Pick<AnyLayer, "opacity" | "blur" | "rotate">,
  { haze, focus }: PageLook = {},
): Declarations {
  const depth = depthOf(layer);
  const opacity = round(hazedOpacity(depth, haze) * (layer.opacity ?? 1));
  const unfocused = blurAt(depth, focus, { width: 0, height: 0 });
  const blur = round(unfocused + Number.parseFloat(layer.blur ?? "0"));
  return {
    opacity,
    "--lumbit-opacity": opacity,
    filter: `blur(${blur}px)`,
    "--lumbit-focus": `${blur}px`,
    rotate: `${layer.rotate ?? 0}deg`,
    "--lumbit-rotate": `${layer.rotate ?? 0}deg`,
  };
}

/** How what is seen of a layer mixes with what is behind: of what has a pane, the pane. */
export const blendCss = ({ blend }: Pick<AnyLayer, "blend">): Declarations => ({ "mix-blend-mode": blend });
