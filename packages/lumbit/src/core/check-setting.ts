import type { CheckName } from "../settings/index.ts";

export { type CheckName, checkNames } from "../settings/index.ts";

/** How grave a finding is on this page, everywhere or in one scene or layer; what is silenced says why. */
export type CheckSetting = { rule: CheckName; scene?: string; layer?: string } & (
  | { severity: "off"; reason: string }
  | { severity: "error" | "warning" | "note"; reason?: string }
);
