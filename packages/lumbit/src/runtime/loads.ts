/** How what only some pages need is loaded, by the first page that does; bundlers make files of it. */
export const loads = {
  markup: () => import("./adopt/more/index.ts").then(({ more }) => more),
  scripted: () => import("./scripted.ts").then(({ scriptedDriver }) => scriptedDriver),
  sway: () => import("./sway.ts").then(({ swayScenes }) => swayScenes),
  cues: () => import("./cues.ts").then(({ playCues }) => playCues),
  events: () => import("./events.ts").then(({ announcer }) => announcer),
  videos: () => import("./videos.ts").then(({ playVideos }) => playVideos),
  reels: () => import("./reel.ts").then(({ followReels }) => followReels),
};
