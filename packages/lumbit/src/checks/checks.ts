/// <reference types="tsdown/client" />
import { checkNames } from "../core/index.ts";
import type { Check } from "./check.ts";

const found = import.meta.glob<Check>("./catalog/*.ts", { eager: true, import: "check" });

/** Everything that pages are judged for. */
export const checks: readonly Check[] = Object.values(found).toSorted(
  (a, b) => checkNames.indexOf(a.name) - checkNames.indexOf(b.name),
);
