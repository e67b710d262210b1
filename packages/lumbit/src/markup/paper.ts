import { type AnyLayer, hasPane, isGroup, isReel, type Scene, statesOf } from "../core/index.ts";
import { css, type Expression, print } from "./arithmetic.ts";
import { variable } from "./properties.ts";
import { lengthOf } from "./share.ts";
import { isHeld } from "./stage.ts";
import type { StyleRule } from "./tree.ts";

/*
 * On paper nothing can be scrolled or swiped: slides stand below each other, and what runs in a frame goes on below it. A
 * scene is as much higher there.
 */

export const paperCss = `
@media print {
  [data-lumbit-is~=reel], [data-lumbit-is~=pane]:has(> [data-lumbit-is~=group]) { overflow: visible; }
  [data-lumbit-is~=reel] > [data-lumbit-is~=row] { flex-direction: column; align-items: center; width: 100%; }
  [data-lumbit-is~=row] > [data-lumbit-is~=slide] { width: min(var(--lumbit-slide), 100cqw); height: 100cqh; break-inside: avoid; }
}
`;

/** The style of a scene on paper; nothing where it is as on a screen. */
export function paperRules(scene: Scene, selector: string): StyleRule[] {
  const longer = scene.layers.flatMap((layer) => statesOf(layer).flatMap((state) => longerBy(state)));
  if (longer.length === 0) return [];
  const more = print(css.max(css.px(0), ...longer));
  return [
    {
      selector: isHeld(scene) ? `${selector} > [data-lumbit-is~=held]` : selector,
      media: "print",
      // A border leaves the box that layers are placed in as it is.
      declarations: {
        "border-block-end": `${more} solid transparent`,
        ...(scene.content === undefined && { height: `calc(var(--lumbit-h) + ${more})` }),
        "box-sizing": "border-box",
        "background-origin": "border-box",
        overflow: "visible",
        "break-inside": "auto",
      },
    },
  ];
}

/** By how much a layer is longer on paper than on a screen. */
function longerBy(layer: AnyLayer): Expression[] {
  const height = variable("h");
  const own = lengthOf(layer.place?.height, height) ?? height;
  if (isReel(layer)) return [css.multiply(css.number(layer.layers.length - 1), own)];
  if (!isGroup(layer) || !hasPane(layer)) return [];
  const inside = lengthOf(layer.size?.height, own);
  return inside ? [css.subtract(inside, own)] : [];
}
