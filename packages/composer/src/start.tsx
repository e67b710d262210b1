import { createRoot } from "react-dom/client";
import { ComposerApp } from "./composer.tsx";
import { dropFrames } from "./desk/frames.ts";
import type { Home, Kept } from "./home/home.ts";
import { ComposerContext } from "./state/context.ts";
import { type Composer, createComposer } from "./state/store.ts";

/** Shows what a home opens with: its page, or how to begin one. */
export async function start(home: Home, opening: ReturnType<Home["open"]>): Promise<void> {
  const root = createRoot(document.getElementById("composer") as HTMLElement);
  const compose = (kept: Kept, isBegun = false): Composer => {
    const composer = createComposer(home, kept);
    home.watch(composer.changedOutside, composer.reached, composer.lost);
    root.render(
      <ComposerContext value={composer}>
        <ComposerApp isBegun={isBegun} />
      </ComposerContext>,
    );
    return composer;
  };
  try {
    const opened = await opening;
    if ("text" in opened) {
      compose(opened);
      return;
    }
    dropFrames();
    const { Begin } = await import("./begin/begin.tsx");
    root.render(<Begin home={home} beginning={opened} compose={(kept) => compose(kept, true)} />);
  } catch (error) {
    dropFrames();
    root.render(
      <main className="stopped">
        <h1>The composer could not open the page</h1>
        <p>
          {error instanceof TypeError
            ? "lumbit compose does not run any more: start it again."
            : (error as Error).message}
        </p>
      </main>,
    );
  }
}
