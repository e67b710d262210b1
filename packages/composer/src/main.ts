import { beginFrames } from "./desk/frames.ts";
import { keptScreens } from "./desk/screens.ts";
import { folderHome } from "./home/folder.ts";

// In the fragment, which no browser sends anywhere; without one there is no server to ask.
const token = location.hash.slice(1);
const home = token ? folderHome(token) : (await import("./home/browser.ts")).browserHome();
// The page is on its way while the app loads, and so are its stages.
const opening = home.open();
opening.catch(() => {});
beginFrames(keptScreens(), opening);
const { start } = await import("./start.tsx");
await start(home, opening);
