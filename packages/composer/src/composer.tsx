import { useEffect } from "react";
import { Bar } from "./bar/bar.tsx";
import { Caption } from "./caption/caption.tsx";
import { Desk } from "./desk/desk.tsx";
import { Section } from "./section/section.tsx";
import { useComposed, useComposer } from "./state/context.ts";
import { Strip } from "./strip/strip.tsx";

/** The whole composer: down is the scroll, across is depth, in the middle is what the reader sees, words say the rest. */
export function ComposerApp() {
  const composer = useComposer();
  const name = useComposed(({ name }) => name);
  useEffect(() => {
    document.title = `${name} · Lumbit`;
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const again = key === "y" || (key === "z" && event.shiftKey);
      if (!again && key !== "z") return;
      // Fields have an undo of their own.
      if (event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      if (again) composer.redo();
      else composer.undo();
    };
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [composer, name]);
  return (
    <div className="composer">
      <Bar />
      <Strip />
      <Desk />
      <Section />
      <Caption />
    </div>
  );
}
