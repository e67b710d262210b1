import type { Grammar } from "lumbit/settings";

/** A value as it is written in a field. */
export function writtenValue(value: unknown): string {
  if (value === undefined) return "";
  if (typeof value === "string") return value;
  if (Array.isArray(value) && value.every((part) => typeof part !== "object")) return value.join(", ");
  return typeof value === "object" ? JSON.stringify(value) : String(value);
}

/**
 * What somebody meant by what they wrote in a field: numbers are numbers, a length without a unit has the one that was
 * there before, pairs stand side by side, lists and objects are JSON.
 */
export function valueFrom(grammar: Grammar, text: string, before: unknown): unknown {
  const written = text.trim();
  switch (grammar.form) {
    case "number":
      return Number.isNaN(Number(written)) || written === "" ? written : Number(written);
    case "boolean":
      return written === "true" ? true : written === "false" ? false : written;
    case "length": {
      if (written === "0") return 0;
      const [, unit] = /[\d.]([a-z%]+)$/.exec(String(before ?? "")) ?? [];
      return /^[+-]?[\d.]+$/.test(written) ? `${written}${unit ?? "px"}` : written;
    }
    case "pair": {
      const parts = written.split(/\s*,\s*/);
      return written.startsWith("[")
        ? parsed(written)
        : parts.map((part) => valueFrom(grammar.of, part, undefined));
    }
    case "list":
    case "object":
    case "map":
      return parsed(written);
    case "either": {
      if (/^[[{]/.test(written)) return parsed(written);
      if (
        grammar.of.some(({ form }) => form === "number") &&
        written !== "" &&
        !Number.isNaN(Number(written))
      )
        return Number(written);
      const length = grammar.of.find(({ form }) => form === "length");
      return length && /^[+-]?[\d.]/.test(written) ? valueFrom(length, written, before) : written;
    }
    default:
      return text;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** A text with its first number changed by steps of its last digit; the same where it has none. */
export function stepped(text: string, steps: number): string {
  return text.replace(/[+-]?\d+(\.\d+)?/, (number) => {
    const decimals = Math.min(2, number.split(".")[1]?.length ?? 0);
    return String(Number((Number(number) + steps * 10 ** -decimals).toFixed(decimals)));
  });
}
