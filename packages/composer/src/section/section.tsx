import { type AnyLayer, type LayerName, speedOf } from "lumbit/core";
import { isGroup, isImage } from "lumbit/internal";
import { type PointerEvent, useEffect, useMemo, useRef, useState } from "react";
import { ListBox, ListBoxItem } from "react-aria-components";
import { displaced } from "../desk/displaced.ts";
import { type Shown, shownIn } from "../desk/shown.ts";
import { all, type Edit } from "../edit/edit.ts";
import { layerOf } from "../edit/find.ts";
import { move } from "../edit/place.ts";
import { setSpeed } from "../edit/set-depth.ts";
import { Hint } from "../hints/hint.tsx";
import { useComposed, useComposer } from "../state/context.ts";
import type { Composer } from "../state/store.ts";
import { type Axis, bracketsOf, placeOf, rowsOf, speedAtPlace } from "./axis.ts";
import "./section.css";

const card = { width: 88, height: 40, space: 5 };
/** What stands on the axis. */
const marks = [
  { speed: 2, words: "in front" },
  { speed: 1, words: "page surface" },
  { speed: 0.5, words: "1 deep" },
  { speed: 0.25, words: "3 deep" },
  { speed: 0, words: "horizon" },
];
/** Beside the axis, for the reader and for the horizon's name, in px. */
const beside = { reader: 72, horizon: 64 };
/** What one press of an arrow key changes a speed by, and one with Shift. */
const step = { key: 0.01, shifted: 0.1 };

/** The scene from the side: the reader at the left, every layer as a card at its depth, the horizon at the right. */
export function Section() {
  const composer = useComposer();
  const name = useComposed(({ scene }) => scene);
  const selected = useComposed(({ selected }) => selected);
  const scene = useComposed(({ page, scene }) => page.scenes.find(({ name }) => name === scene));
  const pictures = useComposed(({ assets }) => assets.pictures);
  const panel = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = panel.current;
    if (!element) return;
    const sizes = new ResizeObserver(() => setWidth(element.clientWidth));
    sizes.observe(element);
    return () => sizes.disconnect();
  }, []);
  const axis = useMemo((): Axis => ({ from: beside.reader, to: width - beside.horizon }), [width]);
  const dragging = useComposed(({ dragging }) => dragging);
  const arranged = useRef<Arranged>({ layers: [], rows: [] });
  // While a card is dragged all keep their rows and their order, so that nothing jumps under the hand.
  if (!dragging) arranged.current = arrange(scene?.layers ?? [], axis);
  const { layers: names, rows } = arranged.current;
  const layers = names.flatMap((name) => scene?.layers.find((layer) => layer.name === name) ?? []);
  const places = layers.map((layer) => placeOf(speedOf(layer), axis));
  const high = Math.max(0, ...rows) + 1;
  const brackets = bracketsOf(layers.map(speedOf));

  return (
    <section
      className="section"
      aria-label="Section"
      ref={panel}
      onKeyDownCapture={(event) => {
        const by = event.shiftKey ? step.shifted : step.key;
        const way = { ArrowRight: -by, ArrowLeft: by }[event.key];
        if (way === undefined || event.ctrlKey || event.metaKey) return;
        if (!(event.target as Element).closest("[role='option'], [role='listbox']")) return;
        event.preventDefault();
        event.stopPropagation();
        const moved = composer.selection();
        const page = composer.store.getState().page;
        const speeds = moved.map((one) => ({ name: one, speed: speedOf(layerOf(page, one) ?? {}) + way }));
        composer.goOn(depthOf(moved), toSpeeds(composer, speeds, event.altKey));
      }}
    >
      <Hint step="depth">Drag a card: to the right it lies deeper and moves less, to the left nearer.</Hint>
      <div className="axis" aria-hidden="true">
        <span style={{ left: 16, translate: "none" }}>reader</span>
        {marks.map(({ speed, words }) => (
          <span key={speed} className={speed === 1 ? "surface" : ""} style={{ left: placeOf(speed, axis) }}>
            {words}
          </span>
        ))}
        {brackets.map(([near, far]) => (
          <i
            key={near}
            title="A reader cannot tell these apart: their speeds differ by less than 5 %."
            style={{ left: placeOf(near, axis) - 3, width: placeOf(far, axis) - placeOf(near, axis) + 6 }}
          />
        ))}
      </div>
      <div className="lines" aria-hidden="true" style={{ height: high * (card.height + card.space) }}>
        {marks.map(({ speed }) => (
          <i key={speed} className={speed === 1 ? "surface" : ""} style={{ left: placeOf(speed, axis) }} />
        ))}
        <Seen axis={axis} width={width} />
      </div>
      <ListBox
        className="cards"
        aria-label={`Layers of ${name}, the nearest first; arrows left and right change their depth`}
        selectionMode="multiple"
        selectionBehavior="replace"
        selectedKeys={selected}
        onSelectionChange={(keys) =>
          composer.select(keys === "all" ? [...names] : [...keys].map(String), name)
        }
        items={layers.map((layer, index) => ({ id: layer.name, layer, index }))}
        dependencies={[places, axis, pictures]}
        style={{ height: high * (card.height + card.space) }}
        renderEmptyState={() => (
          <p className="quiet nothing">No layers yet. Drop pictures on a stage, or add one.</p>
        )}
      >
        {({ layer, index }) => (
          <ListBoxItem
            textValue={layer.name}
            aria-label={`${nameOf(layer)}, ${inWords(layer)}${layer.hidden ? ", hidden" : ""}${layer.locked ? ", locked" : ""}`}
            className={layer.hidden ? "card hidden" : "card"}
            style={{
              left: (places[index] ?? 0) - card.width / 2,
              top: (rows[index] ?? 0) * (card.height + card.space),
              width: card.width,
              height: card.height,
            }}
          >
            <Card
              layer={layer}
              url={layer.image === undefined ? undefined : pictures[layer.image]?.url}
              axis={axis}
            />
          </ListBoxItem>
        )}
      </ListBox>
    </section>
  );
}

