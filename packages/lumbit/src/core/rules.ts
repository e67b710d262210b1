import { matchesMedia } from "./media.ts";
import { isGroup, type Layer, type Page, type Rule, type Scene } from "./page.ts";
import type { Viewport } from "./units.ts";

/** A page with the rules that hold at a viewport applied to it: the page as that viewport has it. */
export function applyRules(page: Page, viewport: Viewport): Page {
  const look = page.page;
  return {
    ...page,
    ...(look && { page: withRules(look, viewport) }),
    scenes: page.scenes.map(
      (scene): Scene => ({
        ...withRules(scene, viewport),
        layers: scene.layers.map((layer) => applyToLayer(layer, viewport)),
      }),
    ),
  };
}

function applyToLayer<L extends Layer>(layer: L, viewport: Viewport): L {
  const changed = withRules(layer, viewport);
  if (!isGroup(changed)) return changed;
  return { ...changed, layers: changed.layers.map((inner) => applyToLayer(inner as Layer, viewport)) } as L;
}

function withRules<T extends { rules?: readonly Rule<object>[] }>(settings: T, viewport: Viewport): T {
  let result = settings;
  for (const { media, ...change } of settings.rules ?? []) {
    if (!matchesMedia(media, viewport)) continue;
    // Depth and speed exclude each other: the one that a rule gives replaces the other.
    const { depth, speed, ...rest } = result as T & { depth?: unknown; speed?: unknown };
    result = (
      "depth" in change || "speed" in change ? { ...rest, ...change } : { ...result, ...change }
    ) as T;
  }
  return result;
}
