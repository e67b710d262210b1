import { createRoot } from "react-dom/client";
import { ComposerApp } from "./composer.tsx";
import { folderHome } from "./home/folder.ts";
import { ComposerContext } from "./state/context.ts";
import { createComposer } from "./state/store.ts";
import "./composer.css";

const root = createRoot(document.getElementById("composer") as HTMLElement);
// In the fragment, which no browser sends anywhere.
const token = location.hash.slice(1);

try {
  const home = folderHome(token);
  const composer = createComposer(home, await home.open());
  home.watch(composer.changedOutside, composer.reached);
  root.render(
    <ComposerContext value={composer}>
      <ComposerApp />
    </ComposerContext>,
  );
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
