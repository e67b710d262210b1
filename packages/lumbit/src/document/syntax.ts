import { type ParseErrorCode, printParseErrorCode, visit } from "jsonc-parser";

/** What is wrong with a text as JSON, and where. */
export interface SyntaxFault {
  offset: number;
  message: string;
}

/** So many are told; what follows from one is mended with it. */
const most = 100;
/** How many lists and objects may stand in each other: a page file needs a dozen. */
const deepest = 64;

/** What keeps a text from being JSON; nothing for what a parser can be given. */
export function syntaxFaults(text: string): SyntaxFault[] {
  if (text.trim() === "") return [{ offset: 0, message: "the file is empty; a page file is a JSON object" }];
  const deep = tooDeep(text);
  if (deep !== undefined)
    return [
      {
        offset: deep,
        message: `this stands in more than ${deepest} lists and objects; a page file needs a dozen of them`,
      },
    ];
  const faults: SyntaxFault[] = [];
  let more = 0;
  const stop = new Error();
  const onError = (error: ParseErrorCode, offset: number) => {
    if (faults.at(-1)?.offset === offset) return;
    if (faults.length === most) {
      more++;
      throw stop;
    }
    faults.push({ offset, message: syntaxMessage(printParseErrorCode(error)) });
  };
  try {
    visit(text, { onError }, { disallowComments: true, allowEmptyContent: false });
  } catch (error) {
    if (error !== stop) throw error;
  }
  if (more > 0)
    faults.push({
      offset: faults.at(-1)?.offset ?? 0,
      message: "there is more after this; mend the first faults first",
    });
  return faults;
}

/** Where a text goes deeper than any page file; parsers go as deep as they are led. */
function tooDeep(text: string): number | undefined {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < text.length; at++) {
    const letter = text[at];
    if (quoted && letter === "\\") at++;
    else if (letter === '"') quoted = !quoted;
    // A text ends with its line, closed or not.
    else if (letter === "\n") quoted = false;
    else if (!quoted && (letter === "[" || letter === "{")) {
      if (++depth > deepest) return at;
    } else if (!quoted && (letter === "]" || letter === "}")) depth--;
  }
  return undefined;
}

/** What of a text no page can show, in words. */
export function unprintable(text: string): string | undefined {
  // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for.
  const control = /[\0-\x08\x0b\x0c\x0e-\x1f\x7f-\x9f]/.exec(text)?.[0];
  if (control)
    return `the control character U+${control.charCodeAt(0).toString(16).toUpperCase().padStart(4, "0")}`;
  return /\p{Surrogate}/u.test(text) ? "half of a character (a lone surrogate)" : undefined;
}

const syntaxMessages: Record<string, string> = {
  CommaExpected: "a comma is missing before this",
  ColonExpected: "a colon is missing before this",
  PropertyNameExpected: "a key in double quotes belongs here; a comma before a closing brace is one too many",
  ValueExpected: "a value belongs here; a comma before a closing bracket is one too many",
  CloseBraceExpected: 'a closing "}" is missing',
  CloseBracketExpected: 'a closing "]" is missing',
  EndOfFileExpected: "the document has ended before this; nothing may follow it",
  UnexpectedEndOfString: "the text that begins here has no closing quote",
  InvalidCommentToken: "JSON has no comments; remove this one",
  InvalidSymbol: "this is no JSON value; texts stand in double quotes",
};
const syntaxMessage = (code: string) =>
  `this is not valid JSON: ${syntaxMessages[code] ?? code.replace(/([a-z])([A-Z])/g, "$1 $2").toLowerCase()}`;
