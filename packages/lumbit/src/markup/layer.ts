import {
  type AnyLayer,
  changedBy,
  fillsScene,
  isArranged,
  isFitContent,
  isFitted,
  isGroup,
  isImage,
  isReel,
  isRow,
  isShape,
  isText,
  orderOf,
  speedOf,
  type TextLayer,
  type TextStyle,
} from "../core/index.ts";
import type { Given, LayerContext } from "./context.ts";
import { motionCss } from "./directed.ts";
import { fitPlace } from "./fit-content.ts";
import { lengthCss } from "./lengths.ts";
import { copyRules, lineCss } from "./line.ts";
import { blendCss, lookCss } from "./look.ts";
import { hasAnyWays, motionRules, pieceRules, rowRules } from "./motion.ts";
import { isBoxed, paneCss, unlessPaned } from "./pane.ts";
import { blurBehindCss, paddingCss } from "./panel.ts";
import { boxPlace, changedPlace, contentPlace, groupSize, naturalCss } from "./place.ts";
import { holdCss } from "./ramp.ts";
import { reelCss, slideCss } from "./reel.ts";
import { arrangedCss, changesSize, memberSize } from "./row.ts";
import { quoted } from "./safe.ts";
import { follows, ownSettleCss } from "./settle.ts";
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
    ...changedLook(layer, base, whole, context),
    ...(!boxed && blendCss(given)),
    background: given.background ?? placeholderOf(layer, given, context),
    "box-shadow": given.shadow,
    ...blurBehindCss(given.blurBehind),
    ...(isGroup(layer) && tiltCss(given)),
    ...(isRow(layer) && given.row && arrangedCss(given.row)),
    ...(isReel(layer) && given.reel && reelCss(given.reel, whole ? layer.layers.length : undefined)),
    ...(isImage(layer) && { "object-fit": whole && given.fit === "cover" ? undefined : given.fit }),
    ...(given.subject && {
      "object-position": given.subject.map((share) => `${round(share * 100)}%`).join(" "),
    }),
    ...(isText(layer) && isText(base) && { ...textCss(given), ...emsCss(layer, given, context) }),
    ...clip.layer,
  };
  if (isText(layer) && isText(base))
    Object.assign(
      own,
      lineCss(layer, given, base),
      standing(layer, given, base, context) ??
        (whole ? contentPlace(layer) : changedPlace(layer, given, base)),
    );
  const radius = whole || given.radius !== undefined ? radiusOf(layer) : undefined;
  const panel = paddingCss(given.padding);
  if (isText(layer)) return { layer: { ...own, "border-radius": radius, ...panel } };
  if (typeof context.slide !== "object" && isArranged(layer)) {
    const place = placed ? (standing(layer, given, base, context) ?? contentPlace(layer)) : {};
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

/** What stands for a picture until it is there: under one that covers its box nothing of it is seen afterwards. */
const placeholderOf = (layer: AnyLayer, { image }: Given, { fileOf }: LayerContext): string | undefined =>
  isImage(layer) && layer.fit !== "contain" && image !== undefined ? fileOf(image)?.placeholder : undefined;

/** What of a look is not what a plain layer has, or what the layer has without its rules; for ramps only where there are any. */
function changedLook(layer: AnyLayer, base: AnyLayer, whole: boolean, { look }: LayerContext): Declarations {
  const before = whole ? lookCss({}) : lookCss(base, look);
  const ramped = hasAnyWays(base);
  return Object.fromEntries(
    Object.entries(lookCss(layer, look)).filter(
      ([name, value]) => value !== before[name] && (ramped || !name.startsWith("--")),
    ),
  );
}

/** How wide a text's widest line is, in font sizes, where it is fitted to a width and its letters change. */
const emsCss = (layer: TextLayer, given: TextStyle, { ems }: LayerContext): Declarations =>
  isFitted(layer) && (given === layer || letterKeys.some((key) => key in given))
    ? { "--lumbit-ems": round(ems(layer)) }
    : {};
/** The settings of a text that make its letters wider or narrower. */
export const letterKeys = ["fontFamily", "fontWeight", "fontStyle", "letterSpacing"];

const radiusOf = (layer: AnyLayer) =>
  isShape(layer) && layer.shape === "ellipse" ? "50%" : lengthCss(layer.radius, "x");
