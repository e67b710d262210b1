import { folderHome } from "./home/folder.ts";

// In the fragment, which no browser sends anywhere; without one there is no server to ask.
const token = location.hash.slice(1);
const home = token ? folderHome(token) : (await import("./home/browser.ts")).browserHome();
// The page is on its way while the app loads.
const opening = home.open();
opening.catch(() => {});
early();
const { start } = await import("./start.tsx");
await start(home, opening);

/** A process for frames takes as long to begin as the app to load: with a frame that nobody sees it is there when the stages come. */
function early(): void {
  const frame = document.createElement("iframe");
  frame.sandbox.add("allow-scripts");
  frame.hidden = true;
  frame.src = "./stage.html?early";
  document.body.append(frame);
  setTimeout(() => frame.remove(), 5000);
}
