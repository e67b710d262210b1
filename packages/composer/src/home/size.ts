import { isFilm, openedFilm } from "./film.ts";

/** The size at which a picture or a film is shown; nothing when it is neither. */
export async function sizeOf(blob: Blob): Promise<{ width: number; height: number } | undefined> {
  if (isFilm(blob))
    return openedFilm(blob, ({ videoWidth: width, videoHeight: height }) => ({ width, height })).catch(
      () => undefined,
    );
  const image = new Image();
  const url = URL.createObjectURL(blob);
  image.src = url;
  try {
    await image.decode();
    const { naturalWidth: width, naturalHeight: height } = image;
    return width > 0 && height > 0 ? { width, height } : undefined;
  } catch {
    return undefined;
  } finally {
    URL.revokeObjectURL(url);
  }
}
