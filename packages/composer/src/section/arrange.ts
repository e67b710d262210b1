import { type AnyLayer, allLayers, speedOf } from "lumbit/core";
import { type Axis, placeOf, rowsOf } from "./axis.ts";

/** A layer in the section, and the layer of the scene that it is or is in: the two move as one. */
export interface Card {
  layer: AnyLayer;
  top: AnyLayer;
  /** The group that it is in. */
  within?: string;
}

/** Cards from the nearest to the farthest, as one meets them from the reader, and the row of each. */
export interface Arranged {
  cards: readonly Card[];
  rows: readonly number[];
}

/** The layers of a scene as cards: of equals first what is painted last, behind a group that is open what is in it. */
export function arrange(
  layers: readonly AnyLayer[],
  open: ReadonlySet<string>,
  axis: Axis,
  width: number,
): Arranged {
  const opened = (card: Card): Card[] => [
    card,
    ...(open.has(card.layer.name) ? (card.layer.layers ?? []) : [])
      .toReversed()
      .flatMap((layer) => opened({ layer, top: card.top, within: card.layer.name })),
  ];
  const cards = layers
    .toReversed()
    .toSorted((a, b) => speedOf(b) - speedOf(a))
    .flatMap((layer) => opened({ layer, top: layer }));
  const places = cards.map(({ top }) => placeOf(speedOf(top), axis));
  return { cards, rows: rowsOf(places, width) };
}

/** Names of the groups that a layer is in, the outermost first. */
export const groupsAround = (layers: readonly AnyLayer[], name: string): string[] =>
  layers.flatMap((group) =>
    allLayers(group.layers ?? []).some((layer) => layer.name === name)
      ? [group.name, ...groupsAround(group.layers ?? [], name)]
      : [],
  );

/** The cards of one list that a card can change places with, itself among them: those of its depth. */
export const equalsOf = (cards: readonly Card[], { top, within }: Card): Card[] =>
  cards.filter(
    (card) => card.within === within && (within !== undefined || speedOf(card.top) === speedOf(top)),
  );

/**
 * Where a layer comes when its card is moved by a number of rows among its equals: the layer of their list that it is to
 * be painted right before, undefined for the end of the list; null where it stays.
 */
export function beforeWhich(
  { cards, rows }: Arranged,
  name: string,
  by: number,
  list: readonly AnyLayer[],
): string | undefined | null {
  const own = cards.find(({ layer }) => layer.name === name);
  if (!own) return null;
  const rowOf = (card: Card) => rows[cards.indexOf(card)] ?? 0;
  const equals = equalsOf(cards, own);
  const awayFrom = (card: Card) => Math.abs(rowOf(card) - rowOf(own) - by);
  const nearest = equals.reduce((best, card) => (awayFrom(card) < awayFrom(best) ? card : best));
  if (nearest === own) return null;
  // What is farther down lies behind: in its list right before the one whose place is taken.
  if (equals.indexOf(nearest) > equals.indexOf(own)) return nearest.layer.name;
  return list[list.findIndex((layer) => layer.name === nearest.layer.name) + 1]?.name;
}
