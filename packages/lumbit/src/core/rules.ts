import type { AnyLayer } from "./layer.ts";
import type { Page } from "./page.ts";
import type { Scene } from "./scene.ts";

/** A change of settings where a standard media query holds; later rules win. */
export type Rule<Settings> = { media: string } & Settings;

/** A page with those of its rules applied to it whose media queries hold. */
export function applyRulesWhere(page: Page, holds: (media: string) => boolean): Page {
  const look = page.page;
  return {
    ...page,
    ...(look && { page: withRules(look, holds) }),
    scenes: page.scenes.map(
      (scene): Scene => ({
        ...withRules(scene, holds),
        ...(scene.content && { content: scene.content.map((block) => withRules(block, holds)) }),
        layers: scene.layers.map((layer) => applyToLayer(layer, holds)),
      }),
    ),
  };
}

function applyToLayer<L extends AnyLayer>(layer: L, holds: (media: string) => boolean): L {
  const changed = withRules(layer, holds);
  return changed.layers
    ? { ...changed, layers: changed.layers.map((inner) => applyToLayer(inner, holds)) }
    : changed;
}

const withRules = <T extends WithRules>(settings: T, holds: (media: string) => boolean): T =>
  (settings.rules ?? [])
    .filter(({ media }) => holds(media))
    .reduce((changed, rule) => changedBy(changed, rule), settings);

type WithRules = { rules?: readonly Rule<object>[] };

/**
 * Settings as a rule changes them: what it names is replaced, and a travel, hold or cue of `"none"` taken away. A camera and
 * a panel keep what the rule does not name; depth and speed exclude each other, so one replaces the other, and variants are of
 * one picture.
 */
export function changedBy<T extends object>(settings: T, { media: _, ...rule }: Rule<object>): T {
  const change: Readonly<Record<string, unknown>> = rule;
  const before = { ...settings } as Record<string, unknown>;
  if ("depth" in change || "speed" in change) {
    delete before.depth;
    delete before.speed;
  }
  if ("image" in change) delete before.variants;
  const changed: Record<string, unknown> = { ...before, ...change };
  for (const key of ["camera", "panel"])
    if (change[key]) changed[key] = { ...Object(before[key]), ...Object(change[key]) };
  for (const key of ["travel", "hold", "cue"]) if (changed[key] === "none") delete changed[key];
  return changed as T;
}

/** Settings as they are, and as each of their rules alone changes them. */
export const statesOf = <T extends WithRules>(settings: T): T[] => [
  settings,
  ...(settings.rules ?? []).map((rule) => changedBy(settings, rule)),
];
