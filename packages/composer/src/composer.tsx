import { lazy, Suspense, useEffect, useState } from "react";
import { addNew, filesOf, pastePictures } from "./begin/add-pictures.ts";
import { Desk } from "./desk/desk.tsx";
import { keepJudging } from "./findings/keep-judging.ts";
import { type Fold, Folds } from "./folds.tsx";
import { pasteLayers } from "./layers/clipboard.ts";
import { commandFor } from "./layers/commands.ts";
import { useComposed, useComposer } from "./state/context.ts";
import type { Composer } from "./state/store.ts";

// The stages come first: what stands around them is loaded when they show the page, or are slow to.
const Bar = lazy(async () => ({ default: (await import("./bar/bar.tsx")).Bar }));
const Strip = lazy(async () => ({ default: (await import("./strip/strip.tsx")).Strip }));
const Section = lazy(async () => ({ default: (await import("./section/section.tsx")).Section }));
const Caption = lazy(async () => ({ default: (await import("./caption/caption.tsx")).Caption }));
const Findings = lazy(async () => ({ default: (await import("./findings/findings.tsx")).Findings }));
const TextDrawer = lazy(() => import("./text/drawer.tsx"));

/** How long the stages have the machine for themselves, in ms. */
const patience = 2000;

/** What a key scrolls by, in shares of the passage. */
const scrubStep = { key: 0.02, shifted: 0.1 };

/** The whole composer: down is the scroll, across is depth, in the middle is what the reader sees, words say the rest. */
export function ComposerApp({ isBegun }: { isBegun: boolean }) {
  const composer = useComposer();
  const name = useComposed(({ name }) => name);
  const beside = useComposed(({ beside }) => beside);
  const [around, setAround] = useState(false);
  const [fold, setFold] = useState<Fold | undefined>("caption");
  useEffect(() => {
    const late = setTimeout(() => setAround(true), patience);
    return () => clearTimeout(late);
  }, []);
  // What was pressed to begin is gone: whoever goes by keyboard goes on at the large stage.
  useEffect(() => {
    if (isBegun && around) document.querySelector<HTMLElement>(".large .overlay")?.focus();
  }, [isBegun, around]);
  useEffect(() => (around ? keepJudging(composer) : undefined), [composer, around]);
  useEffect(() => {
    document.title = `${name} · Lumbit`;
    const onKey = (event: KeyboardEvent) => {
      // Fields have an undo and a clipboard of their own.
      if (isField(event.target)) return;
      const key = event.key.toLowerCase();
      const modified = (event.ctrlKey || event.metaKey) && !event.altKey;
      const again = key === "y" || (key === "z" && event.shiftKey);
      const command = commandFor(event, composer);
      // By where they are on the keyboard: with Shift they are other letters.
      const way = modified || event.altKey ? undefined : { Comma: -1, Period: 1 }[event.code];
      if (modified && again) composer.redo();
      else if (modified && key === "z") composer.undo();
      else if (command) command.do();
      else if (way) scrub(composer, way * (event.shiftKey ? scrubStep.shifted : scrubStep.key));
      else return;
      event.preventDefault();
    };
    const onPaste = ({ clipboardData, target }: ClipboardEvent) => {
      if (!clipboardData || isField(target)) return;
      const text = clipboardData.getData("text/plain");
      void filesOf(clipboardData).then(async (files) => {
        if (files.length > 0) await pastePictures(composer, files);
        else if (!(await pasteLayers(composer, text)) && text.trim())
          await addNew(composer, "words", text.trim());
      });
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
    <div className="composer" data-fold={fold}>
      <Suspense>{around && <Bar />}</Suspense>
      <Suspense>{around && <Strip />}</Suspense>
      <Desk around={around} onShown={() => setAround(true)} />
      <Suspense>{around && <Section />}</Suspense>
      <Suspense>{around && (beside === "findings" ? <Findings /> : <Caption />)}</Suspense>
      <Suspense>{beside === "text" && <TextDrawer />}</Suspense>
      <Folds open={fold} onOpen={setFold} />
    </div>
  );
}

/** Scrolls all stages by a share of the passage of the scene. */
function scrub(composer: Composer, by: number): void {
  const { moment } = composer.store.getState();
  composer.goTo({ ...moment, share: Math.min(Math.max(moment.share + by, 0), 1) });
}

const isField = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLElement && target.isContentEditable);
