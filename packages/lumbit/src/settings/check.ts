import { choice, type Setting, text } from "./grammar.ts";

/** What a page is checked for. */
export const checkNames = [
  "order",
  "edge",
  "sharpness",
  "subject",
  "contrast",
  "reading",
  "faint",
  "strong",
  "room",
  "unseen",
  "alt",
  "headings",
  "links",
  "focus",
  "weight",
  "wasted",
  "opposed",
  "blur",
  "overflow",
  "empty",
  "flashing",
  "overlap",
  "still",
  "split",
] as const;
export type CheckName = (typeof checkNames)[number];

/** How grave a finding is on this page, everywhere or in one scene or layer; what is silenced says why. */
export const checkSetting = {
  rule: {
    grammar: choice(checkNames, `a check: ${checkNames.map((name) => `"${name}"`).join(", ")}`),
    meaning: "The check that finds it.",
    required: true,
  },
  scene: {
    grammar: text(0, "the name of the scene that it is for; all of them without it"),
    meaning: "The scene that it is for; all of them without it.",
  },
  layer: {
    grammar: text(0, "the name of the layer that it is for; all of them without it"),
    meaning: "The layer that it is for; all of them without it.",
  },
  severity: {
    grammar: choice(["error", "warning", "note", "off"]),
    meaning: "How grave it is.",
    required: true,
  },
  reason: { grammar: text(1, "why it is so on this page"), meaning: "Why it is so on this page." },
} as const satisfies Record<string, Setting>;
