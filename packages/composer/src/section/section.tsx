import { type Layer, speedOf } from "lumbit/core";
import { type PointerEvent, useEffect, useMemo, useRef, useState } from "react";
import { ListBox, ListBoxItem } from "react-aria-components";
import { layerOf, setSpeed } from "../edit/set-depth.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { type Axis, placeOf, rowsOf, speedAtPlace } from "./axis.ts";

const card = { width: 88, height: 46, space: 6 };
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
  const selected = useComposed(({ layer }) => layer);
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

  const change = (layer: Layer, by: number) =>
    composer.edit(`${layer.name}: depth`, setSpeed({ scene: name, layer: layer.name }, speedOf(layer) + by));

  return (
    <section
      className="section"
      aria-label="Section"
      ref={panel}
      onKeyDownCapture={(event) => {
        const by = event.shiftKey ? step.shifted : step.key;
        const layer = scene?.layers.find(({ name }) => name === selected);
        const way = { ArrowRight: -by, ArrowLeft: by }[event.key];
        if (!layer || way === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        change(layer, way);
      }}
    >
      <div className="axis" aria-hidden="true">
        <span style={{ left: 16, translate: "none" }}>reader</span>
        {marks.map(({ speed, words }) => (
          <span key={speed} className={speed === 1 ? "surface" : ""} style={{ left: placeOf(speed, axis) }}>
            {words}
          </span>
        ))}
      </div>
      <div className="lines" aria-hidden="true" style={{ height: high * (card.height + card.space) }}>
        {marks.map(({ speed }) => (
          <i key={speed} className={speed === 1 ? "surface" : ""} style={{ left: placeOf(speed, axis) }} />
        ))}
      </div>
      <ListBox
        className="cards"
        aria-label={`Layers of ${name}, the nearest first; arrows left and right change their depth`}
        selectionMode="single"
        selectionBehavior="replace"
        selectedKeys={selected === undefined ? [] : [selected]}
        onSelectionChange={(keys) => {
          const [key] = [...keys];
          composer.select(key === undefined ? undefined : { scene: name, layer: String(key) });
        }}
        items={layers.map((layer, index) => ({ id: layer.name, layer, index }))}
        dependencies={[places, axis, pictures]}
        style={{ height: high * (card.height + card.space) }}
      >
        {({ layer, index }) => (
          <ListBoxItem
            textValue={layer.name}
            aria-label={`${nameOf(layer)}, ${inWords(layer)}`}
            className="card"
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

/** Which layer stands where in the list, and in which row. */
interface Arranged {
  layers: readonly string[];
  rows: readonly number[];
}

/** Layers by their speed, what is nearest first, as one meets it from the reader. */
function arrange(layers: readonly Layer[], axis: Axis): Arranged {
  const sorted = layers.toSorted((a, b) => speedOf(b) - speedOf(a));
  const places = sorted.map((layer) => placeOf(speedOf(layer), axis));
  return { layers: sorted.map(({ name }) => name), rows: rowsOf(places, card.width + card.space) };
}

const wordsOf = ({ text, shape }: Layer): string => (text ?? shape ?? "group").replaceAll(/\s+/g, " ");

/** What a card says, for those who listen. */
const nameOf = (layer: Layer): string =>
  layer.image === undefined ? `${layer.name} ${wordsOf(layer)}` : layer.name;

/** The depth of a layer in words. */
export function inWords(layer: Layer): string {
  const speed = speedOf(layer);
  if (speed === 0) return "at the horizon";
  const depth = 1 / speed - 1;
  if (Math.abs(depth) < 0.005) return "on the page surface";
  return depth > 0 ? `${depth.toFixed(2)} deep` : `${(-depth).toFixed(2)} in front of the page`;
}

function Card({ layer, url, axis }: { layer: Layer; url: string | undefined; axis: Axis }) {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const drag = useRef<{ x: number; from: number; moved: boolean } | undefined>(undefined);
  const name = { scene, layer: layer.name };
  const speedFor = ({ clientX }: PointerEvent) => {
    const { x, from } = drag.current ?? { x: clientX, from: 0 };
    return speedAtPlace(from + clientX - x, axis);
  };
  return (
    <div
      className="face"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = { x: event.clientX, from: placeOf(speedOf(layer), axis), moved: false };
        composer.select(name);
      }}
      onPointerMove={(event) => {
        const held = drag.current;
        if (!held || (!held.moved && Math.abs(event.clientX - held.x) < 3)) return;
        held.moved = true;
        composer.drag(setSpeed(name, speedFor(event)));
      }}
      onPointerUp={(event) => {
        const held = drag.current;
        if (held?.moved) composer.edit(`${layer.name}: depth`, setSpeed(name, speedFor(event)));
        drag.current = undefined;
      }}
      onPointerCancel={() => {
        const now = layerOf(composer.store.getState().page, name);
        if (drag.current?.moved && now) composer.edit(`${layer.name}: depth`, setSpeed(name, speedOf(now)));
        drag.current = undefined;
      }}
    >
      <span className="name">{layer.name}</span>{" "}
      {url ? <img src={url} alt="" draggable={false} /> : <q>{wordsOf(layer)}</q>}
    </div>
  );
}
