/** How what only some pages need is loaded, by the first page that does; bundlers make files of it. */
export const loads = {
  scripted: () => import("./scripted.ts").then(({ scriptedDriver }) => scriptedDriver),
  sway: () => import("./sway.ts").then(({ swayScenes }) => swayScenes),
  cues: () => import("./cues.ts").then(({ playCues }) => playCues),
  videos: () => import("./videos.ts").then(({ playVideos }) => playVideos),
  reels: () => import("./reel.ts").then(({ followReels }) => followReels),
};
