import {
  type AnyLayer,
  changedBy,
  fillsScene,
  isArranged,
  isFitContent,
  isFitted,
  isGroup,
  isReel,
  isRow,
  isText,
  orderOf,
  speedOf,
  type TextLayer,
  type TextStyle,
} from "../core/index.ts";
import { arrangedPlace } from "./arranged-place.ts";
import { changedPlace, naturalCss } from "./changed-place.ts";
import type { Given, LayerContext } from "./context.ts";
import { motionCss } from "./directed.ts";
import { fitPlace } from "./fit-content.ts";
import { copyRules, lineCss } from "./line.ts";
import { blendCss, changedLook, lookCss } from "./look.ts";
import { hasAnyWays, motionRules, pieceRules, rowRules } from "./motion.ts";
import { follows, ownSettleCss } from "./own-settle.ts";
import { paddingCss } from "./padding.ts";
import { paintCss, radiusOf } from "./paint.ts";
import { groupSize, isBoxed, paneCss, unlessPaned } from "./pane.ts";
import { blurBehindCss } from "./panel.ts";
import { boxPlace, textPlace } from "./place.ts";
import { holdCss } from "./ramp.ts";
import { reelCss, slideCss } from "./reel.ts";
import { arrangedCss, changesSize, memberSize } from "./row.ts";
import { quoted } from "./safe.ts";
import { textCss } from "./text.ts";
import { tiltCss } from "./tilt.ts";
import { type Declarations, round, type StyleRule } from "./tree.ts";

/** The style of a layer, of its pane and of the layers inside it. */
export function layerRules(layer: AnyLayer, context: LayerContext): StyleRule[] {
  const isSlide = typeof context.slide === "object";
  const select = (kind: "layer" | "pane") => `${context.scene} [data-lumbit-${kind}=${quoted(layer.name)}]`;
  const style = (changed: AnyLayer, given: Given, media?: string): StyleRule[] => {
    const { layer: own, pane } = styleOf(changed, given, layer, context);
    return [
      { selector: select("layer"), declarations: own, media },
      ...(pane ? [{ selector: select("pane"), declarations: pane, media }] : []),
      ...(isText(layer) && isText(changed) ? copyRules(layer, given, select("layer"), media) : []),
    ];
  };
  const rules: StyleRule[] = [
    ...style(layer, layer),
    ...motionRules(layer, select("layer"), context),
    ...pieceRules(layer, select("layer")),
  ];
  for (const { media, ...given } of layer.rules ?? [])
    rules.push(...style(changedBy(layer, { media, ...given }), given, media));
  const inner = isGroup(layer)
    ? layer.layers.flatMap((child, index) =>
        layerRules(child, {
          ...context,
          look: layer.tilt === undefined ? {} : { focus: context.look.focus },
          pushed: false,
          inner: true,
          stands: isRow(layer) ? "row" : !isSlide && isFitContent(layer) ? "fit" : undefined,
          ...(isReel(layer) && { reel: layer.reel }),
          slide: isReel(layer) ? { index, count: layer.layers.length } : context.slide && ("inside" as const),
        }),
      )
    : [];
  if (isReel(layer)) rules.push(...rowRules(`${select("layer")} > [data-lumbit-is~=row]`, layer.reel));
  return [...rules, ...inner];
}

