import { expect, test } from "vitest";
import { matchesMedia } from "./media.ts";
import type { Viewport } from "./units.ts";

test("what is no query of this kind is said to be none", () => {
  for (const query of [
    "",
    "wide",
    "(width)",
    "(max-width: wide)",
    "(min-orientation: portrait)",
    "(colour: 8)",
    "(width > 3px",
    "(width > 1px) or (height > 1px) and (width > 2px)",
    "not (width > 1px) and (height > 1px)",
    "screen and (width > 1px) or (height > 1px)",
    "(width > 1px) and",
    "only (width > 1px)",
    "()",
  ])
    expect(matchesMedia(query, { width: 1, height: 1 }), query).toBeUndefined();
});

test("telephones and tablets are touched, and what is wider has a mouse, unless a viewport says otherwise", () => {
  const touched = (viewport: Viewport) => matchesMedia("(pointer: coarse) and (hover: none)", viewport);
  for (const [width, height] of [
    [320, 568],
    [844, 390],
    [768, 1024],
  ] as const)
    expect(touched({ width, height })).toBe(true);
  expect(touched({ width: 1280, height: 800 })).toBe(false);
  expect(touched({ width: 390, height: 844, pointer: "fine" })).toBe(false);
  expect(touched({ width: 1280, height: 800, pointer: "coarse" })).toBe(true);
});
