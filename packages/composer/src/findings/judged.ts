import type { Change, Finding } from "lumbit/checks";
import type { Size } from "lumbit/core";

/** What was found wrong with a page. */
export interface Judged {
  /** The page file as it was judged: what was found in another one cannot be mended in this one. */
  text: string;
  findings: readonly Finding[];
  /** Why it could not be judged, in words. */
  problem?: string;
}

const nameOf = ({ width, height }: Size): string => `${width}x${height}`;

/** A finding where it holds on a screen: from one scroll position to another, in px. */
export interface Held {
  finding: Finding;
  from: number;
  to: number;
}

/** What was found on a screen, once for each part of the scroll on which it holds. */
export const heldOn = (findings: readonly Finding[], screen: Size): Held[] =>
  findings.flatMap((finding) =>
    finding.places
      .filter(({ viewport }) => viewport === nameOf(screen))
      .map(({ from, to }) => ({ finding, from, to })),
  );

/** How many findings there are on a screen. */
export const countOn = (findings: readonly Finding[], screen: Size): number =>
  new Set(heldOn(findings, screen).map(({ finding }) => finding)).size;

/** The size of a screen that a finding names. */
export function sizeOf(viewport: string): Size {
  const [width = 0, height = 0] = viewport.split("x").map((side) => Number.parseInt(side, 10));
  return { width, height };
}

/** Where to look at a finding: on one of these screens, in their order, else on the first on which it holds. */
export function whereToLook(
  { places }: Finding,
  screens: readonly Size[],
): { screen: Size; scroll: number } | undefined {
  const place =
    screens
      .map((screen) => places.find(({ viewport }) => viewport === nameOf(screen)))
      .find((place) => place !== undefined) ?? places[0];
  return place && { screen: sizeOf(place.viewport), scroll: (place.from + place.to) / 2 };
}

/** The screens on which a finding holds, in words. */
export function screensOf({ places }: Finding): string {
  const names = [...new Set(places.map(({ viewport }) => viewport.replace("x", " × ")))];
  const more = names.length - 3;
  return more > 1 ? `${names.slice(0, 3).join(", ")} and ${more} more` : names.join(", ");
}

/** Longer values are not said. */
const longest = 40;

/** What mends a finding, in words: the settings that change, and what they become. */
export function changesOf(changes: readonly Change[]): string {
  const said = changes.map((change) => {
    const setting = change.path
      .split("/")
      .slice(1)
      .filter((key, at, keys) => Number.isNaN(Number(key)) && !["scenes", "layers"].includes(keys[at] ?? ""))
      .join(" ");
    if (change.op === "remove") return `${setting || "the layer"} goes`;
    const value = typeof change.value === "string" ? change.value : JSON.stringify(change.value);
    return value.length > longest ? `${setting} changes` : `${setting} becomes ${value}`;
  });
  return [...new Set(said)].join(", ");
}
