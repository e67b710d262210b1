import { InvalidArgumentError } from "commander";
import type { Viewport } from "lumbit/core";

/** Reads a viewport such as 1280x800, or 1280x800:coarse when it is touched. */
export function parseViewport(text: string): Viewport {
  const match = /^(\d{1,5})x(\d{1,5})(?::(coarse|fine|none))?$/.exec(text);
  const [width, height] = [Number(match?.[1]), Number(match?.[2])];
  const pointer = match?.[3] as Viewport["pointer"];
  if (!match || width < 1 || height < 1 || width > 20_000 || height > 20_000)
    throw new InvalidArgumentError(
      "A viewport is WIDTHxHEIGHT in px, each from 1 to 20000, such as 1280x800, and what its pointing device is if that is another one than usual, such as 1280x800:coarse for a touch screen.",
    );
  return { width, height, ...(pointer && { pointer }) };
}

/** Reads one more viewport of an option that may be given several times. */
export const collectViewports = (text: string, before: readonly Viewport[] = []): Viewport[] => [
  ...before,
  parseViewport(text),
];

/** Reads a scroll position in px. */
export function parseScroll(text: string): number {
  const scroll = Number(text);
  if (text.trim() === "" || !Number.isFinite(scroll) || scroll < 0)
    throw new InvalidArgumentError("A scroll position is a number of px, 0 or more, such as 400.");
  return scroll;
}
