import {
  type AnyLayer,
  allLayers,
  isArranged,
  isImage,
  isText,
  linkedLayers,
  pictureSize,
  type Scene,
  speedOf,
  startOn,
  statesOf,
  targetOf,
} from "../core/index.ts";
import { css, type Expression, print } from "./arithmetic.ts";
import { type Assets, fileAt } from "./assets.ts";
import { motionCss } from "./directed.ts";
import { along, factor } from "./drift.ts";
import { axesOf } from "./lengths.ts";
import { scene as inScene, settle, zero } from "./passage.css.ts";
import { quoted } from "./safe.ts";
import { isHeld } from "./stage.ts";
import { type Element, element, type StyleRule } from "./tree.ts";

/** What links to layers of a scene lead to: where these are wanted, a point in the scene that does not move. */
export function targetElements(scene: Scene, hrefs: readonly string[]): Element[] {
  const targets = targetsOf(scene, hrefs);
  return targets.length === 0
    ? []
    : [
        element(
          "div",
          { "data-lumbit-is": "stage" },
          targets.map(({ id }) => element("span", { id, "data-lumbit-is": "target" })),
        ),
      ];
}

/** Where those points are: a link brings the layer, or the group that it is in, to the middle of the screen. */
export const targetRules = (scene: Scene, hrefs: readonly string[], assets: Assets): StyleRule[] =>
  // While a scene holds all of it is on the screen.
  isHeld(scene)
    ? []
    : targetsOf(scene, hrefs).flatMap(({ id, layer }) => {
        const selector = `[id=${quoted(id)}]`;
        const fixed = speedOf(layer) < 0.05;
        const states = statesOf(layer);
        return states.flatMap((state, index): StyleRule[] => {
          const media = index === 0 ? undefined : layer.rules?.[index - 1]?.media;
          const moving = fixed
            ? css.subtract(settle, inScene.viewport)
            : pointOf(state, assets, layer.settle === undefined ? along(factor).y : css.number(0));
          return [
            {
              selector,
              media,
              declarations: {
                ...motionCss(state, speedOf(state)),
                top: print(pointOf(state, assets, css.number(0))),
              },
            },
            { selector, media, motion: "any", declarations: { top: print(moving) } },
          ];
        });
      });

/** The layers of a scene that links lead to, by what they lead to: those in groups go with them. */
const targetsOf = (scene: Scene, hrefs: readonly string[]): { id: string; layer: AnyLayer }[] =>
  linkedLayers(scene.name, hrefs).flatMap((name) => {
    const layer = scene.layers.find((own) => allLayers([own]).some((one) => one.name === name));
    return layer ? [{ id: `${scene.name}/${name}`, layer }] : [];
  });

/** Where a layer is in the middle of the screen; of one that is as large as what is in it, the edge that is known. */
function pointOf(layer: AnyLayer, { pictures }: Assets, drift: Expression): Expression {
  const { x, y } = axesOf(
    layer.place ?? (isText(layer) || isArranged(layer) ? { center: "both" } : { top: 0, bottom: 0 }),
  );
  const file = isImage(layer) && layer.place ? fileAt(pictures, layer.image) : undefined;
  const natural = file && { width: css.px(file.width), ratio: css.number(file.width / file.height) };
  const height = natural ? pictureSize(css, x.size, y.size, natural).height : (y.size ?? zero);
  const { viewport, scene } = inScene;
  return targetOf(css, { viewport, scene, top: startOn(css, y, height), height, drift, settle });
}
