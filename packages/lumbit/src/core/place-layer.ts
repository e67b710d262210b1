import { numbers } from "./arithmetic.ts";
import { isArranged, isFitContent } from "./arranged.ts";
import type { Box, Size } from "./box.ts";
import {
  type FitAxis,
  type FitMember,
  fitBox,
  fitSize,
  placeInFit,
  spaceOf,
  stretches,
} from "./fit-content.ts";
import { fittedWidth } from "./font-size.ts";
import { fillsScene, isGroup, isImage, isRow, isText } from "./kinds.ts";
import type { AnyLayer, GroupLayer } from "./layer.ts";
import type { Natural } from "./layout.ts";
import { hasPane } from "./paned.ts";
import { type Place, placedAxes, placedBox } from "./place.ts";
import { type Row, type RowInput, type RowMember, rowBoxes, rowSize } from "./row.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

/** What sizes of a scene's layers follow from. */
export interface Sizes {
  viewport: Viewport;
  natural: Natural;
  scene: string;
}

/** A layer's box at the settle moment, without overscan, the pane that clips it, and of a row where its layers stand in it. */
export interface Placed {
  box: Box;
  pane?: Box;
  members?: Placed[];
  /** Has a row fill another box: what is in it stands anew. */
  arrange?(box: Box): Placed;
}

/** Places a layer in the box around it; one in a row may be so many px wide. */
export function placeLayer(layer: AnyLayer, around: Size, sizes: Sizes, within?: number): Placed {
  const { viewport, natural, scene } = sizes;
  const whole = { left: 0, top: 0, width: around.width, height: around.height };
  if (isRow(layer)) return placeRow(layer, around, sizes, within);
  if (isFitContent(layer)) return placeFitContent(layer, around, sizes, within);
  if (fillsScene(layer) || (isGroup(layer) && !layer.place)) return { box: whole };
  const fitted = isText(layer) ? fittedWidth(layer) : undefined;
  const place = layer.place ?? { center: "both" };
  const box = placedBox(fitted === undefined ? place : ({ ...place, width: fitted } as Place), {
    viewport,
    around,
    natural: (available) =>
      isText(layer) || isImage(layer) ? natural.layer(layer, available, viewport, scene) : noSize,
    kind: isImage(layer) ? "image" : "text",
    maxWidth: isText(layer) ? layer.maxWidth : undefined,
    within: isText(layer) ? within : undefined,
  });
  if (!hasPane(layer)) return { box };
  if (!isGroup(layer)) return { box, pane: box };
  const px = (length: NonNullable<GroupLayer["size"]>["width"], percent: number) =>
    resolveLength(length ?? "100%", { viewport, percent });
  const { width, height } = layer.size ?? {};
  return { box: { ...box, width: px(width, box.width), height: px(height, box.height) }, pane: box };
}

/** Places a group whose layers stand beside each other: their percentages are of the box that it is in itself. */
function placeRow(layer: RowLayer, around: Size, sizes: Sizes, within?: number): Placed {
  const px = (length: Length | undefined) =>
    resolveLength(length ?? 0, { viewport: sizes.viewport, percent: around.width });
  const row: RowInput = { ...layer.row, gap: px(layer.row.gap), padding: px(layer.padding) };
  let needed: Size = noSize;
  let members: (Placed & { stretches: RowMember["stretches"] })[] = [];
  const inPx = () => members.map(({ box, stretches }) => ({ ...box, stretches }));
  const shown = layer.layers.filter(({ hidden }) => !hidden);
  const box = placedBox(layer.place ?? { center: "both" }, {
    viewport: sizes.viewport,
    around,
    kind: "text",
    within,
    natural(available) {
      const inside = Math.max(0, available - 2 * row.padding);
      members = shown.map((member) => ({
        ...placeLayer(member, around, sizes, inside),
        stretches: stretchesOf(member, px),
      }));
      needed = rowSize(row, inPx(), available);
      return needed;
    },
  });
  const arrange = (box: Box): Placed => {
    const boxes = rowBoxes(row, inPx(), box);
    const placed = new Map(
      shown.map((member, index) => {
        const [own, at] = [members[index] as Placed, boxes[index] as Box];
        return [member, own.arrange?.(at) ?? { ...own, box: at }];
      }),
    );
    return { box, members: layer.layers.map((member) => placed.get(member) ?? { box: nowhere }) };
  };
  if (!hasPane(layer)) return { ...arrange(box), arrange };
  return { ...arrange({ ...box, height: Math.max(box.height, needed.height) }), pane: box };
}

/** Places a group that is as large as what is in it: their percentages are of the box that it is in itself. */
function placeFitContent(layer: GroupLayer, around: Size, sizes: Sizes, within?: number): Placed {
  let members = new Map<AnyLayer, FitMember & { placed: Placed }>();
  const box = placedBox(layer.place ?? { center: "both" }, {
    viewport: sizes.viewport,
    around,
    kind: "text",
    within,
    natural(available) {
      const shown = layer.layers.filter(({ hidden }) => !hidden);
      members = new Map(shown.map((member) => [member, fitMember(member, around, sizes, available)]));
      return fitSize([...members.values()], available);
    },
  });
  const arrange = (box: Box): Placed => ({
    box,
    members: layer.layers.map((own) => {
      const member = members.get(own);
      if (!member) return { box: nowhere };
      const at = fitBox(member, box);
      return member.placed.arrange?.(at) ?? { ...member.placed, box: at };
    }),
  });
  return { ...arrange(box), arrange };
}

/** A layer of such a group, which may be so many px wide. */
function fitMember(
  member: AnyLayer,
  around: Size,
  sizes: Sizes,
  available: number,
): FitMember & { placed: Placed } {
  const place = placeInFit(member);
  const axes = placedAxes(
    numbers,
    place,
    (length, axis) =>
      resolveLength(length, {
        viewport: sizes.viewport,
        percent: axis === "x" ? around.width : around.height,
      }),
    around,
  );
  const { width, height } = place;
  const alone = {
    ...member,
    place: { ...(width !== undefined && { width }), ...(height !== undefined && { height }) },
  } as AnyLayer;
  const placed = placeLayer(alone, around, sizes, Math.max(0, available - spaceOf(axes.x)));
  const isStretched = !(isText(member) || isArranged(member));
  const axis = (own: Omit<FitAxis, "needs">, size: number): FitAxis => ({
    ...own,
    needs: isStretched && stretches(own) ? 0 : size,
  });
  return { x: axis(axes.x, placed.box.width), y: axis(axes.y, placed.box.height), placed };
}

/** How far a layer in a row may be stretched: what is as large as what is in it. */
function stretchesOf(layer: AnyLayer, px: (length: Length | undefined) => number): RowMember["stretches"] {
  const { width, height } = layer.place ?? {};
  const grows = (size: Length | undefined, most = Number.POSITIVE_INFINITY) =>
    (isText(layer) || isArranged(layer)) && size === undefined ? most : 0;
  return {
    x: grows(width, layer.maxWidth === undefined ? undefined : px(layer.maxWidth)),
    y: grows(height),
  };
}

type RowLayer = Extract<AnyLayer, { row?: unknown }> & { row: Row };

const noSize = { width: 0, height: 0 };
const nowhere: Box = { left: 0, top: 0, ...noSize };
