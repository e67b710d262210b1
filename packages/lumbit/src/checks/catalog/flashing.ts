import type { ResolvedRamp } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { screenShare } from "../layer-at.ts";
import { about, type LayerView, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "flashing",
  severity: "error",
  why: "More than three flashes in a second can cause seizures (WCAG 2.2, success criterion 2.3.1).",
  scope: "scene",
  judge,
};

/**
 * What counts as a flash: a change of light by a tenth and back, over a tenth of the screen. Source: WCAG 2.2, "general
 * flash and red flash thresholds"; a brisk reader scrolls two screens in a second.
 */
const flash = { change: 0.1, share: 0.1, allowed: 3, screensASecond: 2 };

/** Layers that go bright and dark more than three times in what is scrolled in a second. */
function judge(scene: SceneView, view: View): Sighting[] {
  const { viewport } = view;
  const start = scene.layout.top - viewport.height;
  const window = flash.screensASecond * viewport.height;
  return scene.layers.flatMap((own): Sighting[] => {
    if (own.layout.hidden || !isLarge(own, view)) return [];
    const turns = own.layout.ramps
      .filter(({ property }) => property === "opacity" || property === "brightness")
      .flatMap(turnsOf)
      .sort((a, b) => a - b);
    const bursts = turns.map((turn) => turns.filter((other) => other >= turn && other < turn + window));
    const worst = bursts.toSorted((a, b) => b.length - a.length)[0] ?? [];
    // A flash is there and back.
    const flashes = Math.floor(worst.length / 2);
    if (flashes <= flash.allowed) return [];
    return [
      {
        ...about(scene, own),
        from: start + (worst[0] ?? 0),
        to: start + (worst.at(-1) ?? 0),
        amount: flashes,
        measured: `flashes ${flashes} times in ${Math.round((worst.at(-1) ?? 0) - (worst[0] ?? 0))} px of scroll, which pass in a second; ${flash.allowed} are allowed`,
        ...calmer(own),
      },
    ];
  });
}

const isLarge = ({ track }: LayerView, view: View) =>
  track.some((moment) => screenShare(moment, view) >= flash.share);

/** Where a ramp has gone up or down by enough after having gone the other way, in px of the passage. */
function turnsOf({ stops }: ResolvedRamp): number[] {
  const turns: number[] = [];
  let [from, way] = [stops[0]?.value ?? 0, 0];
  for (const { at, value } of stops) {
    const next = Math.sign(value - from);
    if (Math.abs(value - from) >= flash.change && next !== way) {
      turns.push(at);
      way = next;
    }
    if (next === way || way === 0) from = value;
  }
  return turns;
}

/** From its first stop to its last, without what lies between. */
function calmer({ layer, path }: LayerView): { change?: Change[] } {
  if (layer.rules) return {};
  return {
    change: (layer.ramps ?? []).flatMap(({ property, stops }, index): Change[] =>
      (property === "opacity" || property === "brightness") && stops.length > 2
        ? [{ op: "replace", path: `${path}/ramps/${index}/stops`, value: [stops[0], stops.at(-1)] }]
        : [],
    ),
  };
}
