import { beginFrames } from "./desk/frames.ts";
import { keptScreens } from "./desk/screens.ts";
import { folderHome } from "./home/folder.ts";
import "./composer.css";
import "./desk/desk.css";

// In the fragment, which no browser sends anywhere; without one there is no server to ask.
const token = location.hash.slice(1);
const home = token ? folderHome(token) : (await import("./home/browser.ts")).browserHome();
// The page and its stages come first: the app, which needs the machine as long, would only hold them up.
const opening = home.open();
await beginFrames(keptScreens(), opening);
const { start } = await import("./start.tsx");
await start(home, opening);