/** Half of what the camera sees at the page surface, in px. */
const seen = { middle: 117, half: 30 };

/** What the camera sees: the farther, the more, in proportion to 1 + depth, which is one in the speed. */
function Seen({ axis, width }: { axis: Axis; width: number }) {
  const points = Array.from({ length: 60 }, (_, index) => 2.5 * (1 - index / 60)).filter(
    (speed) => seen.half / speed < seen.middle,
  );
  const edge = (side: 1 | -1) =>
    points.map(
      (speed) =>
        `${placeOf(speed, axis).toFixed(1)},${(seen.middle + (side * seen.half) / speed).toFixed(1)}`,
    );
  return (
    <svg aria-hidden="true" width={width} height={2 * seen.middle}>
      {([-1, 1] as const).map((side) => (
        <polyline key={side} points={`40,${seen.middle} ${edge(side).join(" ")}`} />
      ))}
    </svg>
  );
}

/** Which layer stands where in the list, and in which row. */
interface Arranged {
  layers: readonly string[];
  rows: readonly number[];
}

/** Layers by their speed, what is nearest first, as one meets it from the reader; of equals what is painted last. */
function arrange(layers: readonly AnyLayer[], axis: Axis): Arranged {
  const sorted = layers.toReversed().toSorted((a, b) => speedOf(b) - speedOf(a));
  const places = sorted.map((layer) => placeOf(speedOf(layer), axis));
  return { layers: sorted.map(({ name }) => name), rows: rowsOf(places, card.width + card.space) };
}

const wordsOf = ({ text, shape, reel }: AnyLayer): string =>
  (text ?? shape ?? (reel ? "reel" : "group")).replaceAll(/\s+/g, " ");

/** What a card says, for those who listen. */
const nameOf = (layer: AnyLayer): string =>
  layer.image === undefined ? `${layer.name} ${wordsOf(layer)}` : layer.name;

const depthOf = (names: readonly LayerName[]) =>
  names.length === 1 ? `${names[0]?.layer}: depth` : `${names.length} layers: depth`;

