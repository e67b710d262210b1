import { changedBy, matchesMedia, type Viewport } from "../core/index.ts";
import type { Breach } from "./contradictions.ts";

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
  return screensOf(rules).flatMap((screen) => {
    const held = rules.filter(({ media }) => matchesMedia(String(media), screen));
    return found(held).map(({ message }): Breach => {
      known.add(message);
      const numbers = held.map((rule) => rules.indexOf(rule) + 1).join(" and ");
      return {
        path: ["rules", rules.indexOf(held.at(-1) as Settings)],
        message: `${message} (rules ${numbers} hold together, as at ${screen.width} x ${screen.height} px)`,
      };
    });
  });
}

/** Screens of all kinds, and those at the lengths that media queries name. */
function screensOf(rules: readonly Settings[]): Viewport[] {
  const named = rules.flatMap(({ media }) =>
    [...String(media).matchAll(/([\d.]+)(px|r?em)/g)].flatMap(([, number, unit]) => {
      const length = Math.round(Number(number) * (unit === "px" ? 1 : 16));
      return [length - 1, length, length + 1];
    }),
  );
  const lengths = [...new Set([390, 600, 844, 1280, 1920, 2560, 3840, ...named])].filter(
    (length) => length > 0,
  );
  return lengths.flatMap((width) =>
    lengths.flatMap((height) => (["coarse", "fine"] as const).map((pointer) => ({ width, height, pointer }))),
  );
}
