import { isGroup, isRow, isSwiped, isText, type Length, type TextLayer } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { trackAt } from "../layer-at.ts";
import { fontSizeOf, lettersIn } from "../letters.ts";
import { movedBy } from "../moving.ts";
import { about, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "overflow",
  severity: "error",
  why: "What has no room is cut off, lies over something else, or past the side of the screen, where nothing scrolls to it.",
  scope: "scene",
  judge,
};

/** So many px at the side of a text may be empty: what a line leaves. */
const slack = 2;

/** Texts that are never whole between the sides of the screen, or that their scene cuts off, and rows without room. */
function judge(scene: SceneView, view: View): Sighting[] {
  return [...pastSides(scene, view), ...pastScene(scene, view), ...pastRows(scene)];
}

/** Rows whose layers reach past them. */
function pastRows(scene: SceneView): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, path } = own;
    if (!isRow(layer) || layout.hidden) return [];
    const members = (layout.layers ?? []).filter(({ hidden }) => !hidden).map(({ box }) => box);
    const { along = "x", wrap } = layer.row;
    const [needed, has] =
      along === "y"
        ? [Math.max(...members.map(({ top, height }) => top + height)), layout.box.height]
        : [Math.max(...members.map(({ left, width }) => left + width)), layout.box.width];
    if (needed - has <= slack) return [];
    const mends = along === "x" && !wrap && !layer.rules;
    return [
      {
        ...about(scene, own),
        ...{ from: scene.from, to: scene.to, amount: needed - has },
        measured: `what is in the row needs ${Math.round(needed)} px of the ${Math.round(has)} px that it has`,
        ...(mends && { change: [{ op: "add" as const, path: `${path}/row/wrap`, value: true }] }),
      },
    ];
  });
}

/** Of the size of its letters so much may a scene cut off: what descenders leave. */
const trimmed = 0.3;

function pastScene(scene: SceneView, view: View): Sighting[] {
  const { layout, from, to } = scene;
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout: laidOut, group } = own;
    if (!isText(layer) || laidOut.hidden || group) return [];
    const letters = lettersIn(laidOut.box, own, layer, view);
    const below = letters.top + letters.height - layout.height;
    const past = Math.max(below, -letters.top);
    // What is wholly outside comes in later, or never: another rule.
    if (past <= trimmed * fontSizeOf(layer, own, view) || past >= letters.height) return [];
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: past,
        measured: `its letters reach ${Math.round(past)} px past the ${below > 0 ? "bottom" : "top"} of its scene, which cuts them off`,
        ...(letters.height <= layout.height && {
          change: movedBy(own, { x: 0, y: below > 0 ? -past : past }, scene, view),
        }),
      },
    ];
  });
}

function pastSides(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, track } = own;
    if (!isText(layer) || layout.hidden || layer.repeat !== undefined) return [];
    const seen = track
      .filter(({ pose }) => pose.visible && pose.opacity >= 0.5 * layout.opacity && pose.rotate % 360 === 0)
      .map((moment) => ({ ...sidesOf(own, layer, moment, view), scroll: moment.scroll }));
    const [first, last] = [seen[0], seen.at(-1)];
    const least = seen.toSorted((a, b) => a.past - b.past)[0];
    if (!first || !last || !least || least.past <= slack) return [];
    return [
      {
        ...about(scene, own),
        from: first.scroll,
        to: last.scroll,
        amount: least.past,
        measured: `its letters reach ${Math.round(least.past)} px past the side of the screen`,
        ...narrower(own, layer, least, view),
      },
    ];
  });
}

interface Sides {
  left: number;
  right: number;
  /** How far the letters reach past the sides of the screen, in px. */
  past: number;
}

/** Between which sides a text can be read: those of the screen, or of its slide in a row that is swiped. */
function readable({ group }: LayerView, scroll: number, { viewport }: View): [from: number, to: number] {
  const inReel = group?.group && isGroup(group.group.layer) && group.group.layer.reel;
  const slide = inReel && isSwiped(inReel, viewport.width) ? trackAt(group, scroll)?.pose : undefined;
  return slide ? [slide.left, slide.left + slide.width] : [0, viewport.width];
}

/** Where the letters of a text begin and end on the screen. */
function sidesOf(own: LayerView, layer: TextLayer, { pose, scroll }: TrackPoint, view: View): Sides {
  const { left, width } = lettersIn(pose, own, layer, view);
  const [from, to] = readable(own, scroll, view);
  return { left, right: left + width, past: Math.max(from - left, left + width - to) };
}

/** Lets the text break, or narrows it on screens that are narrower than it is. */
function narrower(
  { path }: LayerView,
  layer: TextLayer,
  { left, right }: Sides,
  { viewport }: View,
): { change?: Change[] } {
  if (layer.rules) return {};
  if (layer.wrap === false) return { change: [{ op: "remove", path: `${path}/wrap` }] };
  const place = layer.place as { width?: Length; left?: Length } | undefined;
  if (place?.width === undefined || left < 0) return {};
  if (viewport.width <= 2 * left) return {};
  const width: Length = `${Math.floor((100 * (viewport.width - 2 * left)) / viewport.width)}%`;
  return {
    change: [
      {
        op: "add",
        path: `${path}/rules`,
        value: [{ media: `(max-width: ${Math.ceil(right)}px)`, place: { ...place, width } }],
      },
    ],
  };
}
