import leven from "leven";
import type { ValueFault } from "../settings/index.ts";
import { lengthUnits } from "../settings/values.ts";

/** What is wrong with a value, and where in it. */
export const faultInWords = ({ path, found, allowed }: ValueFault): string =>
  `${path.length > 0 ? `at /${path.join("/")} ` : ""}${foundInWords(found, allowed)}`;

/** What was found in the place of what is allowed, `undefined` where something is missing; with the word that was meant. */
export function foundInWords(found: unknown, allowed: string): string {
  if (found === undefined) return `something is missing; allowed: ${allowed}`;
  const words = [...allowed.matchAll(/"([a-z][\w/-]*)"/gi)].map(([, word]) => word as string);
  const hint = typeof found === "string" ? meant(found, words) : meant("", []);
  return `found ${short(JSON.stringify(found), 60)}${hint}: ${allowed}${typeof found === "string" ? unitsFor(found, allowed) : ""}`;
}

/** After what is allowed where a length is in a unit that lengths are not in: those that they are in. */
function unitsFor(found: string, allowed: string): string {
  const [, unit] = /^[+-]?[\d.]+\s?([a-z]{1,10})$/i.exec(found) ?? [];
  return unit === undefined || lengthUnits.includes(unit) || !/length|offset|distance/.test(allowed)
    ? ""
    : `; ${unit} is no unit here: take ${lengthUnits.join(", ")}, or % where it is allowed`;
}

/** How a message goes on to what is allowed, after a word that is not: by way of the one that was meant, if any is near. */
export function meant(word: string, known: readonly string[]): string {
  // Nothing is meant by what is much longer than any word.
  const nearest = (word.length > 60 ? [] : known)
    .map((name) => ({ name, distance: leven(word.toLowerCase(), name.toLowerCase()) }))
    .sort(
      (a, b) => a.distance - b.distance || Number(b.name[0] === word[0]) - Number(a.name[0] === word[0]),
    )[0];
  return nearest && nearest.distance <= Math.max(2, word.length / 3)
    ? `, did you mean "${nearest.name}"? Allowed`
    : "; allowed";
}

/** A text of which no more than so many characters are shown. */
export const short = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 3)}…` : text;
