import type { Change, Finding, PictureCopy } from "lumbit/checks";
import colors from "picocolors";
import { count } from "../problem.ts";

const marks = { error: colors.red("✕"), warning: colors.yellow("▲"), note: colors.cyan("●") };

/** Findings for people: what, where, on which screens, why, and what mends it. */
export function report(findings: readonly Finding[], viewports: number): string {
  const blocks = findings.map(
    ({ severity, rule, scene, layer, path, measured, places, why, change, copies, decided }) => {
      const name = [scene, layer].filter(Boolean).join(" / ") || path;
      return [
        `${marks[severity]} ${colors.bold(name)}  ${colors.dim(rule)}`,
        `  ${measured}`,
        ...(places.length > 0 ? [`  ${placesText(places, viewports)}`] : []),
        `  ${colors.dim(why)}`,
        ...(copies ?? []).map((one) => `  ${colors.green("→")} ${copyText(one)}`),
        ...changeLines(change ?? []).map(
          (one) =>
            `  ${colors.green("→")} ${one}${decided ? colors.dim("  (yours to decide: --fix leaves it)") : ""}`,
        ),
      ].join("\n");
    },
  );
  return [...blocks, summary(findings, viewports)].join("\n\n");
}

/** At most so many screens are named. */
const mostNamed = 4;

/** On which screens, and where along the scroll. */
function placesText(places: Finding["places"], viewports: number): string {
  const screens = [...new Set(places.map(({ viewport }) => viewport))];
  const spans = (screen: string | undefined) =>
    places
      .filter(({ viewport }) => viewport === screen)
      .map(({ from, to }) => span(Math.round(from), Math.round(to)))
      .join(" and ");
  if (screens.length === viewports && viewports > 1)
    return `on all ${viewports} screens, ${screens[0]} ${spans(screens[0])} of scroll`;
  const named = screens.slice(0, mostNamed).map((screen) => `${screen} ${spans(screen)}`);
  const more = screens.length > named.length ? ` and ${screens.length - named.length} more` : "";
  return `on ${named.join(", ")}${more} of scroll`;
}

const span = (from: number, to: number) => (from === to ? `at ${from} px` : `from ${from} to ${to} px`);

/** Changes for people: entries that are taken out of one list together, long values cut. */
export function changeLines(changes: readonly Change[]): string[] {
  const parts = changes.reduce<{ change: Change; last?: string }[]>((parts, change) => {
    const before = parts.at(-1);
    const [list, index] = entryOf(change);
    const [other, next] = before ? entryOf(before.change) : [];
    if (before && index !== undefined && list === other && next === index + 1)
      parts[parts.length - 1] = { change, last: before.last ?? String(next) };
    else parts.push({ change });
    return parts;
  }, []);
  return parts.map(({ change, last }) => changeText(change) + (last ? ` to ${last}` : ""));
}

/** The list and the index of an entry that a change removes. */
function entryOf({ op, path }: Change): [list?: string, index?: number] {
  const at = path.lastIndexOf("/");
  const index = Number(path.slice(at + 1));
  return op === "remove" && Number.isInteger(index) ? [path.slice(0, at), index] : [];
}

/** Values with more letters than this are cut. */
const longest = 140;

function changeText(change: Change): string {
  if (change.op === "remove") return `remove ${change.path}`;
  const value = JSON.stringify(change.value);
  const text = value.length > longest ? `${value.slice(0, longest)}…` : value;
  return change.op === "add" ? `add ${change.path} as ${text}` : `set ${change.path} to ${text}`;
}

export const copyText = ({ to, width, height }: Omit<PictureCopy, "from">) =>
  `make ${to} of ${width} x ${height} px`;

function summary(findings: readonly Finding[], viewports: number): string {
  const screens = count(viewports, "screen");
  if (findings.length === 0) return `${colors.green("✓")} nothing found on ${screens}`;
  const kinds = (["error", "warning", "note"] as const)
    .map((severity) => ({ severity, number: findings.filter((one) => one.severity === severity).length }))
    .filter(({ number }) => number > 0)
    .map(({ severity, number }) => count(number, severity));
  const mended = findings.filter(({ change, decided }) => change && !decided).length;
  const hint = mended > 0 ? `; --fix mends ${mended === findings.length ? "all" : mended} of them` : "";
  return `${kinds.join(", ")} on ${screens}${hint}`;
}