/** The depth of a layer in words. */
export function inWords(layer: AnyLayer): string {
  const speed = speedOf(layer);
  if (speed === 0) return "at the horizon";
  const depth = 1 / speed - 1;
  if (Math.abs(depth) < 0.005) return "on the page surface";
  return depth > 0 ? `${depth.toFixed(2)} deep` : `${(-depth).toFixed(2)} in front of the page`;
}

/** Gives layers speeds. Where they are to stay on the screen, their places make up for it. */
function toSpeeds(
  composer: Composer,
  speeds: readonly { name: LayerName; speed: number }[],
  stay: boolean,
  standing: readonly Shown[] = standingNow(composer),
): Edit {
  const { stands, scene } = composer.store.getState();
  return all(
    ...speeds.flatMap(({ name, speed }): Edit[] => {
      const set = setSpeed(name, speed);
      const own = standing.find((one) => one.name.layer === name.layer);
      if (!stay || !stands || !own || own.pane || !own.layer.place) return [set];
      return [
        set,
        (page) => {
          const layer = layerOf(page, name);
          if (!layer) return;
          const [before, after] = [own.layer, { ...own.layer, ...motionOf(layer) } as AnyLayer].map((one) =>
            displaced(stands.layout, scene, stands.scroll, one),
          );
          if (before && after) move([own], { x: before.x - after.x, y: before.y - after.y })(page);
        },
      ];
    }),
  );
}

const motionOf = ({ depth, speed }: AnyLayer) => ({ depth, speed });

function standingNow(composer: Composer): Shown[] {
  const { stands, scene } = composer.store.getState();
  return stands ? shownIn(stands.layout, scene, stands.scroll) : [];
}

function Card({ layer, url, axis }: { layer: AnyLayer; url: string | undefined; axis: Axis }) {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const drag = useRef<
    | {
        x: number;
        from: readonly { name: LayerName; speed: number }[];
        standing: readonly Shown[];
        moved: boolean;
      }
    | undefined
  >(undefined);
  const name = { scene, layer: layer.name };
  /** All that are selected are dragged by the same step of speed. */
  const edit = ({ clientX, altKey }: PointerEvent): Edit => {
    const { x, from, standing } = drag.current ?? { x: clientX, from: [], standing: [] };
    const own = from.find((one) => one.name.layer === layer.name)?.speed ?? 0;
    const by = speedAtPlace(placeOf(own, axis) + clientX - x, axis) - own;
    return toSpeeds(
      composer,
      from.map(({ name, speed }) => ({ name, speed: speed + by })),
      altKey,
      standing,
    );
  };
  return (
    <div
      className="face"
      onPointerDown={(event) => {
        if (event.button !== 0 || layer.locked) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const several = composer.selection();
        const moved = several.some((one) => one.layer === layer.name) ? several : [name];
        const page = composer.store.getState().page;
        drag.current = {
          x: event.clientX,
          from: moved.map((name) => ({ name, speed: speedOf(layerOf(page, name) ?? {}) })),
          standing: standingNow(composer),
          moved: false,
        };
      }}
      onPointerMove={(event) => {
        const held = drag.current;
        if (!held || (!held.moved && Math.abs(event.clientX - held.x) < 3)) return;
        if (!held.moved) composer.select(held.from.map(({ name }) => name.layer));
        held.moved = true;
        composer.drag(edit(event));
      }}
      onPointerUp={(event) => {
        const held = drag.current;
        if (held?.moved) composer.edit(depthOf(held.from.map(({ name }) => name)), edit(event));
        drag.current = undefined;
      }}
      onPointerCancel={() => {
        drag.current = undefined;
        composer.letGo();
      }}
    >
      <span className="name">{layer.name}</span>{" "}
      {isImage(layer) && url ? (
        <img src={url} alt="" draggable={false} />
      ) : (
        <q>{isGroup(layer) ? `${layer.layers.length} layers` : wordsOf(layer)}</q>
      )}
    </div>
  );
}
