import type { Change, Finding } from "lumbit/checks";
import colors from "picocolors";
import { count } from "../problem.ts";

const marks = { error: colors.red("✕"), warning: colors.yellow("▲"), note: colors.cyan("●") };

/** Findings for people: what, where, on which screens, why, and what mends it. */
export function report(findings: readonly Finding[], viewports: number): string {
  const blocks = findings.map(({ severity, rule, scene, layer, path, measured, places, why, change }) => {
    const name = [scene, layer].filter(Boolean).join(" / ") || path;
    return [
      `${marks[severity]} ${colors.bold(name)}  ${colors.dim(rule)}`,
      `  ${measured}`,
      ...(places.length > 0 ? [`  ${placesText(places, viewports)}`] : []),
      `  ${colors.dim(why)}`,
      ...(change ?? []).map((one) => `  ${colors.green("→")} ${changeText(one)}`),
    ].join("\n");
  });
  return [...blocks, summary(findings, viewports)].join("\n\n");
}

/** On which screens, and where along the scroll. */
function placesText(places: Finding["places"], viewports: number): string {
  const shown = places
    .slice(0, 4)
    .map(({ viewport, from, to }) => `${viewport} from ${Math.round(from)} to ${Math.round(to)} px`);
  const more = places.length > shown.length ? ` and ${places.length - shown.length} more` : "";
  return places.length === viewports && viewports > 1
    ? `on all ${viewports} screens, ${shown[0]} of scroll`
    : `on ${shown.join(", ")}${more} of scroll`;
}

export const changeText = (change: Change): string =>
  change.op === "remove"
    ? `remove ${change.path}`
    : `${change.op === "add" ? "add" : "set"} ${change.path} ${change.op === "add" ? "as" : "to"} ${JSON.stringify(change.value)}`;

function summary(findings: readonly Finding[], viewports: number): string {
  const screens = count(viewports, "screen");
  if (findings.length === 0) return `${colors.green("✓")} nothing found on ${screens}`;
  const kinds = (["error", "warning", "note"] as const)
    .map((severity) => ({ severity, number: findings.filter((one) => one.severity === severity).length }))
    .filter(({ number }) => number > 0)
    .map(({ severity, number }) => count(number, severity));
  const mended = findings.filter(({ change }) => change).length;
  const hint = mended > 0 ? `; --fix mends ${mended === findings.length ? "all" : mended} of them` : "";
  return `${kinds.join(", ")} on ${screens}${hint}`;
}
