import { type AnyLayer, isImage, type TextLayer } from "../core/index.ts";
import type { Given, LayerContext } from "./context.ts";
import { changesImage, textPlace } from "./place.ts";
import { type Declarations, round } from "./tree.ts";

/** What `naturalSize` names of a picture that rules change, for those settings that are given. */
export function naturalCss(
  layer: AnyLayer,
  given: Given,
  base: AnyLayer,
  { fileOf }: Pick<LayerContext, "fileOf">,
): Declarations {
  if (!changesImage(base) || !given.image || !isImage(layer)) return {};
  const own = fileOf(given.image) ?? { width: 1, height: 1 };
  return { "--lumbit-natural": `${own.width}px`, "--lumbit-ratio": round(own.width / own.height) };
}

/** What a rule changes of where a text stands: no more than that, for another rule may hold beside it. */
export function changedPlace(layer: TextLayer, given: Given, base: TextLayer): Declarations {
  const before = textPlace(base);
  return Object.fromEntries(
    Object.entries(textPlace(layer)).filter(([key, value]) =>
      given.place === undefined || (key === "max-width" && given.maxWidth === undefined)
        ? value !== before[key]
        : true,
    ),
  );
}
