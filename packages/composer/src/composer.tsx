import { lazy, Suspense, useEffect, useState } from "react";
import { Bar } from "./bar/bar.tsx";
import { filesOf, pastePictures } from "./begin/add-pictures.ts";
import { Caption } from "./caption/caption.tsx";
import { Desk } from "./desk/desk.tsx";
import { pasteLayers } from "./layers/clipboard.ts";
import { commandFor } from "./layers/commands.ts";
import { Section } from "./section/section.tsx";
import { useComposed, useComposer } from "./state/context.ts";
import { Strip } from "./strip/strip.tsx";

const TextDrawer = lazy(() => import("./text/drawer.tsx"));

/** The whole composer: down is the scroll, across is depth, in the middle is what the reader sees, words say the rest. */
export function ComposerApp() {
  const composer = useComposer();
  const name = useComposed(({ name }) => name);
  // A page that cannot be read is mended in its text.
  const [text, setText] = useState(() => composer.store.getState().faults.length > 0);
  useEffect(() => {
    document.title = `${name} · Lumbit`;
    const onKey = (event: KeyboardEvent) => {
      // Fields have an undo and a clipboard of their own.
      if (isField(event.target)) return;
      const key = event.key.toLowerCase();
      const modified = (event.ctrlKey || event.metaKey) && !event.altKey;
      const again = key === "y" || (key === "z" && event.shiftKey);
      const command = commandFor(event, composer);
      if (modified && again) composer.redo();
      else if (modified && key === "z") composer.undo();
      else if (command) command.do();
      else return;
      event.preventDefault();
    };
    const onPaste = ({ clipboardData, target }: ClipboardEvent) => {
      if (!clipboardData || isField(target)) return;
      const files = filesOf(clipboardData);
      if (files.length > 0) void pastePictures(composer, files);
      else void pasteLayers(composer, clipboardData.getData("text/plain"));
    };
    const end = () => composer.rest();
    addEventListener("paste", onPaste);
    addEventListener("pagehide", end);
    addEventListener("keydown", onKey);
    return () => {
      removeEventListener("keydown", onKey);
      removeEventListener("paste", onPaste);
      removeEventListener("pagehide", end);
    };
  }, [composer, name]);
  return (
    <div className="composer">
      <Bar text={text} onText={setText} />
      <Strip />
      <Desk />
      <Section />
      <Caption />
      {text && (
        <Suspense>
          <TextDrawer />
        </Suspense>
      )}
    </div>
  );
}

const isField = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLElement && target.isContentEditable);
