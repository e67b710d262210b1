import fc from "fast-check";
import { expect, test } from "vitest";
import { matchesMedia } from "../core/index.ts";
import { faultIn, type Grammar, isSafeLink, pageGrammar, rampProperties } from "../settings/index.ts";
import { isCssValue } from "./css-value.ts";
import { holds } from "./schema.ts";

/** Every grammar that is used anywhere in a page file, and of values of ramps. */
function grammarsIn(grammar: Grammar, known = new Set<Grammar>()): Set<Grammar> {
  if (known.has(grammar)) return known;
  known.add(grammar);
  if (grammar.form === "object")
    for (const setting of Object.values(grammar.settings)) grammarsIn(setting.grammar, known);
  if (grammar.form === "either") for (const of of grammar.of) grammarsIn(of, known);
  if (grammar.form === "list" || grammar.form === "pair" || grammar.form === "map")
    grammarsIn(grammar.of, known);
  return known;
}

const grammars = [
  ...grammarsIn(pageGrammar),
  ...Object.values(rampProperties).flatMap(({ grammar }) => [...grammarsIn(grammar)]),
];

const judge = {
  css: isCssValue,
  media: (query: string) => matchesMedia(query, { width: 1, height: 1 }) !== undefined,
  link: isSafeLink,
};

const value: fc.Arbitrary<unknown> = fc.letrec((tie) => ({
  plain: fc.oneof(
    fc.constantFrom<unknown>(
      ...[0, 1, -1, 0.5, 46, 1e9, -0, null, true, false, "", "x", "horizon", "auto", "none"],
    ),
    fc.constantFrom(
      ...[
        "10px",
        "-5%",
        "+3vh",
        "2em",
        "1e3px",
        "calc(50% - 20px)",
        "calc(1px+2px)",
        "calc(1px - 2px",
        "3 px",
      ],
    ),
    fc.constantFrom(
      ...["entry 30%", "exit 120%", "cover 5.5%", "ease-in", "ease, linear", "linear(0, 1)", "steps(3, end)"],
    ),
    fc.constantFrom(
      ...[
        "cubic-bezier(0.2, 0, 0, 1)",
        "cubic-bezier(2, 0, 0, 1)",
        "cubic-bezier(.4,-1,1.0,2)",
        "load",
        "page",
      ],
    ),
    fc.constantFrom(
      ...["#123", "red", "url(x)", "var(--x)", "art/a.webp", "../a", "http://x", "(max-width: 3px)", "en"],
    ),
    fc.string(),
    fc.double(),
  ),
  some: fc.oneof(
    { depthSize: "small" },
    tie("plain"),
    fc.array(tie("some"), { maxLength: 3 }),
    tie("object"),
  ),
  object: fc.dictionary(
    fc.oneof(
      fc.constantFrom("x", "y", "at", "value", "from", "opacity", "left", "media", "2", "name"),
      fc.string(),
    ),
    tie("some"),
    { maxKeys: 3 },
  ),
})).some;

test("who has no room for the reader accepts what the reader accepts", () => {
  let accepted = 0;
  fc.assert(
    fc.property(fc.constantFrom(...grammars), value, (grammar, value) => {
      const right = holds(grammar, value);
      if (right) accepted++;
      expect(
        faultIn(grammar, value, judge) === undefined,
        `${grammar.allowed}: ${JSON.stringify(value)}`,
      ).toBe(right);
    }),
    { numRuns: 20_000 },
  );
  expect(accepted).toBeGreaterThan(500);
});
