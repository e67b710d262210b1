import { type Node, Parser } from "commonmark";
import fc from "fast-check";
import { expect, test } from "vitest";
import { plainText, type Run, runsOf } from "./words.ts";

/** The runs of a paragraph as the reference of CommonMark reads it. */
function referenceRuns(source: string): Run[] {
  const runs: Run[] = [];
  const walker = new Parser().parse(source).walker();
  const around: Node[] = [];
  for (let event = walker.next(); event; event = walker.next()) {
    const { node, entering } = event;
    if (["strong", "emph", "link"].includes(node.type)) {
      if (entering) around.push(node);
      else around.pop();
    }
    if (node.type !== "text" && node.type !== "softbreak") continue;
    const has = (type: string) => around.some((one) => one.type === type);
    const run: Run = {
      text: node.literal ?? "\n",
      ...(has("strong") && { strong: true as const }),
      ...(has("emph") && { emphasized: true as const }),
      ...(has("link") && {
        href: decodeURIComponent(around.find(({ type }) => type === "link")?.destination ?? ""),
      }),
    };
    const { text: _, ...look } = run;
    const last = runs.at(-1);
    const { text: __, ...before } = last ?? { text: "" };
    if (last && JSON.stringify(look) === JSON.stringify(before)) last.text += run.text;
    else runs.push(run);
  }
  return runs;
}

test("texts are strong, emphasized and links as CommonMark says", () => {
  const piece = fc.constantFrom(
    "*",
    "**",
    "_",
    "__",
    "[",
    "](#a)",
    "](b/c)",
    "]",
    "\\",
    "a",
    "be",
    " ",
    ".",
    "é",
    "(",
    ")",
  );
  fc.assert(
    fc.property(fc.array(piece, { minLength: 1, maxLength: 14 }), (pieces) => {
      // A letter at both ends, so that nothing else of the language (lists, rules, space at the ends) is meant.
      const source = `x${pieces.join("")}x`;
      expect(runsOf(source), source).toEqual(referenceRuns(source));
    }),
    { numRuns: 4000 },
  );
});

test.each(["[a](", "*a", "**a*", "_a_b", "[", "](", "[a](b)[", "*a **b ", "[*a](b) _c* "])(
  "%s over and over is read in one go, as the reference reads it",
  (piece) => {
    expect(runsOf(`x${piece.repeat(60)}x`)).toEqual(referenceRuns(`x${piece.repeat(60)}x`));
    // In a time that grows with its square, or faster, this would not end.
    expect(plainText(piece.repeat(100_000)).length).toBeGreaterThan(0);
  },
);

test("what means nothing stays as it is, and a text without marks is one run", () => {
  expect(runsOf("Low water at 4 * 3 o'clock, snake_case_words, [see] (there)")).toHaveLength(1);
  expect(runsOf("**Low** *water*, [the log](#log)")).toEqual([
    { text: "Low", strong: true },
    { text: " " },
    { text: "water", emphasized: true },
    { text: ", " },
    { text: "the log", href: "#log" },
  ]);
  expect(plainText("**Low**\n\\*water\\* at [noon](<a b>)")).toBe("Low\n*water* at noon");
});
