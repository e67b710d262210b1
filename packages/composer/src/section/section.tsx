import { allLayers, speedOf } from "lumbit/core";
import { isGroup } from "lumbit/internal";
import { useEffect, useMemo, useRef, useState } from "react";
import { ListBox, ListBoxItem } from "react-aria-components";
import { Hint } from "../hints/hint.tsx";
import { useComposed, useComposer } from "../state/context.ts";
import { type Arranged, arrange, equalsOf, groupsAround } from "./arrange.ts";
import { type Axis, bracketsOf, placeOf } from "./axis.ts";
import { CardFace, card, saidOf, type Way } from "./card.tsx";
import { changeSpeeds, depthOf, speedsOf } from "./depths.ts";
import { Seen } from "./seen.tsx";
import "./section.css";

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
  const ground = useComposed(({ page }) => scene?.background ?? page.page?.background);
  const [kept, setKept] = useState(false);
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
  const [opened, setOpened] = useState<readonly string[]>([]);
  const layers = scene?.layers ?? [];
  const open = new Set([...opened, ...selected.flatMap((one) => groupsAround(layers, one))]);
  const toggle = (group: string) => {
    setOpened(open.has(group) ? opened.filter((one) => one !== group) : [...opened, group]);
    // What is in a group that is closed is out of sight: the group is selected for it.
    if (selected.some((one) => groupsAround(layers, one).includes(group))) composer.select([group]);
  };
  const arranged = useRef<Arranged>({ cards: [], rows: [] });
  const way = useRef<Way | undefined>(undefined);
  // While depths are dragged all cards keep their rows and their order, so that nothing jumps under the hand.
  if (!dragging || way.current === "order")
    arranged.current = arrange(layers, open, axis, card.width + card.space);
  const { rows } = arranged.current;
  const named = new Map(allLayers(layers).map((layer) => [layer.name, layer]));
  const cards = arranged.current.cards.flatMap((own) => {
    const [layer, top] = [named.get(own.layer.name), named.get(own.top.name)];
    return layer && top ? [{ ...own, layer, top }] : [];
  });
  const places = cards.map(({ top }) => placeOf(speedOf(top), axis));
  const high = Math.max(0, ...rows) + 1;
  const brackets = bracketsOf(cards.map(({ top }) => speedOf(top)));

  return (
    <section
      className="section"
      aria-label="Section"
      ref={panel}
      onKeyDownCapture={(event) => {
        const focused = (event.target as Element).closest<HTMLElement>("[role='option']")?.dataset.key;
        const group = event.key === "Enter" && named.get(focused ?? "");
        if (group && isGroup(group)) toggle(group.name);
        const by = event.shiftKey ? step.shifted : step.key;
        const way = { ArrowRight: -by, ArrowLeft: by }[event.key];
        if (way === undefined || event.ctrlKey || event.metaKey) return;
        if (!(event.target as Element).closest("[role='option'], [role='listbox']")) return;
        event.preventDefault();
        event.stopPropagation();
        const from = speedsOf(composer, composer.selection());
        composer.goOn(depthOf(from), changeSpeeds(composer, from, way, event.altKey));
      }}
    >
      <Hint step="depth">Drag a card: to the right it lies deeper and moves less, to the left nearer.</Hint>
      {kept && <p className="kept">It stays where it is on the large stage; other screens differ.</p>}
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
          composer.select(keys === "all" ? cards.map(({ layer }) => layer.name) : [...keys].map(String), name)
        }
        items={cards.map((own, index) => ({ id: own.layer.name, own, index }))}
        dependencies={[places, axis, pictures, ground, opened, selected]}
        style={{ height: high * (card.height + card.space) }}
        renderEmptyState={() => (
          <p className="quiet nothing">No layers yet. Drop pictures on a stage, or add one.</p>
        )}
      >
        {({ own, index }) => (
          <ListBoxItem
            textValue={own.layer.name}
            aria-label={saidOf(own, open.has(own.layer.name))}
            className={[
              "card",
              own.layer.hidden && "left-out",
              own.within !== undefined && "inner",
              equalsOf(cards, own).length > 1 && "equal",
            ]
              .filter(Boolean)
              .join(" ")}
            style={{
              left: (places[index] ?? 0) - card.width / 2,
              top: (rows[index] ?? 0) * (card.height + card.space),
              width: card.width,
              height: card.height,
            }}
          >
            <CardFace
              own={own}
              url={own.layer.image === undefined ? undefined : pictures[own.layer.image]?.url}
              axis={axis}
              ground={ground}
              arranged={arranged}
              way={way}
              open={open.has(own.layer.name)}
              onOpen={() => toggle(own.layer.name)}
              onKept={setKept}
            />
          </ListBoxItem>
        )}
      </ListBox>
    </section>
  );
}
