import { playCues } from "./cues.ts";
import { announcer } from "./events.ts";
import { announcing, cueing, filming, reeling, scripting, swaying } from "./parts.ts";
import { followReels } from "./reel.ts";
import { scriptedDriver } from "./scripted.ts";
import { swayScenes } from "./sway.ts";
import { playVideos } from "./videos.ts";

/** Has all parts that move scenes from the beginning: nothing is loaded later, and everything moves at once. */
export function haveAll(): void {
  scripting.there = scriptedDriver;
  swaying.there = swayScenes;
  cueing.there = playCues;
  announcing.there = announcer;
  filming.there = playVideos;
  reeling.there = followReels;
}
