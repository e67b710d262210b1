import {
  type AnyLayer,
  changedBy,
  depthOf,
  goesRight,
  isReel,
  isText,
  lateness,
  overscans,
  plainText,
  type Reel,
  statesOf,
} from "../core/index.ts";
import { travelsIn } from "./conditions.ts";
import type { LayerContext } from "./context.ts";
import { follows } from "./own-settle.ts";
import {
  filterCss,
  keyframesCss,
  layerPieces,
  nativeAnimations,
  pieceWays,
  scriptedAnimations,
  shownBy,
  type Way,
  waysOf,
} from "./ramp.ts";
import { rowCss, rowWay, slideLayerCss, slidesAgainst, slideWay } from "./reel.ts";
import { type Declarations, round, type StyleRule } from "./tree.ts";

/** Whether a layer has ramps, by itself or under one of its rules. */
export const hasAnyWays = (layer: AnyLayer) => statesOf(layer).some(hasWays);

/** What plays the travel of a reel's slides. */
export const rowRules = (row: string, reel: Reel): StyleRule[] => [
  ...(goesRight(reel)
    ? [
        {
          selector: row,
          motion: "any" as const,
          media: travelsIn(reel),
          declarations: { "flex-direction": "row-reverse" },
        },
      ]
    : []),
  {
    selector: `[data-lumbit-driver="native"]${row}`,
    motion: "native",
    media: travelsIn(reel),
    declarations: { ...nativeAnimations([rowWay], []), ...rowCss(reel) },
  },
  {
    selector: `[data-lumbit-driver="scripted"]${row}`,
    motion: "any",
    media: travelsIn(reel),
    declarations: { ...scriptedAnimations([rowWay]), ...rowCss(reel) },
  },
];

/** What plays a layer's ramps, under either driver; by its rules too, where they change the ramps. */
export function motionRules(
  layer: AnyLayer,
  selector: string,
  { pushed, fixed, inner, slide, reel = {} }: LayerContext,
): StyleRule[] {
  const push =
    pushed &&
    statesOf(layer).some((state) => !overscans(state) && depthOf(state) !== Number.POSITIVE_INFINITY);
  const drifts = !inner && !fixed.includes(layer);
  const drift = drifts ? ["lumbit-drift", ...(push ? ["lumbit-push"] : [])] : [];
  const style = (changed: AnyLayer, media?: string): StyleRule[] => {
    const filter = filterCss(changed);
    return [
      ...played(selector, waysOf(changed, shownBy(changed)), drift, media, { filter }),
      ...(against
        ? played(
            selector,
            [slideWay, ...waysOf(changed, shownBy(changed))],
            [],
            [media, travelsIn(reel)].filter((one) => one !== undefined),
            {
              filter,
              ...slideLayerCss(reel),
            },
          )
        : []),
      ...(layerPieces(layer)
        ? // The haze is on the whole text.
          played(`${selector} > [data-lumbit-is~=piece]`, pieceWays(changed, shownBy(changed)), [], media, {
            "--lumbit-opacity": 1,
          })
        : []),
    ];
  };
  const against = slide === "inside" && slidesAgainst(layer);
  const played = (
    own: string,
    ways: readonly Way[],
    drift: readonly string[],
    media: StyleRule["media"],
    more: Declarations,
  ): StyleRule[] => [
    {
      selector: `[data-lumbit-driver="native"]${own}`,
      motion: "native",
      media,
      declarations: { ...nativeAnimations(ways, drift, follows(layer)), ...more },
    },
    ...(ways.length > 0 || hasAnyWays(layer)
      ? [
          {
            selector: `[data-lumbit-driver="scripted"]${own}`,
            motion: "any" as const,
            media,
            declarations: { ...scriptedAnimations(ways), ...more },
          },
        ]
      : []),
  ];
  const changing = (layer.rules ?? []).filter(
    (rule) => "travel" in rule || "ramps" in rule || "hold" in rule,
  );
  const base = hasWays(layer) || push || against ? style(layer) : [];
  return [...base, ...changing.flatMap((rule) => style(changedBy(layer, rule), rule.media))];
}

/** The place of each piece of a text among them. */
export function pieceRules(layer: AnyLayer, selector: string): StyleRule[] {
  const kind = layerPieces(layer);
  return kind && isText(layer)
    ? lateness(plainText(layer.text), kind).map((late, index) => ({
        selector: `${selector} > [data-lumbit-is~=piece]:nth-child(${index + 1})`,
        declarations: { "--lumbit-late": round(late) },
      }))
    : [];
}

const hasWays = ({ travel, hold, ramps = [] }: AnyLayer) =>
  travel !== undefined || hold !== undefined || ramps.length > 0;

/** The keyframes of a layer's ramps and of those inside it, under all of its rules. */
export const layerKeyframes = (layer: AnyLayer): string[] => [
  ...statesOf(layer).flatMap((own) =>
    keyframesCss([...waysOf(own, shownBy(own)), ...pieceWays(own, shownBy(own))]),
  ),
  ...(isReel(layer) ? keyframesCss([rowWay, slideWay]) : []),
  ...(layer.layers ?? []).flatMap(layerKeyframes),
];
