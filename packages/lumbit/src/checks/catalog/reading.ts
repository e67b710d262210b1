import { isText, parseMoment, piecesOf, plainText } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { gridIn } from "../grid.ts";
import { isCoveredAt } from "../layer-at.ts";
import { asideOf } from "../moving.ts";
import { readMoments } from "../read-moments.ts";
import { about, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "reading",
  severity: "warning",
  why: "A text that leaves before it can be read might as well not be there.",
  scope: "scene",
  judge,
};

/** Words that are read in a second, and px that are scrolled in one by somebody who reads. */
const wordsASecond = 4;
const scrolledASecond = 200;

/** Texts that are whole in view over too little scroll to be read in passing. */
function judge(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, track } = own;
    if (!isText(layer) || layout.hidden || own.group) return [];
    const words = plainText(layer.text).split(/\s+/).filter(Boolean).length;
    const [first, last] = [track[0], track.at(-1)];
    // What one can stop at, at an end of the page, can be read for as long as one likes.
    const reach = view.layout.scrollHeight - view.viewport.height;
    if (words < 4 || !first || !last || layer.repeat || reach === 0) return [];
    const whole = readMoments(own, view);
    const moments = whole.filter((moment) => !covered(own, moment, scene, view));
    const [from, to] = [(moments[0] ?? whole[0])?.scroll, (moments.at(-1) ?? whole.at(-1))?.scroll];
    if (from === undefined || to === undefined) return [];
    const seen = moments.length > 0 ? to - from : 0;
    if (moments.length > 0 && (from === 0 || to === reach)) return [];
    const needed = (words / wordsASecond) * scrolledASecond;
    if (seen >= Math.min(needed, 0.25 * view.viewport.height)) return [];
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: needed - seen,
        measured: `${words} words are whole and uncovered in view for ${Math.round(seen)} px of scroll`,
        change:
          moments.length < whole.length
            ? uncovered(own, whole, scene, view)
            : (shownFor(own, needed - seen) ?? held(scene, from, to, needed, view)),
      },
    ];
  });
}

/** So much of a text may be behind something: a frond, the tip of a wing. */
const hidden = 0.1;

const pointsOf = ({ pose }: TrackPoint) => gridIn(pose, 8, 3);

/** Whether a text cannot be read for what is in front of it. */
function covered(own: LayerView, moment: TrackPoint, scene: SceneView, view: View): boolean {
  const points = pointsOf(moment);
  const behind = points.filter((point) => isCoveredAt(point, own, moment.scroll, scene, view));
  return behind.length > hidden * points.length;
}

/** Moves what hides a text off it: the one layer that hides most of it. */
function uncovered(
  own: LayerView,
  whole: readonly TrackPoint[],
  scene: SceneView,
  view: View,
): Change[] | undefined {
  const hides = (other: LayerView) =>
    whole
      .flatMap((moment) => pointsOf(moment).map((point) => ({ point, scroll: moment.scroll })))
      .filter(({ point, scroll }) => isCoveredAt(point, own, scroll, { ...scene, layers: [other] }, view))
      .length;
  const most = scene.layers
    .map((layer) => ({ layer, points: hides(layer) }))
    .toSorted((a, b) => b.points - a.points)[0];
  return (
    most &&
    asideOf(
      most.layer,
      whole.map(({ scroll, pose }) => ({ scroll, box: pose })),
      scene,
      view,
    )
  );
}

/** Keeps a text that fades in or out there for so many px more, within the range that its stops name. */
function shownFor({ layer, layout, path }: LayerView, missing: number): Change[] | undefined {
  const index = (layer.ramps ?? []).findIndex((ramp) => ramp.property === "opacity" && !piecesOf(ramp));
  const ramp = layer.ramps?.[index];
  const resolved = layout.ramps.find(({ property }) => property === "opacity")?.stops ?? [];
  const stops = (ramp?.stops ?? []).map((stop) => ({ ...stop, ...parseMoment(stop.at) }));
  const [first, last] = [stops[0], stops.at(-1)];
  const [start, end] = [resolved[0], resolved.at(-1)];
  if (
    layer.rules ||
    !first ||
    !last ||
    !start ||
    !end ||
    stops.some(({ range, past }) => range !== first.range || past)
  )
    return undefined;
  const values = stops.map(({ value }) => Number(value));
  const [from, to] = [values.indexOf(Math.max(...values)), values.lastIndexOf(Math.max(...values))];
  const [comes, goes] = [from > 0, to < stops.length - 1];
  const more = missing * ((last.share - first.share) / (end.at - start.at));
  const before = comes ? Math.min(goes ? more / 2 : more, Math.max(0, first.share)) : 0;
  const after = goes ? Math.min(more - before, Math.max(0, 1 - last.share)) : 0;
  if (!(before + after > 0)) return undefined;
  const moved = (part: typeof stops, by: number) =>
    part.map(({ range, share, past: _, ...stop }) => ({
      ...stop,
      at: `${range} ${Math.round(1000 * (share + by)) / 10}%`,
    }));
  const [head, tail] = [comes ? stops.slice(0, from + 1) : [], goes ? stops.slice(to) : []];
  const value = [
    ...moved(head, -before),
    ...moved(stops.slice(head.length, goes ? to : undefined), 0),
    ...moved(tail, after),
  ];
  return [{ op: "replace", path: `${path}/ramps/${index}/stops`, value }];
}

/** A hold, where the text is in view when the scene would hold. */
function held(
  { scene, path, layout }: SceneView,
  from: number,
  to: number,
  needed: number,
  view: View,
): Change[] | undefined {
  if (scene.hold !== undefined || scene.rules || layout.top <= from || layout.top >= to) return undefined;
  const value = `${Math.ceil((100 * (needed - (to - from))) / view.viewport.height)}vh`;
  return [{ op: "add", path: `${path}/hold`, value }];
}
