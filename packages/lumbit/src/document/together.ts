import { changedBy, matchesMedia, type Viewport } from "../core/index.ts";
import type { Breach } from "./contradictions.ts";
import { plain } from "./plain.ts";

type Settings = Record<string, unknown>;

/**
 * What contradicts itself only where several rules hold at once, on some screen that there is. `breachesOf` says what is
 * wrong with settings by themselves.
 */
export function togetherBreaches(
  settings: Settings,
  rules: readonly Settings[],
  breachesOf: (settings: Settings) => Breach[],
): Breach[] {
  const changed = (by: readonly Settings[]) =>
    by.reduce((state, rule) => changedBy(state, { media: "", ...rule }), settings);
  const alone = [[], ...rules.map((rule) => [rule])].flatMap((by) => breachesOf(changed(by)));
  const known = new Set(alone.map(({ message }) => message));
  const found = (by: readonly Settings[]) =>
    breachesOf(changed(by)).filter(({ message }) => !known.has(message));
  const pairs = rules.flatMap((one, index) => rules.slice(index + 1).map((other) => [one, other]));
  // Few pages come further than this: screens are many.
  if (!pairs.some((pair) => found(pair).length > 0)) return [];
  const judged = new Set<string>();
  const held = rules.map(({ media }) => heldOn(plain(media)));
  return screensOf(rules).flatMap((screen) => {
    const holding = rules.filter((_, index) => held[index]?.(screen));
    // On most screens the same rules hold.
    const numbers = holding.map((rule) => rules.indexOf(rule) + 1);
    const same = numbers.join();
    if (judged.has(same)) return [];
    judged.add(same);
    return found(holding).map(({ message }): Breach => {
      known.add(message);
      return {
        path: ["rules", rules.indexOf(holding.at(-1) as Settings)],
        message: `${message} (rules ${listed(numbers)} hold together, as at ${screen.width} x ${screen.height} px)`,
      };
    });
  });
}

/** Numbers in words; of many only the first. */
const listed = (numbers: readonly number[]) =>
  numbers.length > 6
    ? `${numbers.slice(0, 5).join(" and ")} and ${numbers.length - 5} more`
    : numbers.join(" and ");

/** Whether a media query holds on a screen; what depends on one side of the screen alone is asked once for each. */
function heldOn(query: string): (screen: Viewport) => boolean {
  const sides = ["width", "height"].filter((side) => query.includes(side));
  const both = sides.length !== 1 || /aspect-ratio|orientation/.test(query);
  const known = new Map<string, boolean>();
  return (screen) => {
    const { width, height, pointer } = screen;
    const key = both
      ? `${width} ${height} ${pointer}`
      : `${sides[0] === "width" ? width : height} ${pointer}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const holds = matchesMedia(query, screen) === true;
    known.set(key, holds);
    return holds;
  };
}

/** Screens of all kinds, and those at the lengths that media queries name for their width and their height. */
function screensOf(rules: readonly Settings[]): Viewport[] {
  const queries = rules.map(({ media }) => plain(media));
  const lengths = (side: "width" | "height") => {
    const named = queries
      .filter((query) => query.includes(side))
      .flatMap((query) => [...query.matchAll(/([\d.]+)(px|r?em)/g)])
      .flatMap(([, number, unit]) => {
        const length = Math.round(Number(number) * (unit === "px" ? 1 : 16));
        return [length - 1, length, length + 1];
      });
    return [...new Set([390, 600, 844, 1280, 1920, 2560, 3840, ...named])].filter((length) => length > 0);
  };
  const heights = lengths("height");
  return lengths("width").flatMap((width) =>
    heights.flatMap((height) => (["coarse", "fine"] as const).map((pointer) => ({ width, height, pointer }))),
  );
}
