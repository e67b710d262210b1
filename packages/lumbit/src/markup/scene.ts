import {
  averageAdvance,
  type Block,
  changedBy,
  isAutomatic,
  isSwipedWhole,
  type Length,
  leastHeight,
  type PageLook,
  plainText,
  type Scene,
  type SceneSettings,
  speedOf,
  sumLengths,
  type TextLayer,
} from "../core/index.ts";
import { type Assets, fileAt } from "./assets.ts";
import { columnCss, contentCss } from "./column.ts";
import { swipeMedia } from "./conditions.ts";
import type { LayerContext } from "./context.ts";
import { layerRules } from "./layer.ts";
import { lengthCss } from "./lengths.ts";
import { layerKeyframes } from "./motion.ts";
import { blockPanelCss, buttonCss, panelCss } from "./panel.ts";
import { paperRules } from "./paper.ts";
import { pageCss, passageCss, sceneLook, sceneSelector } from "./scene-look.ts";
import { isHeld, stageLayers } from "./stage.ts";
import { textCss } from "./text.ts";
import { type Declarations, round, type StyleRule } from "./tree.ts";

/** The style of a page without its scenes, on the element that holds them. */
export function pageRules(look: PageLook, selector = "body"): StyleRule[] {
  const { backdrop, rules = [] } = look;
  return [
    {
      selector,
      declarations: { ...pageCss(look), ...cameraCss(look.camera) },
    },
    ...rules.map(({ media, relief, camera }) => ({
      selector,
      media,
      declarations: { "--lumbit-page-relief": relief, ...cameraCss(camera) },
    })),
    ...(backdrop
      ? [
          {
            selector: "[data-lumbit-backdrop]",
            declarations: {
              "--lumbit-speed": round(speedOf(backdrop)),
              "object-position": backdrop.subject?.map((share) => `${round(share * 100)}%`).join(" "),
            },
          },
        ]
      : []),
  ];
}

/** What scenes take of the page together: those of a height that is known, and those that rules change by name. */
interface Extent {
  fixed: Length;
  changing: readonly string[];
  /** Whether one of them is as high as its content. */
  automatic: boolean;
}

/** What is above and below a scene, where it is known without measuring. */
export interface Neighbours {
  before: Extent;
  after: Extent;
}

/** What is above and below each scene of a page. */
export function neighboursOf(scenes: readonly Scene[]): Neighbours[] {
  const after = extentsBefore(scenes.toReversed()).reverse();
  return extentsBefore(scenes).map((before, index) => ({ before, after: after[index] as Extent }));
}

/** What is before each of some scenes. */
function extentsBefore(scenes: readonly Scene[]): Extent[] {
  let extent: Extent = { fixed: 0, changing: [], automatic: false };
  return scenes.map((scene) => {
    const before = extent;
    const changes = changesExtent(scene);
    extent = {
      fixed: changes
        ? before.fixed
        : (sumLengths([before.fixed, leastHeight(scene), scene.hold ?? 0]) as Length),
      changing: changes ? [...before.changing, scene.name] : before.changing,
      automatic: before.automatic || isAutomatic(scene),
    };
    return before;
  });
}

/** The style of a scene and its layers. */
export function sceneRules(
  scene: Scene,
  look: PageLook,
  assets: Assets,
  neighbours?: Neighbours,
): StyleRule[] {
  const context = layerContext(scene, look, assets);
  return [
    ...ownSceneRules(scene, neighbours),
    ...scene.layers.flatMap((layer) => layerRules(layer, context)),
  ];
}

/** What the style of a scene's layers depends on besides them. */
export const layerContext = (scene: Scene, look: PageLook, assets: Assets): LayerContext => ({
  scene: sceneSelector(scene),
  look,
  fileOf: (image) => fileAt(assets.pictures, image),
  ems: assets.ems ?? estimatedEms,
  pushed: [scene, look, ...(scene.rules ?? []), ...(look.rules ?? [])].some(({ camera }) => camera?.push),
  fixed: stageLayers(scene, look).fixed,
});

