import { playCues } from "./cues.ts";
import type { Parts } from "./parts.ts";
import { followReels } from "./reel.ts";
import { scriptedDriver } from "./scripted.ts";
import { swayScenes } from "./sway.ts";
import { playVideos } from "./videos.ts";

/** All parts, for who has them from the beginning: nothing is loaded later, and everything moves at once. */
export const whole: Parts = {
  ...{ scripted: scriptedDriver, sway: swayScenes, cues: playCues },
  ...{ videos: playVideos, reels: followReels },
};
