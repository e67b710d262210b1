import type { Grammar, Setting, Settings } from "./grammar.ts";
import { writtenGrammar } from "./part.ts";

type Path = readonly (string | number)[];

/** The settings that may stand at a path of a page file. */
export const settingsAt = (path: Path): Settings => settingsIn(grammarsAt(path));

/** All settings of some grammars. */
const settingsIn = (grammars: readonly Grammar[]): Settings =>
  Object.assign({}, ...grammars.map((grammar) => (grammar.form === "object" ? grammar.settings : {})));

/** The grammar of the value at a path; of what may be written in several ways all of them, where that is asked for. */
export function grammarsAt(path: Path, opened = true): Grammar[] {
  const inner = (grammar: Grammar): Grammar[] =>
    grammar.form === "either" ? grammar.of.flatMap(inner) : [grammar];
  const last = path.reduce<Grammar[]>(
    (grammars, key) => grammars.flatMap(inner).flatMap((grammar) => step(grammar, key)),
    [writtenGrammar],
  );
  return opened ? last.flatMap(inner) : last;
}

function step(grammar: Grammar, key: string | number): Grammar[] {
  switch (grammar.form) {
    case "object":
      return Object.hasOwn(grammar.settings, key) ? [(grammar.settings[key] as Setting).grammar] : [];
    case "list":
    case "pair":
    case "map":
      return [grammar.of];
    default:
      return [];
  }
}
