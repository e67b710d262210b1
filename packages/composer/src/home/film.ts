/** Whether a file is a film. */
export const isFilm = ({ type }: Blob): boolean => type.startsWith("video/");

/**
 * What is to be seen of a film when its first picture is there.
 *
 * @throws Error when this browser cannot play it
 */
export async function openedFilm<Seen>(film: Blob, look: (video: HTMLVideoElement) => Seen): Promise<Seen> {
  const url = URL.createObjectURL(film);
  try {
    const video = Object.assign(document.createElement("video"), { muted: true, preload: "auto" });
    await new Promise((ready, failed) => {
      video.onloadeddata = ready;
      video.onerror = () => failed(new Error("this browser cannot play it"));
      video.src = url;
    });
    return await look(video);
  } finally {
    URL.revokeObjectURL(url);
  }
}

/**
 * The first picture of a film, as a file beside it: what stands where the film does not play.
 *
 * @throws Error when this browser cannot play it
 */
export async function stillOf(film: File): Promise<File> {
  const blob = await openedFilm(film, (video) => {
    const { videoWidth: width, videoHeight: height } = video;
    const canvas = Object.assign(document.createElement("canvas"), { width, height });
    canvas.getContext("2d")?.drawImage(video, 0, 0);
    return new Promise<Blob | null>((made) => canvas.toBlob(made, "image/png"));
  }).catch(() => null);
  if (!blob)
    throw new Error(`"${film.name}" is a film that this browser cannot play; take a WebM or MP4 file`);
  return new File([blob], `${film.name.replace(/\.\w+$/, "")}-still.png`, { type: blob.type });
}
