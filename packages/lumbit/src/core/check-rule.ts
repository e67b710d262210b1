/** What a page is checked for. */
export const checkRules = [
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
export type CheckRule = (typeof checkRules)[number];

/** How grave a finding is on this page, everywhere or in one scene or layer; what is silenced says why. */
export type CheckSetting = { rule: CheckRule; scene?: string; layer?: string } & (
  | { severity: "off"; reason: string }
  | { severity: "error" | "warning" | "note"; reason?: string }
);
