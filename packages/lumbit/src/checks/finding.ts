import type { CheckName, Viewport } from "../core/index.ts";

/** How much a finding matters: what readers see at once, what some of them notice, what is worth knowing. */
export type Severity = "error" | "warning" | "note";

const gravity: readonly Severity[] = ["error", "warning", "note"];

/** Orders findings, the gravest first. */
export const graver = (a: { severity: Severity }, b: { severity: Severity }): number =>
  gravity.indexOf(a.severity) - gravity.indexOf(b.severity);

/** One change of a document, as in a JSON Patch (RFC 6902). */
export type Change = { op: "add" | "replace"; path: string; value: unknown } | { op: "remove"; path: string };

/** Where on a page something was seen: at a viewport, from one scroll position to another, in px. */
export interface Span {
  viewport: string;
  from: number;
  to: number;
}

/** A smaller copy of a picture: its files, and its size in px. */
export interface PictureCopy {
  from: string;
  to: string;
  width: number;
  height: number;
}

/** One thing that is wrong with a page. */
export interface Finding {
  /** The check that found it. */
  rule: CheckName;
  severity: Severity;
  scene?: string;
  layer?: string;
  /** A JSON Pointer (RFC 6901) to what it is about. */
  path: string;
  /** Where it holds, by viewport. */
  places: Span[];
  /** The figure, in words, where it is worst. */
  measured: string;
  /** Why it matters, in one sentence. */
  why: string;
  /** What mends it; nothing where that takes another picture, other words or another composition. */
  change?: Change[];
  /** Pictures that the change names and that are to be made for it. */
  copies?: PictureCopy[];
  /** The change takes away what the designer decided: nothing takes it unasked. */
  decided?: true;
}

/** What a check sees at one viewport. */
export interface Sighting
  extends Pick<Finding, "scene" | "layer" | "path" | "measured" | "change" | "copies" | "decided"> {
  /** The scroll positions between which it holds, in px. */
  from: number;
  to: number;
  /** How bad it is here: the measure and the change are those of the worst viewport. */
  amount: number;
  /** The change, or the whole finding, is right only if the same is seen on every screen. */
  everywhere?: "change" | "finding";
}

/** How a viewport is called: its size, and its pointing device where it says one. */
export const viewportName = ({ width, height, pointer }: Viewport): string =>
  `${width}x${height}${pointer ? `:${pointer}` : ""}`;
