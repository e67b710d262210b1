import type { CheckRule } from "../settings/index.ts";

export { type CheckRule, checkRules } from "../settings/index.ts";

/** How grave a finding is on this page, everywhere or in one scene or layer; what is silenced says why. */
export type CheckSetting = { rule: CheckRule; scene?: string; layer?: string } & (
  | { severity: "off"; reason: string }
  | { severity: "error" | "warning" | "note"; reason?: string }
);