/** The style of a scene without its layers. */
export function ownSceneRules(scene: Scene, neighbours?: Neighbours): StyleRule[] {
  const selector = sceneSelector(scene);
  const flows = scene.content !== undefined;
  const held = isHeld(scene) ? `${selector} > [data-lumbit-is~=held]` : selector;
  const onScene = (settings: SceneSettings): Declarations => ({
    ...(settings.width && widthCss[settings.width]),
    "--lumbit-relief": settings.relief,
    "--lumbit-l": lengthCss(settings.hold, "y"),
    ...cameraCss(settings.camera),
  });
  const style = (settings: SceneSettings, media?: string): StyleRule[] => {
    const whole = settings === scene;
    return [
      {
        selector,
        media,
        declarations: {
          ...onScene(settings),
          ...(!flows && passageCss(scene, settings)),
          ...(held === selector && sceneLook(scene, settings)),
        },
      },
      ...(held === selector ? [] : [{ selector: held, media, declarations: sceneLook(scene, settings) }]),
      ...(flows
        ? [
            {
              selector: `${held} > [data-lumbit-is~=content]`,
              media,
              declarations: {
                ...contentCss(settings, whole ? scene : changedBy(scene, { media: "", ...settings })),
                ...panelCss(settings.panel ?? {}),
              },
            },
            {
              selector: `${held} > [data-lumbit-is~=stage] > *`,
              media,
              declarations: passageCss(scene, settings),
            },
          ]
        : []),
    ];
  };
  const edges = neighbours && {
    "--lumbit-before": extentCss(neighbours.before),
    "--lumbit-after": extentCss(neighbours.after),
    // Beside a scene as high as its content all of the passage may be reached: no edge may show in any of it.
    "--lumbit-from": neighbours.before.automatic ? "0px" : undefined,
    "--lumbit-to": neighbours.after.automatic ? "var(--lumbit-length)" : undefined,
  };
  return [
    ...(edges ? [{ selector, declarations: edges }, ...extentRules(scene)] : []),
    ...style(scene),
    ...(scene.rules ?? []).flatMap(({ media, ...rule }) => style(rule, media)),
    // Where a reel is swiped nothing has to hold for it.
    ...(isSwipedWhole(scene) ? [{ selector, media: swipeMedia, declarations: { "--lumbit-l": "0px" } }] : []),
    ...paperRules(scene, selector),
    ...(scene.content ?? []).flatMap((block, index) =>
      blockRules(block, `${selector} [data-lumbit-block="${index}"]`),
    ),
  ];
}

/** The style of a block of content, and of a link in it that looks like a button. */
function blockRules(block: Block, selector: string): StyleRule[] {
  const states = [
    { given: block, whole: block, media: undefined },
    ...(block.rules ?? []).map((rule) => ({
      given: rule,
      whole: changedBy(block, rule),
      media: rule.media,
    })),
  ];
  return states.flatMap(({ given, whole, media }): StyleRule[] => {
    const button = buttonCss(given, whole);
    const declarations = {
      ...textCss(given),
      "max-width": given.maxWidth,
      ...(block.href === undefined && blockPanelCss(given, block)),
    };
    return [
      { selector, media, declarations },
      ...(button ? [{ selector: `${selector} > a`, media, declarations: button }] : []),
    ];
  });
}

/** The keyframes of all ramps of a scene. */
export const sceneKeyframes = (scene: Scene): string[] => scene.layers.flatMap(layerKeyframes);

/** How wide a text's widest line is, in font sizes: a guess for a font that is not at hand. */
export const estimatedEms = ({ text }: TextLayer) =>
  averageAdvance *
  Math.max(
    ...plainText(text)
      .split("\n")
      .map((line) => line.length),
  );

const cameraCss = (camera: PageLook["camera"]) => ({
  "--lumbit-pan": camera?.pan,
  "--lumbit-push": camera?.push,
  "--lumbit-sway": camera?.sway === 0 ? "0px" : camera?.sway,
});

/** How wide a scene is: --lumbit-width is for who mounts it, --lumbit-content the width of content in it. */
const widthCss: Readonly<Record<NonNullable<Scene["width"]>, Declarations>> = {
  full: { "--lumbit-width": "full", "--lumbit-content": "initial", width: "auto", "margin-inline": 0 },
  column: {
    "--lumbit-width": "column",
    "--lumbit-content": "100%",
    width: columnCss,
    "margin-inline": "auto",
  },
};

/** What scenes take of the page together, in CSS; what rules change of one are properties of their own. */
function extentCss({ fixed, changing }: Extent): string {
  const known = changing.flatMap((name) => [`var(--lumbit-h-${name})`, `var(--lumbit-l-${name})`]);
  const terms = [fixed === 0 ? "0px" : String(fixed), ...known];
  return terms.length === 1 ? String(terms[0]) : `calc(${terms.join(" + ")})`;
}

const changesExtent = (scene: Scene) =>
  (isSwipedWhole(scene) && scene.hold !== undefined) ||
  (scene.rules ?? []).some((rule) => "height" in rule || "minHeight" in rule || "hold" in rule);

function extentRules(scene: Scene): StyleRule[] {
  if (!changesExtent(scene)) return [];
  const extent = (settings: SceneSettings, whole: boolean): Declarations => ({
    [`--lumbit-h-${scene.name}`]:
      whole || settings.height !== undefined || settings.minHeight !== undefined
        ? sumLengths([leastHeight({ ...scene, ...settings })])
        : undefined,
    [`--lumbit-l-${scene.name}`]:
      whole || settings.hold !== undefined ? sumLengths([settings.hold ?? 0]) : undefined,
  });
  const selector = ":root";
  return [
    { selector, declarations: extent(scene, true) },
    ...(scene.rules ?? []).map(({ media, ...rule }) => ({
      selector,
      media,
      declarations: extent(rule, false),
    })),
    ...(isSwipedWhole(scene)
      ? [{ selector, media: swipeMedia, declarations: { [`--lumbit-l-${scene.name}`]: "0px" } }]
      : []),
  ];
}
