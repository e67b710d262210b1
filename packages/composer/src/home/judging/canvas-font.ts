import type { Page } from "lumbit/core";
import type { TextFont } from "lumbit/text";

let count = 0;

/** A font of a page as this browser sets it; nothing where it cannot read it. */
export async function canvasFont(
  { weight, style = "normal" }: NonNullable<Page["fonts"]>[number],
  bytes: ArrayBuffer,
): Promise<TextFont | undefined> {
  const family = `page-${count++}`;
  try {
    const loaded = await new FontFace(family, bytes, {
      style,
      ...(weight !== undefined && { weight: String(weight) }),
    }).load();
    (globalThis as unknown as { fonts: FontFaceSet }).fonts.add(loaded);
  } catch {
    return undefined;
  }
  const context = new OffscreenCanvas(1, 1).getContext("2d") as OffscreenCanvasRenderingContext2D;
  return {
    advance(text, weight, size) {
      context.font = `${style} ${weight} ${size}px ${family}`;
      // Letters as wide as they are drawn, not as a grid of pixels has them.
      context.textRendering = "geometricPrecision";
      return context.measureText(text).width;
    },
    covers: () => true,
  };
}
