import { viewOf } from "./view.ts";

/** How far beyond the view a film begins to load, so that it plays when it comes in. */
const ahead = "25%";

/**
 * Plays films while they are in view, and holds them where they are when they go out. Where somebody wants less motion their
 * stills stand, from the moment on when they ask for it.
 */
export function playVideos(within: readonly ParentNode[]): { dispose(): void } {
  const videos = within.flatMap((part) => [
    ...part.querySelectorAll<HTMLVideoElement>("[data-lumbit-video]"),
  ]);
  const [first] = videos;
  if (!first) return { dispose() {} };
  const view = viewOf(first);
  const stillness = view.matchMedia("(prefers-reduced-motion: reduce)");
  const seen = new Set<Element>();
  const follow = (video: HTMLVideoElement) => {
    // Browsers play by themselves only what makes no sound, and an attribute that came late does not count.
    video.muted = true;
    if (seen.has(video) && !stillness.matches) video.play().catch(() => {});
    else if (!video.paused) video.pause();
  };
  const observer = new view.IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries) {
        if (isIntersecting) seen.add(target);
        else seen.delete(target);
        follow(target as HTMLVideoElement);
      }
    },
    { rootMargin: ahead },
  );
  const asked = () => {
    for (const video of videos) {
      follow(video);
      // Loading it anew brings the still back.
      if (stillness.matches && video.currentTime > 0) video.load();
    }
  };
  for (const video of videos) observer.observe(video);
  stillness.addEventListener("change", asked);
  return {
    dispose() {
      observer.disconnect();
      stillness.removeEventListener("change", asked);
      for (const video of videos) video.pause();
    },
  };
}
