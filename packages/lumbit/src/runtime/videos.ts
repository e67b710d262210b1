import { stopButton } from "./stop-button.ts";
import { viewOf } from "./view.ts";

/** How far beyond the view a film begins to load, so that it plays when it comes in. */
const ahead = "25%";

/**
 * Plays films while they are in view, and holds them where they are when they go out, or when a reader stops them. Where somebody
 * wants less motion their stills stand, from the moment on when they ask for it.
 */
export function playVideos(within: readonly ParentNode[]): { dispose(): void } {
  const videos = within.flatMap((part) => [
    ...part.querySelectorAll<HTMLVideoElement>("[data-lumbit-video]"),
  ]);
  const hosts = new Set(videos.map(hostOf));
  const undo = [...hosts].map((host) =>
    playIn(
      host,
      videos.filter((video) => hostOf(video) === host),
    ),
  );
  return { dispose: () => undo.forEach((step) => void step()) };
}

/** What a film belongs to: its scene, or all that it is behind. */
const hostOf = (video: HTMLVideoElement) =>
  video.closest<HTMLElement>("[data-lumbit-scene]") ?? (video.parentElement as HTMLElement);

function playIn(host: HTMLElement, films: readonly HTMLVideoElement[]): () => void {
  const view = viewOf(host);
  const stillness = view.matchMedia("(prefers-reduced-motion: reduce)");
  const seen = new Set<Element>();
  let stands = false;
  const follow = (film: HTMLVideoElement) => {
    // Browsers play by themselves only what makes no sound, and an attribute that came late does not count.
    film.muted = true;
    if (seen.has(film) && !stillness.matches && !stands) film.play().catch(() => {});
    else if (!film.paused) film.pause();
  };
  const button = stopButton(host, films, (stopped) => {
    stands = stopped;
    films.forEach(follow);
  });
  const followAll = () => {
    films.forEach(follow);
    button.show(seen.size > 0 && !stillness.matches);
  };
  const observer = new view.IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries)
        if (isIntersecting) seen.add(target);
        else seen.delete(target);
      followAll();
    },
    { rootMargin: ahead },
  );
  const asked = () => {
    followAll();
    // Loading it anew brings the still back.
    for (const film of films) if (stillness.matches && film.currentTime > 0) film.load();
  };
  for (const film of films) observer.observe(film);
  stillness.addEventListener("change", asked);
  return () => {
    observer.disconnect();
    stillness.removeEventListener("change", asked);
    for (const film of films) film.pause();
    button.remove();
  };
}
