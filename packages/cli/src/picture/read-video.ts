import { extname } from "node:path";
import type { Size } from "lumbit/core";

/** The size of a film and the ending of its files, or what is wrong with it. Nothing of it is decoded. */
export async function readVideo(
  path: string,
  bytes: Buffer,
): Promise<(Size & { extension: string }) | string> {
  // Loaded here: few pages have films.
  const { BufferSource, Input, MP4, QTFF, WEBM } = await import("mediabunny");
  using input = new Input({ source: new BufferSource(bytes), formats: [WEBM, MP4, QTFF] });
  const track = await input.getPrimaryVideoTrack().catch(() => null);
  if (!track) return `"${path}" is no film; name a .webm or .mp4 file`;
  const [width, height] = [track.displayWidth, track.displayHeight];
  return { width, height, extension: extname(path).slice(1).toLowerCase() };
}
