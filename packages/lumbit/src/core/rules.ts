import type { AnyLayer } from "./layer.ts";
import { matchesMedia } from "./media.ts";
import type { Page } from "./page.ts";
import type { Scene } from "./scene.ts";
import type { Viewport } from "./units.ts";

/** A change of settings where a standard media query holds; later rules win. */
export type Rule<Settings> = { media: string } & Settings;

/** A page with the rules that hold at a viewport applied to it: the page as that viewport has it. */
export function applyRules(page: Page, viewport: Viewport): Page {
  const look = page.page;
  return {
    ...page,
    ...(look && { page: withRules(look, viewport) }),
    scenes: page.scenes.map(
      (scene): Scene => ({
        ...withRules(scene, viewport),
        ...(scene.content && { content: scene.content.map((block) => withRules(block, viewport)) }),
        layers: scene.layers.map((layer) => applyToLayer(layer, viewport)),
      }),
    ),
  };
}

function applyToLayer<L extends AnyLayer>(layer: L, viewport: Viewport): L {
  const changed = withRules(layer, viewport);
  return changed.layers
    ? { ...changed, layers: changed.layers.map((inner) => applyToLayer(inner, viewport)) }
    : changed;
}

const withRules = <T extends WithRules>(settings: T, viewport: Viewport): T =>
  (settings.rules ?? [])
    .filter(({ media }) => matchesMedia(media, viewport))
    .reduce((changed, rule) => changedBy(changed, rule), settings);

type WithRules = { rules?: readonly Rule<object>[] };

/**
 * Settings as a rule changes them: what it names is replaced, and a travel, hold or cue of `"none"` taken away. A camera
 * keeps what the rule does not name; depth and speed exclude each other, so one replaces the other, and variants are of
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
  if (change.camera) changed.camera = { ...Object(before.camera), ...change.camera };
  for (const key of ["travel", "hold", "cue"]) if (changed[key] === "none") delete changed[key];
  return changed as T;
}

/** Settings as they are, and as each of their rules alone changes them. */
export const statesOf = <T extends WithRules>(settings: T): T[] => [
  settings,
  ...(settings.rules ?? []).map((rule) => changedBy(settings, rule)),
];
