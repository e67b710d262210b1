import { createRoot } from "react-dom/client";
import { ComposerApp } from "./composer.tsx";
import { folderHome } from "./home/folder.ts";
import type { Kept } from "./home/home.ts";
import { ComposerContext } from "./state/context.ts";
import { type Composer, createComposer } from "./state/store.ts";
import "./composer.css";

const root = createRoot(document.getElementById("composer") as HTMLElement);
// In the fragment, which no browser sends anywhere; without one there is no server to ask.
const token = location.hash.slice(1);
const home = token ? folderHome(token) : (await import("./home/browser.ts")).browserHome();

function compose(kept: Kept): Composer {
  const composer = createComposer(home, kept);
  home.watch(composer.changedOutside, composer.reached);
  root.render(
    <ComposerContext value={composer}>
      <ComposerApp />
    </ComposerContext>,
  );
  return composer;
}

try {
  const opened = await home.open();
  if ("text" in opened) compose(opened);
  else {
    const { Begin } = await import("./begin/begin.tsx");
    root.render(<Begin home={home} beginning={opened} compose={compose} />);
  }
} catch (error) {
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
