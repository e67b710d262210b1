import type { Scene, SceneLayout } from "lumbit/core";
import { useEffect, useRef, useState } from "react";
import { Button, ListBox, ListBoxItem, useDragAndDrop } from "react-aria-components";
import { checksGone, checksOf, freeName } from "../edit/find.ts";
import { addScene, copyName, duplicateScene, moveScene, removeScene, setHeight } from "../edit/scenes.ts";
import { MarksOnStrip } from "../findings/marks.tsx";
import { type Command, Commands } from "../menu.tsx";
import { useComposed, useComposer } from "../state/context.ts";
import { onEscape } from "../state/escape.ts";
import { resizedHeight, shareAt } from "./passage.ts";
import { Picture } from "./picture.tsx";
import "./strip.css";

/** No scene is drawn lower than this, in px. */
const least = 26;

/** The page upright: its scenes in proportion, in the order in which they are scrolled, and what the large stage shows of them. */
export function Strip() {
  const composer = useComposer();
  const scenes = useComposed(({ page }) => page.scenes);
  const scene = useComposed(({ scene }) => scene);
  const stands = useComposed(({ stands }) => stands);
  const strip = useRef<HTMLElement>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const element = strip.current;
    if (!element) return;
    const sizes = new ResizeObserver(() =>
      setRoom({ width: element.clientWidth - 16, height: element.clientHeight }),
    );
    sizes.observe(element);
    return () => sizes.disconnect();
  }, []);
  const layouts = new Map((stands?.layout.scenes ?? []).map((one) => [one.name, one]));
  const whole = (one: SceneLayout) => one.height + one.passage.hold;
  const lowest = Math.min(...[...layouts.values()].map(whole));
  // In true proportion, or as much lower as the whole page has room for.
  const scale = stands
    ? Math.max(
        Math.min((room.height - 52) / stands.layout.scrollHeight, room.width / stands.layout.viewport.width),
        Number.isFinite(lowest) ? least / lowest : 0,
      )
    : 0;

  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ "text/plain": String(key) })),
    onReorder({ keys, target }) {
      const [moved] = [...keys].map(String);
      if (moved === undefined) return;
      const others = scenes.filter(({ name }) => name !== moved);
      const at = others.findIndex(({ name }) => name === target.key);
      composer.edit(`${moved}: moved`, moveScene(moved, at + (target.dropPosition === "after" ? 1 : 0)));
    },
    acceptedDragTypes: ["text/plain"],
  });

  return (
    <nav className="strip" aria-label="Page" ref={strip}>
      <div className="whole">
        <ListBox
          aria-label="Scenes"
          selectionMode="single"
          disallowEmptySelection
          selectedKeys={[scene]}
          onSelectionChange={(keys) => {
            const [key] = [...keys];
            if (key !== undefined) composer.goTo({ scene: String(key), share: 0.5 });
          }}
          items={scenes.map(({ name }) => ({ id: name, name }))}
          dependencies={[stands?.layout, scale]}
          dragAndDropHooks={dragAndDropHooks}
        >
          {({ name }) => {
            const layout = layouts.get(name);
            return (
              <ListBoxItem
                className="scene"
                textValue={name}
                style={{ height: layout ? Math.max(least, whole(layout) * scale) : least }}
              >
                {layout && <Picture layout={layout} page={stands?.layout.page} />}
                <span className="name">{name}</span>
              </ListBoxItem>
            );
          }}
        </ListBox>
        {stands && <Edges layouts={[...layouts.values()]} scale={scale} />}
        {stands && <Between layouts={[...layouts.values()]} scale={scale} />}
        {stands && <MarksOnStrip layout={stands.layout} scale={scale} />}
        {stands && <Shown scale={scale} />}
      </div>
      <SceneMenu />
    </nav>
  );
}

