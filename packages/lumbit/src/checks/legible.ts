import {
  type AnyLayer,
  type Block,
  depthOf,
  fillsScene,
  isShape,
  type TextLayer,
  type TextStyle,
} from "../core/index.ts";
import { black, contrastOf, contrastRatio, hexOf, luminance, over, parseColor, white } from "./color.ts";
import type { Change, Sighting } from "./finding.ts";
import type { Pixel } from "./picture.ts";
import type { LayerView, SceneView } from "./view.ts";

/** Of a text's letters so many may stand before too little contrast at the worst moment: fine detail passes by. */
export const spared = 0.2;
/** How finely colors and shades are tried, and the darkest shade: what is behind one still shows. */
const steps = 20;
const darkest = 0.85;

/** The color of a text, what is seen behind its letters over the scroll, and the contrast that it needs. */
export interface Told {
  color: Pixel;
  behind: readonly Pixel[];
  needed: number;
  blend?: AnyLayer["blend"];
}

/** What mends a text that cannot be told. */
export type Mend = Pick<Sighting, "change" | "decided">;

/**
 * The nearest color to the text's own that is told from all that is behind it, or else a shade between the two. Whether
 * a text is light or dark on its card its designer decided.
 */
export function legible(told: Told, own: LayerView, layer: TextLayer, scene: SceneView): Mend {
  if (layer.rules) return {};
  const color = recolored(told);
  if (!color) return { change: shaded(told, own, layer, scene) };
  return mended(told, color, layer, own.path, isOnCard(own, scene));
}

/** The same for a block of content, which no shade can be laid behind. */
export function legibleBlock(told: Told, block: Block, path: string, { scene }: SceneView): Mend {
  const color = block.rules ? undefined : recolored(told);
  if (!color) return {};
  return mended(told, color, block, path, (block.background ?? scene.panel?.background) !== undefined);
}

/** The same for the words of a header. */
export function legibleHeader(
  told: Told,
  header: { color?: string; background?: string },
  path: string,
): Mend {
  const color = recolored(told);
  return color ? mended(told, color, header, path, header.background !== undefined) : {};
}

const mended = (told: Told, color: Pixel, before: TextStyle, path: string, isOnCard: boolean): Mend => ({
  change: [
    { op: before.color === undefined ? "add" : "replace", path: `${path}/color`, value: hexOf(color) },
  ],
  ...(isLight(color) !== isLight(told.color) && isOnCard && { decided: true }),
});

/** Whether a text stands on something that was made for it: a shape or group around it, other than the whole scene. */
const isOnCard = ({ layer, layout, paint, group }: LayerView, { layers }: SceneView): boolean =>
  layer.background !== undefined ||
  layers.some((other) => {
    const { left, top, width, height } = other.layout.box;
    const { box } = layout;
    const around =
      other.group === group &&
      left <= box.left &&
      top <= box.top &&
      left + width >= box.left + box.width &&
      top + height >= box.top + box.height;
    const painted = other.layer.background !== undefined && !fillsScene(other.layer) && other.paint < paint;
    return painted && (around || other === group);
  });

/** Whether a color is told better from black than from white. */
const isLight = (color: Pixel) => contrastOf(color, black) > contrastOf(color, white);

/** How well a color is told from all that is behind it, the worst first. */
export function contrasts(color: Pixel, behind: readonly Pixel[], blend: AnyLayer["blend"]): number[] {
  const plain = color.alpha === 1 && (blend === undefined || blend === "normal") && luminance(color);
  return behind
    .map((below) => contrastRatio(plain || luminance(over(color, below, blend)), luminance(below)))
    .sort((a, b) => a - b);
}

/** Whether a color is told from what is behind it, a little more than just. */
const isTold = (color: Pixel, { behind, needed, blend }: Told, shade?: Pixel): boolean => {
  const grounds = behind.map((below) => (shade ? over(shade, below) : below));
  const ratios = contrasts(color, grounds, blend);
  return (ratios[Math.floor(ratios.length * spared * 0.5)] ?? 21) >= needed;
};

function recolored(told: Told): Pixel | undefined {
  const { color } = told;
  for (let step = 1; step <= steps; step++)
    for (const end of [white, black]) {
      const between = (from: number, to: number) => from + ((to - from) * step) / steps;
      const candidate = {
        r: between(color.r, end.r),
        g: between(color.g, end.g),
        b: between(color.b, end.b),
        alpha: 1,
      };
      if (hexOf(candidate) !== hexOf(color) && isTold(candidate, told)) return candidate;
    }
  return undefined;
}

/** The thinnest shade over all of the scene that is behind the text, with which the text's own color is enough. */
function shaded(
  told: Told,
  own: LayerView,
  layer: TextLayer,
  { scene, path }: SceneView,
): Change[] | undefined {
  if (own.group) return undefined;
  const name = `${layer.name}-shade`;
  const at = scene.layers.findIndex((other) => other.name === name);
  const before = scene.layers[at];
  const shade = before && isShape(before) ? parseColor(before.background ?? "") : undefined;
  if (before && !shade) return undefined;
  const dark = isLight(told.color);
  for (let step = 1; step <= steps * darkest; step++) {
    const alpha = step / steps;
    if (!isTold(told.color, told, { ...(dark ? black : white), alpha })) continue;
    // A shade that is there is thickened by what is missing.
    const whole = Math.round(100 * (1 - (1 - (shade?.alpha ?? 0)) * (1 - alpha))) / 100;
    const background = `rgb(${dark ? "0 0 0" : "255 255 255"} / ${whole})`;
    if (shade) return [{ op: "replace", path: `${path}/layers/${at}/background`, value: background }];
    const place = { left: 0, top: 0, width: "100%", height: "100%" };
    const order = layer.order ?? layer.depth ?? depthOf(layer);
    return [{ op: "add", path: own.path, value: { name, shape: "rectangle", background, order, place } }];
  }
  return undefined;
}
