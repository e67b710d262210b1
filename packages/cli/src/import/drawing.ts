import type { Box, Size } from "lumbit/core";
import type { Words } from "./words.ts";

/** A drawing in layers, as a file has it: plain data, whatever kind of file it was. */
export interface Drawing extends Size {
  /** From the farthest to the nearest. */
  layers: DrawnLayer[];
  /** What could not be brought along as it is, in words. */
  notes: string[];
}

/** A layer of a drawing, cut to what is visible of it. */
export interface DrawnLayer {
  name: string;
  /** Where it is in the drawing, in px of that. */
  box: Box;
  /** 0..1. */
  opacity: number;
  hidden: boolean;
  /** A CSS blend mode; `normal` where it only covers. */
  blend: string;
  /** Of a picture its file. */
  file?: { bytes: Buffer; extension: "png" | "svg" };
  /** Of a picture that goes on further than it was drawn, that as it was drawn. */
  drawn?: Buffer;
  /** Whether the picture covers the whole drawing, without transparent parts. */
  covers?: boolean;
  /** Of a text its words. */
  words?: Words;
  /** Of a group what is in it, from the farthest to the nearest. */
  layers?: DrawnLayer[];
  /** How deep its name says that it lies. */
  depth?: number;
}

/** How a picture goes on past its end: mirrored, as its last row, or in the colors of its edge, ever more mixed. */
export const continuations = ["mirror", "stretch", "gradient"] as const;
export type Continuation = (typeof continuations)[number];

/** A name as layers have it: letters, digits, - and _, after a letter; one by its place where nothing of it is left. */
export function layerName(text: string, number: number, taken: Set<string>): string {
  const letters = text
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^A-Za-z0-9_-]+/g, "-")
    .replace(/^[^A-Za-z]+|-+$/g, "")
    .toLowerCase()
    .slice(0, 60);
  const stem = letters || `layer-${number}`;
  let name = stem;
  for (let again = 2; taken.has(name); again++) name = `${stem}-${again}`;
  taken.add(name);
  return name;
}