/** The declarations for those settings of a layer that are given; `layer` has all of them, `base` those without rules. */
function styleOf(
  layer: AnyLayer,
  given: Given,
  base: AnyLayer,
  context: LayerContext,
): { layer: Declarations; pane?: Declarations } {
  const whole = given === layer;
  const moves = whole || given.depth !== undefined || given.speed !== undefined || given.order !== undefined;
  const placed = whole || given.place !== undefined;
  const order = moves ? orderOf(layer) : undefined;
  const boxed = isBoxed(base);
  const clip = paneCss(base, given, whole);
  const own: Declarations = {
    display:
      given.hidden === undefined ? undefined : given.hidden ? "none" : whole ? undefined : "revert-layer",
    "z-index": boxed ? undefined : order,
    ...motionCss(given, moves ? speedOf(layer) : undefined),
    ...(given.hold && given.hold !== "none" && holdCss(given.hold)),
    ...(whole && layer.settle !== undefined && ownSettleCss(layer.settle, follows(layer))),
    ...changedLook(
      lookCss(layer, context.look),
      whole ? lookCss({}) : lookCss(base, context.look),
      hasAnyWays(base),
    ),
    ...(!boxed && blendCss(given)),
    ...paintCss(layer, given, context),
    ...blurBehindCss(given.blurBehind),
    ...(isGroup(layer) && tiltCss(given)),
    ...(isRow(layer) && given.row && arrangedCss(given.row)),
    ...(isReel(layer) && given.reel && reelCss(given.reel, whole ? layer.layers.length : undefined)),
    ...(isText(layer) && isText(base) && { ...textCss(given), ...emsCss(layer, given, context) }),
    ...clip.layer,
  };
  if (isText(layer) && isText(base))
    Object.assign(
      own,
      lineCss(layer, given, base),
      standing(layer, given, base, context) ?? (whole ? textPlace(layer) : changedPlace(layer, given, base)),
    );
  const radius = whole || given.radius !== undefined ? radiusOf(layer) : undefined;
  const panel = paddingCss(given.padding);
  if (isText(layer)) return { layer: { ...own, "border-radius": radius, ...panel } };
  if (typeof context.slide !== "object" && isArranged(layer)) {
    const place = placed ? (standing(layer, given, base, context) ?? arrangedPlace(layer)) : {};
    if (!boxed) return { layer: { ...own, "border-radius": radius, ...panel, ...place } };
    return {
      layer: { ...own, padding: given.padding, "--lumbit-padding": given.padding },
      pane: { display: own.display, "z-index": order, "border-radius": radius, ...blendCss(given), ...place },
    };
  }
  const natural = naturalCss(layer, given, base, context);
  if (boxed)
    return {
      layer: {
        ...own,
        "border-radius": unlessPaned(base, radius),
        ...(isGroup(layer) && (whole || given.size) && groupSize(layer, base)),
      },
      pane: {
        display: own.display,
        "z-index": order,
        "border-radius": radius,
        ...blendCss(given),
        ...natural,
        ...(placed && (standing(layer, given, base, context) ?? boxPlace(layer, base, context, true))),
        ...clip.pane,
      },
    };
  own["border-radius"] = radius;
  if (fillsScene(layer))
    return { layer: { ...own, ...(context.stands === "fit" && placed && fitPlace(layer, base, context)) } };
  if (typeof context.slide === "object")
    return {
      layer: { ...own, ...(whole && slideCss(context.slide.index, context.slide.count, context.reel)) },
    };
  return {
    layer: {
      ...own,
      ...natural,
      ...(placed && (standing(layer, given, base, context) ?? boxPlace(layer, base, context))),
    },
  };
}

/** The place of a layer that the group around it has stand somewhere. */
function standing(
  layer: AnyLayer,
  given: Given,
  base: AnyLayer,
  context: LayerContext,
): Declarations | undefined {
  if (context.stands === "fit") return changesSize(layer, given) ? fitPlace(layer, base, context) : {};
  // Of other kinds a row takes the sizes that they have anywhere.
  const isSized = isText(layer) || isArranged(layer);
  return context.stands === "row" && isSized ? memberSize(layer, given) : undefined;
}

/** How wide a text's widest line is, in font sizes, where it is fitted to a width and its letters change. */
const emsCss = (layer: TextLayer, given: TextStyle, { ems }: LayerContext): Declarations =>
  isFitted(layer) && (given === layer || letterKeys.some((key) => key in given))
    ? { "--lumbit-ems": round(ems(layer)) }
    : {};
/** The settings of a text that make its letters wider or narrower. */
export const letterKeys = ["fontFamily", "fontWeight", "fontStyle", "letterSpacing"];
