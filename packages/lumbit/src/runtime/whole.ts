import * as cues from "./cues.ts";
import * as events from "./events.ts";
import * as focus from "./focus.ts";
import { announcing, cueing, filming, focusing, reeling, scripting, swaying } from "./parts.ts";
import * as reels from "./reel.ts";
import * as scripted from "./scripted.ts";
import * as sway from "./sway.ts";
import * as videos from "./videos.ts";

/** Has all parts that move scenes from the beginning: nothing is loaded later, and everything moves at once. */
export function haveAll(): void {
  scripting.there = scripted;
  swaying.there = sway;
  cueing.there = cues;
  announcing.there = events;
  filming.there = videos;
  reeling.there = reels;
  focusing.there = focus;
}
