import { expect, test } from "vitest";
import { isSafeLink } from "../settings/index.ts";
import { isCssValue } from "./css-value.ts";

test("links lead somewhere and run nothing", () => {
  for (const href of [
    "#descent",
    "visit.html",
    "/a/b?c=d",
    "https://example.org/",
    "mailto:tide@example.org",
    "tel:+100",
  ])
    expect(isSafeLink(href), href).toBe(true);
  for (const href of [
    "",
    "javascript:alert(1)",
    "JaVaScRiPt:alert(1)",
    " javascript:alert(1)",
    "java\nscript:alert(1)",
    "data:text/html,x",
    "vbscript:x",
    "\\\\evil\\x",
    "file:///etc/passwd",
  ])
    expect(isSafeLink(href), href).toBe(false);
});

test("CSS values stand on their own", () => {
  for (const [property, text] of [
    ["color", "oklch(0.7 0.1 180)"],
    ["background", "linear-gradient(#cde, #024)"],
    ["font-family", '"New York", serif'],
    ["box-shadow", "0 1px 2px #0008, inset 0 0 3px red"],
  ] as const)
    expect(isCssValue(property, text), text).toBe(true);
  for (const [property, text] of [
    ["color", "red; } x { y: z"],
    ["color", "var(--x)"],
    ["background", "url(//example.org)"],
    ["color", "inherit"],
    ["color", "red /* x */"],
    ["font-family", "</style>"],
    ["color", "#12"],
  ] as const)
    expect(isCssValue(property, text), text).toBe(false);
});
