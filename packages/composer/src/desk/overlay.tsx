import { type Box, layersAt } from "lumbit/core";
import { allLayers, fillsScene, intersects, isText } from "lumbit/internal";
import { lazy, type PointerEvent, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { addPictures, filesOf } from "../begin/add-pictures.ts";
import { all } from "../edit/edit.ts";
import { layerOf, sceneOf } from "../edit/find.ts";
import { bundleOf } from "../edit/layers.ts";
import { type Edges, move, resize, setSubject } from "../edit/place.ts";
import { setSetting } from "../edit/settings.ts";
import type { Stands } from "../stage/messages.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { attracted, type Guide, reach } from "./attract.ts";
import { around, boxOf, type Point, shiftedBy } from "./boxes.ts";
import { boxAround, growAll, inPlace } from "./grow.ts";
import { corners, Grips, Handles } from "./handles.tsx";
import { isThere, layersOnScreen, lookAt } from "./pixels.ts";
import { ghostsOf, type Shown, sceneBox, shownIn } from "./shown.ts";
import { Words } from "./words.tsx";
import "./overlay.css";

const MarksOnStage = lazy(async () => ({ default: (await import("../findings/marks.tsx")).MarksOnStage }));

/** What a hand is doing on a stage. Points are in px of its screen. */
type Gesture =
  | { kind: "press"; at: Point; found: Found; again: boolean; several: boolean }
  | { kind: "move"; at: Point; from: Stands; moved: readonly Shown[]; others: readonly Box[] }
  | { kind: "resize"; at: Point; shown: Shown; edges: Edges }
  | { kind: "grow"; at: Point; grown: readonly Shown[]; edges: Edges }
  /** Taken hold of beside the point: `by` is how far. */
  | { kind: "subject"; shown: Shown; by: Point }
  | { kind: "frame"; at: Point; several: boolean };

/** What lies at a point: the layers of one scene, what is on top first. */
interface Found {
  scene: string;
  layers: readonly string[];
}

/** What is drawn while a hand is on something. */
interface Drawn {
  /** What is moved, as it stood when the hand came, and how far it has been brought. */
  moved?: readonly Shown[];
  from?: Stands;
  move?: Point;
  guides?: readonly Guide[];
  frame?: Box;
}

/** How far a hand goes before it drags, in px of the composer. */
const slack = 3;

/** What can be taken hold of on a stage: layers are selected, moved, resized, and their words written, right where they are. */
export function Overlay({
  name,
  large,
  scale,
  stands,
  scrollBy,
}: {
  name: string;
  large: boolean;
  scale: number;
  /** Where nothing can be placed: nothing. */
  stands: Stands | undefined;
  scrollBy(y: number): void;
}) {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const selected = useComposed(({ selected }) => selected);
  const dragging = useComposed(({ dragging }) => dragging);
  const isMarked = useComposed(({ judged }) => (judged?.findings.length ?? 0) > 0);
  const pane = useRef<HTMLDivElement>(null);
  const gesture = useRef<Gesture>(undefined);
  /** Where the last click was, and what came of it. */
  const clicked = useRef<Point>(undefined);
  /** What arrow keys began from, and how far they have brought it. */
  const nudged = useRef<{ moved: readonly Shown[]; by: Point }>(undefined);
  const [by, setBy] = useState<Drawn>({});
  const [hover, setHover] = useState<{ at: Point; names: readonly string[] }>();
  const [writing, setWriting] = useState<Shown>();
  const asked = useComposed(({ writing }) => (large ? writing : undefined));

  const shown = useMemo(
    () =>
      stands && selected.length > 0
        ? shownIn(stands.layout, scene, stands.scroll).filter(({ name }) => selected.includes(name.layer))
        : [],
    [stands, scene, selected],
  );
  useEffect(() => {
    if (!dragging) nudged.current = undefined;
  }, [dragging]);

  // Words that were put in are written at once, as soon as they stand there.
  useEffect(() => {
    const one = asked !== undefined && shown.find(({ name }) => name.layer === asked);
    if (!one) return;
    composer.writeWords(undefined);
    setWriting(one);
  }, [composer, asked, shown]);

  // Clicks find what is seen of a picture once it was looked at: those on the screen are, before a click comes.
  const assets = useComposed(({ assets }) => assets);
  const findAgain = useRef<() => void>(undefined);
  useEffect(() => {
    if (stands) void lookAt(layersOnScreen(stands), assets).then(() => findAgain.current?.());
  }, [stands, assets]);

  const pointOf = ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const { left = 0, top = 0 } = pane.current?.getBoundingClientRect() ?? {};
    return { x: (clientX - left) / scale, y: (clientY - top) / scale };
  };
  /** What lies at a point: first that of which there is something to be seen, then what is looked through. */
  const find = (at: Point): Found => {
    const found = stands ? layersAt(stands.layout, stands.scroll, at) : [];
    const own = found[0]?.scene ?? scene;
    const { page } = composer.store.getState();
    const locked = new Set(
      allLayers(sceneOf(page, own)?.layers ?? []).flatMap(({ name, locked }) => (locked ? [name] : [])),
    );
    const all = stands ? shownIn(stands.layout, own, stands.scroll) : [];
    const layers = found.map(({ layer }) => layer).filter((layer) => !locked.has(layer));
    const isSeen = (layer: string) => {
      const one = all.find(({ name }) => name.layer === layer);
      return one !== undefined && isThere(one, at, assets);
    };
    return { scene: own, layers: [...layers.filter(isSeen), ...layers.filter((layer) => !isSeen(layer))] };
  };
  findAgain.current = () => hover && setHover({ at: hover.at, names: find(hover.at).layers });
  const bundled = (layer: string, scene: string) =>
    bundleOf(composer.store.getState().page, { scene, layer });
  const nameOf = (moved: readonly Shown[]) =>
    moved.length === 1 ? `${moved[0]?.name.layer}: place` : `${moved.length} layers: place`;
  const moveAll = (moved: readonly Shown[], by: Point) =>
    all(...moved.map((one) => move([one], inPlace(one, by))));
  const canMove = ({ layer, carried, inRow }: Shown) =>
    !fillsScene(layer) && !inRow && !(carried && layer.layers);

  /** What is resized together. */
  const together = shown.length > 1 ? shown.filter(canMove) : [];

  function onPointerDown(event: PointerEvent<HTMLDivElement>): void {
    if (event.button !== 0 || !stands) return;
    setHover(undefined);
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = pointOf(event);
    const handle = (event.target as HTMLElement).dataset.handle;
    const [only] = shown;
    if (handle === "subject" && only) {
      const [x, y] = only.layer.subject ?? [0.5, 0.5];
      const { left, top, width, height } = only.pose;
      const by = { x: left + x * width - at.x, y: top + y * height - at.y };
      gesture.current = { kind: "subject", shown: only, by };
    } else if (handle && only) {
      const [x = 0, y = 0] = handle.split(" ").map(Number);
      const edges = { x, y } as Edges;
      gesture.current =
        together.length > 1
          ? { kind: "grow", at, grown: together, edges }
          : { kind: "resize", at, shown: only, edges };
    } else {
      const found = find(at);
      const again = found.scene === scene && found.layers.some((layer) => selected.includes(layer));
      gesture.current = { kind: "press", at, found, again, several: event.shiftKey };
      const [top] = found.layers;
      if (!again && !event.shiftKey)
        composer.select(top === undefined ? [] : bundled(top, found.scene), found.scene);
    }
  }

  function onPointerMove(event: PointerEvent<HTMLDivElement>): void {
    const at = pointOf(event);
    const held = gesture.current;
    if (!held) {
      setHover({ at, names: find(at).layers });
      return;
    }
    if (held.kind === "press") {
      if (Math.hypot(at.x - held.at.x, at.y - held.at.y) * scale < slack || !stands) return;
      const own = composer.store.getState();
      const moved = shownIn(stands.layout, own.scene, stands.scroll).filter(
        (one) => own.selected.includes(one.name.layer) && canMove(one),
      );
      gesture.current =
        moved.length > 0 && !held.several
          ? { kind: "move", at: held.at, from: stands, moved, others: othersThan(moved, stands) }
          : { kind: "frame", at: held.at, several: held.several };
      return;
    }
    if (held.kind === "move") {
      const way = { x: at.x - held.at.x, y: at.y - held.at.y };
      const whole = around(held.moved.map(({ bounds, pane }) => pane ?? bounds));
      const there = { ...whole, left: whole.left + way.x, top: whole.top + way.y };
      const to = event.altKey ? { x: 0, y: 0, guides: [] } : attracted(there, held.others, reach / scale);
      const by = { x: way.x + to.x, y: way.y + to.y };
      setBy({ moved: held.moved, from: held.from, move: by, guides: to.guides });
      composer.drag(moveAll(held.moved, by));
    } else if (held.kind === "resize") composer.drag(resized(held, at));
    else if (held.kind === "grow") composer.drag(grown(held, at));
    else if (held.kind === "subject") composer.drag(setSubject(held.shown.name, subjectAt(held, at)));
    else setBy({ frame: boxOf(held.at, at) });
  }

  const resized = ({ shown, edges, at: from }: Extract<Gesture, { kind: "resize" }>, at: Point) => {
    const share = shown.scale * (shown.pane ? 1 : shown.pose.scale / shown.scale);
    return resize(shown, edges, { x: (at.x - from.x) / share, y: (at.y - from.y) / share });
  };

  const grown = ({ grown, edges, at: from }: Extract<Gesture, { kind: "grow" }>, at: Point) =>
    growAll(grown, edges, { x: at.x - from.x, y: at.y - from.y });

  const subjectAt = ({ shown, by }: Extract<Gesture, { kind: "subject" }>, at: Point) =>
    shareIn(shown, { x: at.x + by.x, y: at.y + by.y });

  function onPointerUp(event: PointerEvent<HTMLDivElement>): void {
    const held = gesture.current;
    gesture.current = undefined;
    const at = pointOf(event);
    if (held?.kind === "move" && by.move) composer.edit(nameOf(held.moved), moveAll(held.moved, by.move));
    else if (held?.kind === "resize") composer.edit(`${held.shown.name.layer}: size`, resized(held, at));
    else if (held?.kind === "grow") composer.edit(`${held.grown.length} layers: size`, grown(held, at));
    else if (held?.kind === "subject")
      composer.edit(`${held.shown.name.layer}: subject`, setSubject(held.shown.name, subjectAt(held, at)));
    else if (held?.kind === "frame" && by.frame && stands) {
      const frame = by.frame;
      const inside = shownIn(stands.layout, scene, stands.scroll).filter(
        ({ bounds, layer }) => !fillsScene(layer) && !layer.locked && intersects(bounds, frame),
      );
      const framed = inside.map(({ name }) => name.layer);
      composer.select(held.several ? [...new Set([...selected, ...framed])] : framed);
    } else if (held?.kind === "press") click(held);
    setBy({});
  }

  function click({ at, found, again, several }: Extract<Gesture, { kind: "press" }>): void {
    const [top] = found.layers;
    const last = clicked.current;
    clicked.current = at;
    if (several) {
      if (top === undefined) return;
      const own = bundled(top, found.scene);
      const others = selected.filter((layer) => !own.includes(layer));
      composer.select(others.length < selected.length ? others : [...selected, ...own], found.scene);
      return;
    }
    if (!again) return;
    const same = last && Math.hypot(at.x - last.x, at.y - last.y) * scale <= slack;
    const current = found.layers.findIndex((layer) => selected.includes(layer));
    // Of a bundle the layer that is pressed again is taken alone.
    const next = same && selected.length === 1 ? found.layers[(current + 1) % found.layers.length] : top;
    composer.select(next === undefined ? [] : [next], found.scene);
  }

  function onKeyDown(event: React.KeyboardEvent): void {
    if (writing || event.ctrlKey || event.metaKey) return;
    const step = event.shiftKey ? 10 : 1;
    const way = {
      ...{ ArrowLeft: { x: -step, y: 0 }, ArrowRight: { x: step, y: 0 } },
      ...{ ArrowUp: { x: 0, y: -step }, ArrowDown: { x: 0, y: step } },
    }[event.key];
    if (way && shown.some(canMove)) {
      event.preventDefault();
      const { moved, by } = nudged.current ?? { moved: shown.filter(canMove), by: { x: 0, y: 0 } };
      nudged.current = { moved, by: { x: by.x + way.x, y: by.y + way.y } };
      composer.goOn(nameOf(moved), moveAll(moved, nudged.current.by));
    } else if (event.key === "Escape") {
      if (gesture.current) {
        gesture.current = undefined;
        setBy({});
        composer.letGo();
      } else composer.select([]);
    } else if (event.key === "Enter") write();
  }

  function write(): void {
    const [one] = shown.filter(({ layer }) => isText(layer));
    if (one) setWriting(one);
  }

  const [only] = shown.length === 1 ? shown : [];
  const moving = by.move ?? { x: 0, y: 0 };
  // What is dragged elsewhere is where nobody has asked yet.
  const outlined = by.moved ?? (dragging && !gesture.current ? [] : shown);
  const at = ({ left, top, width, height }: Box) => ({
    left: left * scale,
    top: top * scale,
    width: width * scale,
    height: height * scale,
  });
  return (
    // biome-ignore lint/a11y/useSemanticElements: a field set is of a form
    <div
      ref={pane}
      className="overlay"
      role="group"
      aria-label={`Layers on the ${name}: arrow keys move what is selected, Enter writes its words`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: layers are moved from the keyboard here
      tabIndex={0}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerLeave={() => setHover(undefined)}
      onPointerCancel={() => {
        gesture.current = undefined;
        setBy({});
        composer.letGo();
      }}
      onDoubleClick={(event) => {
        const found = find(pointOf(event));
        const texts = stands
          ? shownIn(stands.layout, found.scene, stands.scroll).filter(({ layer }) => isText(layer))
          : [];
        const text = found.layers
          .map((layer) => texts.find(({ name }) => name.layer === layer))
          .find(Boolean);
        if (!text) return;
        composer.select([text.name.layer], text.name.scene);
        setWriting(text);
      }}
      onKeyDown={onKeyDown}
      onWheel={({ deltaY, deltaMode }) => scrollBy(deltaMode === 1 ? 16 * deltaY : deltaY)}
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes("Files")) event.preventDefault();
      }}
      onDrop={(event) => {
        event.preventDefault();
        if (!stands) return;
        const at = pointOf(event);
        const { scene } = find(at);
        const now = () => (large ? composer.standsNow() : Promise.resolve(stands));
        void filesOf(event.dataTransfer).then((files) =>
          addPictures(composer, files, { scene, at, stands: now }),
        );
      }}
    >
      {outlined.flatMap(({ name, bounds, pane, pose }) => [
        <div
          key={name.layer}
          className={pane ? "outline pane" : "outline"}
          style={at(shiftedBy(pane ?? bounds, moving))}
        />,
        pane && (
          <div key={`${name.layer} over`} className="outline overscan" style={at(shiftedBy(pose, moving))} />
        ),
      ])}
      {outlined.flatMap(({ name }) =>
        (by.from ? ghostsOf(by.from.layout, scene, by.from.scroll, name.layer) : []).map((ghost, index) => (
          <div
            // biome-ignore lint/suspicious/noArrayIndexKey: the first is where it comes from, the second where it goes
            key={`${name.layer} ${index}`}
            className="ghost"
            style={at(shiftedBy(ghost, moving))}
          >
            {index === 0 ? "as it comes in" : "as it leaves"}
          </div>
        )),
      )}
      {isMarked && stands && !dragging && !writing && (
        <Suspense>
          <MarksOnStage stands={stands} scale={scale} />
        </Suspense>
      )}
      {only && !dragging && !writing && <Handles shown={only} scale={scale} />}
      {together.length > 1 && !dragging && !writing && (
        <Grips box={boxAround(together)} offered={corners} scale={scale} />
      )}
      {by.guides?.map(({ axis, at, from, to }) => (
        <i
          key={`${axis} ${at}`}
          className="guide"
          style={
            axis === "x"
              ? { left: at * scale, top: from * scale, width: 1, height: (to - from) * scale }
              : { top: at * scale, left: from * scale, height: 1, width: (to - from) * scale }
          }
        />
      ))}
      {by.frame && <div className="frame" style={at(by.frame)} />}
      {hover && hover.names.length > 0 && !writing && (
        <p className="lies" style={{ left: hover.at.x * scale + 14, top: hover.at.y * scale + 14 }}>
          {hover.names.slice(0, 5).map((layer) => (
            <span key={layer} className={selected.includes(layer) ? "selected" : ""}>
              {layer}
            </span>
          ))}
          {hover.names.length > 5 && <span>{hover.names.length - 5} more</span>}
        </p>
      )}
      {writing && (
        <Words
          text={String(layerOf(composer.store.getState().page, writing.name)?.text ?? "")}
          name={writing.name.layer}
          box={at(writing.bounds)}
          room={{ width: pane.current?.clientWidth ?? 0, height: pane.current?.clientHeight ?? 0 }}
          onChange={(text) => text.trim() && composer.drag(setSetting(writing.name, "text", text))}
          onEnd={(text, byKey) => {
            setWriting(undefined);
            if (text === undefined || !text.trim()) composer.letGo();
            else composer.edit(`${writing.name.layer}: words`, setSetting(writing.name, "text", text));
            if (byKey) pane.current?.focus();
          }}
        />
      )}
    </div>
  );
}

/** The boxes that attract what is moved: of the scene, and of its neighbours on the screen. */
function othersThan(moved: readonly Shown[], { layout, scroll }: Stands): Box[] {
  const scene = moved[0]?.name.scene ?? "";
  const names = new Set(moved.map(({ name }) => name.layer));
  const whole = sceneBox(layout, scene, scroll);
  const neighbours = shownIn(layout, scene, scroll).filter(
    ({ name, layer, pose }) => !names.has(name.layer) && pose.visible && !fillsScene(layer),
  );
  return [...(whole ? [whole] : []), ...neighbours.map(({ bounds, pane }) => pane ?? bounds)];
}

const shareIn = ({ pose }: Shown, { x, y }: Point): Point => ({
  x: (x - pose.left) / pose.width,
  y: (y - pose.top) / pose.height,
});
