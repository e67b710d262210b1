import { type AnyLayer, blurAt, depthOf, hazedOpacity, type Motion, type PageLook } from "../core/index.ts";
import { seenCss } from "./seen.ts";
import { type Declarations, round } from "./tree.ts";

/** How a layer looks by its own settings and by its depth; ramps go on from the custom properties. */
export function lookCss(
  layer: Motion & Pick<AnyLayer, "opacity" | "blur" | "rotate">,
  { haze, focus }: PageLook = {},
): Declarations {
  const depth = depthOf(layer);
  const unfocused = blurAt(depth, focus, { width: 0, height: 0 });
  return seenCss({
    opacity: round(hazedOpacity(depth, haze) * (layer.opacity ?? 1)),
    blur: round(unfocused + Number.parseFloat(layer.blur ?? "0")),
    rotate: layer.rotate ?? 0,
  });
}

/** What of a look is another than it was; for ramps only where there are any. */
export const changedLook = (look: Declarations, before: Declarations, ramped: boolean): Declarations =>
  Object.fromEntries(
    Object.entries(look).filter(
      ([name, value]) => value !== before[name] && (ramped || !name.startsWith("--")),
    ),
  );

/** How what is seen of a layer mixes with what is behind: of what has a pane, the pane. */
export const blendCss = ({ blend }: Pick<AnyLayer, "blend">): Declarations => ({ "mix-blend-mode": blend });
