import { layerAttributes, partAttributes, sceneAttributes } from "./attributes.ts";
import { namedSettle } from "./common.ts";
import type { Grammar, Setting } from "./grammar.ts";

/*
 * Attributes that most markup gets by with: single values, of what needs nothing but a depth. Data alone, so that builds have
 * what they come to.
 */

type Unsaid<Row> = Row extends { grammar: infer G } ? { grammar: G } : never;

/** Some settings, without the words that are for who reads messages. */
const unsaid = <Rows extends Record<string, Setting>, Key extends keyof Rows>(
  rows: Rows,
  keys: readonly Key[],
) =>
  Object.fromEntries(keys.map((key) => [key, { grammar: bare(rows[key]?.grammar as Grammar) }])) as {
    readonly [K in Key]: Unsaid<Rows[K]>;
  };

function bare({ allowed: _, ...grammar }: Grammar): unknown {
  if (grammar.form === "either") return { ...grammar, of: grammar.of.map(bare) };
  return grammar.form === "pair" ? { ...grammar, of: bare(grammar.of) } : grammar;
}

/** Of a scene; its settle moment where that has a name. */
export const plainScene = {
  ...unsaid(sceneAttributes, ["hold", "relief", "pan", "sway", "haze"]),
  ...unsaid({ settle: { ...sceneAttributes.settle, grammar: namedSettle } }, ["settle"]),
};

/** Of a layer. */
export const plainLayer = unsaid(layerAttributes, [
  ...(["depth", "speed", "direction", "sideways", "pane", "subject"] as const),
  ...(["opacity", "rotate", "blur", "blend"] as const),
]);

/** Names of all other attributes that say something of a scene, a layer or another part. */
export const furtherAttributes = [
  ...new Set([
    ...["scene", "rules"],
    ...[sceneAttributes, layerAttributes, partAttributes].flatMap((rows) => Object.keys(rows)),
  ]),
].filter((name) => !(name in plainScene || name in plainLayer));
