import { playCues } from "./cues.ts";
import { announcer } from "./events.ts";
import type { Parts } from "./parts.ts";
import { followReels } from "./reel.ts";
import { scriptedDriver } from "./scripted.ts";
import { swayScenes } from "./sway.ts";
import { playVideos } from "./videos.ts";

/** All parts of what moves scenes, for who has them from the beginning: nothing is loaded later. */
export const whole: Partial<Parts> = {
  ...{ scripted: scriptedDriver, sway: swayScenes, cues: playCues },
  ...{ events: announcer, videos: playVideos, reels: followReels },
};
