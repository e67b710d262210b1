import { parse, walk } from "css-tree";
import fc from "fast-check";
import { expect, test } from "vitest";
import { declare, ruleCss } from "./rule-css.ts";
import { isContained, quoted } from "./safe.ts";

test.each([
  "(width < 600px)",
  "(400px <= width <= 900px)",
  'Newsreader, "Newsreader Fallback: Arial", serif',
  "calc((100cqw - 96cqw) / 2)",
  "linear-gradient(#123, rgb(0 0 0 / 0.5))",
  "var(--lumbit-clip, clip)",
])("%s is written as it is", (text) => {
  expect(isContained(text)).toBe(true);
});

test.each([
  "red; }",
  "a{",
  "(",
  ")",
  '"',
  "'a",
  "a /* b",
  "</style>",
  "url(x)",
  "image-set('x' 1x)",
  "\\61",
  '"a\nb"',
])("%s is not written", (text) => {
  expect(isContained(text)).toBe(false);
});

test("whatever names and values are, a rule is one rule with its own declarations", () => {
  const text = fc.oneof(
    fc.string(),
    fc.constantFrom('"] { } * {', "red; } * { color: red", "(((", "\u0000", "\\"),
  );
  fc.assert(
    fc.property(text, text, text, (name, value, media) => {
      const selector = `[data-lumbit-layer=${quoted(name)}]`;
      const css = `${ruleCss({ selector, declarations: { color: value, "--own": "1" }, media })} ${declare(selector, { left: value })} b { top: 1px }`;
      let rules = 0;
      walk(parse(css), (node) => {
        if (node.type === "Rule") rules++;
        if (node.type === "Declaration") expect(["color", "--own", "left", "top"]).toContain(node.property);
      });
      expect(rules).toBeLessThanOrEqual(3);
      expect(css).toMatch(/b { top: 1px }$/);
    }),
  );
});