/** The lower edges of the scenes: dragged, they make a scene higher. */
function Edges({ layouts, scale }: { layouts: readonly SceneLayout[]; scale: number }) {
  const composer = useComposer();
  const held = useRef<{ y: number; from: Scene["height"]; end(): void } | undefined>(undefined);
  const letGo = () => {
    held.current?.end();
    held.current = undefined;
    composer.letGo();
  };
  const viewport = useComposed(({ stands }) => stands?.layout.viewport);
  return layouts.map(({ name, top, height, passage, scene }) => {
    const edit = (y: number) => {
      const by = (y - (held.current?.y ?? y)) / scale;
      return viewport && setHeight(name, resizedHeight(held.current?.from, height, by, viewport));
    };
    return (
      <i
        key={name}
        className="edge"
        title={`The height of ${name}`}
        style={{ top: (top + height + passage.hold) * scale }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          held.current = { y: event.clientY, from: scene.height, end: onEscape(letGo) };
        }}
        onPointerMove={({ clientY }) => {
          const change = held.current && edit(clientY);
          if (change) composer.drag(change);
        }}
        onPointerUp={({ clientY }) => {
          const change = held.current && clientY !== held.current.y && edit(clientY);
          if (change) composer.edit(`${name}: height`, change);
          held.current?.end();
          held.current = undefined;
        }}
        onPointerCancel={letGo}
      />
    );
  });
}

/** Where a new scene can come in, above each one and below the last. From the keyboard the menu does the same. */
function Between({ layouts, scale }: { layouts: readonly SceneLayout[]; scale: number }) {
  const composer = useComposer();
  const names = layouts.map(({ name }) => name);
  const last = layouts.at(-1);
  const ends = [
    ...layouts.map(({ name, top }) => ({ name, top })),
    ...(last ? [{ name: undefined, top: last.top + last.height + last.passage.hold }] : []),
  ];
  return ends.map(({ name, top }) => (
    <Button
      key={name ?? ""}
      className="between"
      excludeFromTabOrder
      aria-label={name === undefined ? "New scene at the end" : `New scene above ${name}`}
      style={{ top: top * scale }}
      onPress={() => {
        const added = freeName("scene", names);
        composer.edit(`${added}: new scene`, addScene(added, name));
        composer.goTo({ scene: added, share: 0.5 });
      }}
    >
      +
    </Button>
  ));
}

/** What of the page the large stage shows: dragged, it scrolls all stages. */
function Shown({ scale }: { scale: number }) {
  const composer = useComposer();
  const stands = useComposed(({ stands }) => stands);
  const held = useRef<number>(undefined);
  if (!stands) return null;
  const { layout, scroll } = stands;
  return (
    <div
      className="shown"
      style={{ top: scroll * scale, height: layout.viewport.height * scale }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = event.clientY - scroll * scale;
      }}
      onPointerMove={({ clientY }) => {
        const to = held.current === undefined ? undefined : shareAt(layout, (clientY - held.current) / scale);
        if (to) composer.goTo(to);
      }}
      onPointerUp={() => {
        held.current = undefined;
      }}
      aria-hidden="true"
    />
  );
}

/** What can be done with the scene that one is at. */
function SceneMenu() {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const scenes = useComposed(({ page }) => page.scenes);
  const at = scenes.findIndex(({ name }) => name === scene);
  const edit = (what: string, edit: Parameters<typeof composer.edit>[1], then = scene) => {
    composer.edit(`${scene}: ${what}`, edit);
    composer.goTo({ scene: then, share: 0.5 });
  };
  const name = freeName(
    "scene",
    scenes.map(({ name }) => name),
  );
  const commands: Command[] = [
    {
      ...{ id: "before", words: "New scene above it", can: true },
      do: () => edit("new scene above", addScene(name, scene), name),
    },
    {
      ...{ id: "after", words: "New scene below it", can: true },
      do: () => edit("new scene below", addScene(name, scenes[at + 1]?.name), name),
    },
    {
      ...{ id: "duplicate", words: "Duplicate", can: true },
      do: () => edit("duplicated", duplicateScene(scene), copyName(composer.store.getState().page, scene)),
    },
    { ...{ id: "up", words: "Move up", can: at > 0 }, do: () => edit("moved up", moveScene(scene, at - 1)) },
    {
      ...{ id: "down", words: "Move down", can: at < scenes.length - 1 },
      do: () => edit("moved down", moveScene(scene, at + 1)),
    },
    {
      ...{ id: "remove", words: "Delete", can: scenes.length > 1 },
      do() {
        const gone = checksOf(composer.store.getState().page, scene);
        edit("deleted", removeScene(scene), (scenes[at + 1] ?? scenes[at - 1])?.name);
        if (gone.length > 0) composer.say(checksGone(gone.length, scene));
      },
    },
  ];
  return (
    <Commands label={`The scene ${scene}`} commands={commands} className="more" placement="top start">
      More for {scene}
    </Commands>
  );
}
