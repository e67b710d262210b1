import { type AnyLayer, type Page, speedOf } from "lumbit/core";
import { isGroup, isImage, plainText } from "lumbit/internal";
import { type PointerEvent, type RefObject, useRef } from "react";
import type { Shown } from "../desk/shown.ts";
import { listOf } from "../edit/find.ts";
import { reorder } from "../edit/layers.ts";
import { useComposer } from "../state/context.ts";
import { onEscape } from "../state/escape.ts";
import { type Arranged, beforeWhich, type Card, equalsOf } from "./arrange.ts";
import { type Axis, placeOf, speedAtPlace } from "./axis.ts";
import { changeSpeeds, depthOf, type Speed, speedsOf, standingNow } from "./depths.ts";

/** How large a card is, and the room between two, in px. */
export const card = { width: 88, height: 40, space: 5 };

/** What a hand does with a card: to the sides it changes depths, up and down the order of those of one depth. */
export type Way = "depth" | "order";

interface Held {
  x: number;
  y: number;
  from: readonly Speed[];
  standing: readonly Shown[];
  arranged: Arranged;
  end(): void;
}

/** What is drawn on a card, to be dragged. `way` says to others what the hand that is on it does. */
export function CardFace({
  own,
  url,
  ground,
  axis,
  arranged,
  way,
  open,
  onOpen,
  onKept,
}: {
  own: Card;
  url: string | undefined;
  /** What its scene's ground is painted with. */
  ground: string | undefined;
  axis: Axis;
  arranged: RefObject<Arranged>;
  way: RefObject<Way | undefined>;
  open: boolean;
  onOpen(): void;
  /** Whether it is dragged so that it keeps where it is. */
  onKept(kept: boolean): void;
}) {
  const composer = useComposer();
  const held = useRef<Held | undefined>(undefined);
  const letGo = () => {
    held.current?.end();
    held.current = way.current = undefined;
    onKept(false);
    composer.letGo();
  };
  const { layer, top } = own;
  const nameNow = () => ({ scene: composer.store.getState().scene, layer: layer.name });
  const changed = (hand: Held, { clientX, clientY, altKey }: PointerEvent) => {
    if (way.current === "depth") {
      const speed = hand.from.find(({ name }) => name.layer === top.name)?.speed ?? 0;
      const by = speedAtPlace(placeOf(speed, axis) + clientX - hand.x, axis) - speed;
      return { name: depthOf(hand.from), edit: changeSpeeds(composer, hand.from, by, altKey, hand.standing) };
    }
    const name = nameNow();
    const rows = Math.round((clientY - hand.y) / (card.height + card.space));
    return {
      name: `${layer.name}: order`,
      edit: (page: Page) => {
        const before = beforeWhich(hand.arranged, layer.name, rows, listOf(page, name) ?? []);
        if (before !== null) reorder([name], before)(page);
      },
    };
  };
  return (
    <div
      className="face"
      onPointerDown={(event) => {
        if (event.button !== 0 || layer.locked) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const several = composer.selection();
        held.current = {
          ...{ x: event.clientX, y: event.clientY },
          from: speedsOf(composer, several.some((one) => one.layer === layer.name) ? several : [nameNow()]),
          ...{ standing: standingNow(composer), arranged: arranged.current },
          end: onEscape(letGo),
        };
      }}
      onPointerMove={(event) => {
        const hand = held.current;
        if (!hand) return;
        if (!way.current) {
          const [across, down] = [event.clientX - hand.x, event.clientY - hand.y].map(Math.abs) as [
            number,
            number,
          ];
          if (Math.max(across, down) < 3) return;
          way.current = down > across && equalsOf(arranged.current.cards, own).length > 1 ? "order" : "depth";
          if (!composer.store.getState().selected.includes(layer.name)) composer.select([layer.name]);
        }
        onKept(event.altKey && way.current === "depth");
        composer.drag(changed(hand, event).edit);
      }}
      onPointerUp={(event) => {
        const hand = held.current;
        if (hand && way.current) {
          const { name, edit } = changed(hand, event);
          composer.edit(name, edit);
        }
        held.current?.end();
        held.current = way.current = undefined;
        onKept(false);
      }}
      onPointerCancel={letGo}
    >
      <span className="name">
        {layer.name}
        {layer.settle !== undefined && (
          <i className="own" title={settleInWords(layer.settle)} aria-hidden="true" />
        )}
      </span>{" "}
      {isImage(layer) && url ? (
        <img src={url} alt="" draggable={false} style={{ background: ground }} />
      ) : isGroup(layer) ? (
        // What opens is told by the keyboard's way, Enter on the card.
        <q
          className="opens"
          aria-hidden="true"
          onPointerDown={(event) => event.stopPropagation()}
          onClick={onOpen}
        >
          {open ? "▾" : "▸"} {layersIn(layer)}
        </q>
      ) : (
        <q>{wordsOf(layer)}</q>
      )}
    </div>
  );
}

const layersIn = ({ layers }: { layers: readonly unknown[] }): string =>
  layers.length === 1 ? "1 layer" : `${layers.length} layers`;

const wordsOf = ({ text, shape, markup, reel, row }: AnyLayer): string =>
  (text === undefined
    ? (shape ?? markup ?? (reel ? "reel" : row ? "row" : "group"))
    : plainText(text)
  ).replaceAll(/\s+/g, " ");

/** What a card says, for those who listen. */
export function saidOf({ layer, top, within }: Card, open: boolean): string {
  const said = [
    layer.image === undefined ? `${layer.name} ${wordsOf(layer)}` : layer.name,
    within === undefined ? depthInWords(top) : `in ${within}`,
    ...(top.settle === undefined || within !== undefined ? [] : [settleInWords(top.settle)]),
    ...(isGroup(layer) ? [`${layersIn(layer)}, Enter ${open ? "closes" : "opens"} it`] : []),
    ...(layer.hidden ? ["hidden"] : []),
    ...(layer.locked ? ["locked"] : []),
    ...(layer.bundle ? [`in the bundle ${layer.bundle}`] : []),
  ];
  return said.join(", ");
}

/** When a layer settles by itself, in words. */
const settleInWords = (settle: string | number): string =>
  `settles at ${typeof settle === "number" ? `${Math.round(settle * 100)} %` : `"${settle}"`} of its own passage`;

/** The depth of a layer in words. */
function depthInWords(layer: AnyLayer): string {
  const speed = speedOf(layer);
  if (speed === 0) return "at the horizon";
  const depth = 1 / speed - 1;
  if (Math.abs(depth) < 0.005) return "on the page surface";
  return depth > 0 ? `${depth.toFixed(2)} deep` : `${(-depth).toFixed(2)} in front of the page`;
}
