import type { Completion, CompletionContext, CompletionResult } from "@codemirror/autocomplete";
import { getLocation } from "jsonc-parser";
import { type Grammar, grammarsAt, settingsAt } from "lumbit/settings";

/** What the page file may have at a place of its text: settings with what they do, and the words that a value may be. */
export function suggest(context: CompletionContext): CompletionResult | null {
  const text = context.state.doc.toString();
  const { path, isAtPropertyKey, previousNode } = getLocation(text, context.pos);
  const word = context.matchBefore(/"?[\w-]*/);
  if (!context.explicit && (!word || word.from === word.to)) return null;
  const inside =
    previousNode &&
    previousNode.offset <= context.pos &&
    context.pos <= previousNode.offset + previousNode.length;
  const from = inside ? previousNode.offset : (word?.from ?? context.pos);
  const to = inside ? previousNode.offset + previousNode.length : context.pos;
  const quoted = (value: string) => JSON.stringify(value);
  const options: Completion[] = isAtPropertyKey
    ? Object.entries(settingsAt(path.slice(0, -1))).map(([name, { meaning, grammar }]) => ({
        ...{
          label: quoted(name),
          apply: text.slice(to).trimStart().startsWith(":") ? quoted(name) : `${quoted(name)}: `,
        },
        ...{ info: `${meaning.replaceAll("`", "")} Allowed: ${grammar.allowed}.`, type: "property" },
      }))
    : grammarsAt(path)
        .flatMap(wordsOf)
        .map((label) => ({ label, type: "constant" }));
  return options.length > 0 ? { from, to, options, validFor: /^"?[\w-]*"?$/ } : null;
}

/** What a setting does, and what is allowed there: for a place in the text that the pointer is at. */
export function explained(text: string, at: number): string | undefined {
  const { path } = getLocation(text, at);
  const name = path.at(-1);
  const setting = typeof name === "string" ? settingsAt(path.slice(0, -1))[name] : undefined;
  return setting && `${setting.meaning.replaceAll("`", "")} Allowed: ${setting.grammar.allowed}.`;
}

const wordsOf = (grammar: Grammar): string[] =>
  grammar.form === "choice"
    ? grammar.words.map((word) => JSON.stringify(word))
    : grammar.form === "boolean"
      ? ["true", "false"]
      : [];
