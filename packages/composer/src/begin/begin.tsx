import { useEffect, useMemo, useRef, useState } from "react";
import { Button, FileTrigger, GridList, GridListItem, useDragAndDrop } from "react-aria-components";
import type { Beginning, BeginWith, Home, Kept } from "../home/home.ts";
import { Commands } from "../menu.tsx";
import type { Composer } from "../state/store.ts";
import { filesOf, isDrawing } from "./add-pictures.ts";
import { composeFirst } from "./first-scene.ts";
import "./begin.css";

/** A picture that waits to go in. */
interface Waiting {
  id: number;
  file: File;
  url: string;
}

/** Where no page is open yet: pictures are dropped, or another way is taken. */
export function Begin({
  home,
  beginning,
  compose,
}: {
  home: Home;
  beginning: Beginning;
  compose(kept: Kept): Composer;
}) {
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [problem, setProblem] = useState<string>();
  const next = useRef(0);
  const take = (files: readonly File[]) => {
    const drawing = beginning.takesDrawings && files.find(isDrawing);
    if (drawing) return void begin({ kind: "drawing", file: drawing });
    const pictures = files.filter(({ type }) => type.startsWith("image/"));
    const others = files.filter((file) => !pictures.includes(file));
    setProblem(others.length > 0 ? `No picture: ${others.map(({ name }) => name).join(", ")}` : undefined);
    setWaiting((before) => [
      ...before,
      ...pictures.map((file) => ({ id: next.current++, file, url: URL.createObjectURL(file) })),
    ]);
  };
  const begin = async (how: BeginWith, files: readonly File[] = []) => {
    try {
      const composer = compose(await home.begin(how));
      if (files.length > 0) await composeFirst(composer, files);
    } catch (error) {
      // Browsers that refuse to keep anything say nothing of why.
      setProblem(
        (error as Error | null)?.message ?? "This browser keeps nothing: is its storage switched off?",
      );
    }
  };
  // A vector drawing may be one picture, or layers.
  const [only, ...others] = waiting;
  const drawing = others.length === 0 && only?.file.type === "image/svg+xml" ? only.file : undefined;
  const title = beginning.folder.replace(/[-_]+/g, " ").replace(/^./, (letter) => letter.toUpperCase());
  useEffect(() => {
    document.title = "Begin · Lumbit";
    const over = (event: DragEvent) => event.preventDefault();
    addEventListener("dragover", over);
    return () => removeEventListener("dragover", over);
  }, []);
  return (
    <main
      className="begin"
      onDrop={(event) => {
        event.preventDefault();
        void filesOf(event.dataTransfer).then(take);
      }}
    >
      <h1>Drop pictures here, the farthest first</h1>
      <p className="quiet">
        Sky, hills, trees, people: each cut out into a file of its own. They become the layers of a scene, and
        keep their order in depth.
        {beginning.takesDrawings && " Or one drawing in layers (OpenRaster, SVG), or a zip of pictures."}
      </p>
      {waiting.length > 0 && <Order waiting={waiting} onChange={setWaiting} />}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <div className="group">
        {waiting.length > 0 && (
          <Button
            className="first"
            onPress={() =>
              void begin(
                { kind: "empty", title },
                waiting.map(({ file }) => file),
              )
            }
          >
            Make a scene of {waiting.length === 1 ? "it" : `these ${waiting.length}`}
          </Button>
        )}
        {beginning.takesDrawings && drawing && (
          <Button onPress={() => void begin({ kind: "drawing", file: drawing })}>
            Take it apart into its layers
          </Button>
        )}
        <FileTrigger
          allowsMultiple
          acceptedFileTypes={["image/*", ...(beginning.takesDrawings ? [".ora", ".zip"] : [])]}
          onSelect={(files) => files && take([...files])}
        >
          <Button>{waiting.length > 0 ? "More pictures …" : "Choose pictures …"}</Button>
        </FileTrigger>
      </div>
      <ul className="ways">
        <li>
          <Button onPress={() => void begin({ kind: "empty", title })}>An empty page</Button>
        </li>
        <li>
          <Button onPress={() => void begin({ kind: "demo" })}>A copy of the demo, to look around in</Button>
        </li>
        {beginning.recipes && (
          <li>
            <Commands
              label="Recipes"
              commands={beginning.recipes.map(({ name, title }) => ({
                id: name,
                words: title,
                can: true,
                do: () => void begin({ kind: "recipe", name }),
              }))}
            >
              A recipe, to make it yours …
            </Commands>
          </li>
        )}
        {beginning.opensFiles && (
          <li>
            <FileTrigger
              allowsMultiple
              acceptedFileTypes={[".zip"]}
              onSelect={(files) => files && void begin({ kind: "files", files: [...files] })}
            >
              <Button>Open a zip that was taken away …</Button>
            </FileTrigger>
          </li>
        )}
        {beginning.opensFiles && (
          <li>
            <FileTrigger
              acceptDirectory
              onSelect={(files) => files && void begin({ kind: "files", files: [...files] })}
            >
              <Button>Open a folder …</Button>
            </FileTrigger>
          </li>
        )}
        {beginning.pages.map((name) => (
          <li key={name}>
            <Button onPress={() => void begin({ kind: "page", name })}>Go on with {name}</Button>
          </li>
        ))}
      </ul>
    </main>
  );
}

/** The pictures that wait, in the order in which they lie behind each other; they are dragged into another one. */
function Order({
  waiting,
  onChange,
}: {
  waiting: readonly Waiting[];
  onChange(waiting: readonly Waiting[]): void;
}) {
  const items = useMemo(() => [...waiting], [waiting]);
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ "text/plain": String(key) })),
    onReorder({ keys, target }) {
      const moved = waiting.filter(({ id }) => keys.has(id));
      const rest = waiting.filter(({ id }) => !keys.has(id));
      const at = rest.findIndex(({ id }) => id === target.key) + (target.dropPosition === "after" ? 1 : 0);
      onChange(rest.toSpliced(at, 0, ...moved));
    },
  });
  return (
    <GridList
      aria-label="Pictures, the farthest first"
      className="order"
      layout="grid"
      items={items}
      dragAndDropHooks={dragAndDropHooks}
    >
      {({ id, file, url }) => (
        <GridListItem textValue={file.name} className="waiting">
          <Button slot="drag" aria-label={`Move ${file.name}`}>
            <img src={url} alt="" />
          </Button>
          <span className="name">{file.name}</span>
          <span className="group">
            <Button
              aria-label={`${file.name} farther`}
              isDisabled={items[0]?.id === id}
              onPress={() => onChange(swapped(items, id, -1))}
            >
              farther
            </Button>
            <Button
              aria-label={`${file.name} nearer`}
              isDisabled={items.at(-1)?.id === id}
              onPress={() => onChange(swapped(items, id, 1))}
            >
              nearer
            </Button>
            <Button
              aria-label={`Leave ${file.name} out`}
              onPress={() => onChange(items.filter((one) => one.id !== id))}
            >
              ×
            </Button>
          </span>
        </GridListItem>
      )}
    </GridList>
  );
}

/** A picture one place further on in the order, or back. */
function swapped(waiting: readonly Waiting[], id: number, by: 1 | -1): readonly Waiting[] {
  const at = waiting.findIndex((one) => one.id === id);
  const [moved] = waiting.slice(at, at + 1);
  return moved ? waiting.toSpliced(at, 1).toSpliced(at + by, 0, moved) : waiting;
}
