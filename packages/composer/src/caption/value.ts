import type { Grammar } from "lumbit/settings";

/** A value as it is written in a field. */
export function writtenValue(value: unknown): string {
  if (value === undefined) return "";
  if (typeof value === "string") return value;
  if (Array.isArray(value) && value.every((part) => typeof part !== "object")) return value.join(", ");
  return typeof value === "object" ? JSON.stringify(value) : String(value);
}

/** A number with a comma for its point, or a space before its unit, as a page file has it. */
const plainNumber = (text: string): string =>
  text.replace(/^([+-]?\d*)[.,]?(\d*)\s*(\p{L}*|%)$/u, (all, whole, part, unit) =>
    whole === "" && part === "" ? all : `${whole}${part === "" ? "" : `.${part}`}${unit}`,
  );

/**
 * What somebody meant by what they wrote in a field: numbers are numbers, a length without a unit has the one that was
 * there before, pairs stand side by side, lists and objects are JSON.
 */
export function valueFrom(grammar: Grammar, text: string, before: unknown): unknown {
  const written = text.trim();
  switch (grammar.form) {
    case "number": {
      const plain = plainNumber(written);
      const number = Number(plain.replace(/%$/, ""));
      if (plain === "" || Number.isNaN(number)) return written;
      // Shares are spoken of in percent.
      return plain.endsWith("%") ? (grammar.most === 1 ? number / 100 : written) : number;
    }
    case "boolean":
      return written === "true" ? true : written === "false" ? false : written;
    case "length": {
      const plain = plainNumber(written);
      if (plain === "0") return 0;
      const [, unit] = /[\d.]([a-z%]+)$/.exec(String(before ?? "")) ?? [];
      return /^[+-]?[\d.]+$/.test(plain) ? `${plain}${unit ?? "px"}` : plain;
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
      const plain = plainNumber(written);
      if (grammar.of.some(({ form }) => form === "number") && plain !== "" && !Number.isNaN(Number(plain)))
        return Number(plain);
      const length = grammar.of.find(({ form }) => form === "length");
      return length && /^[+-]?[\d.]/.test(plain) ? valueFrom(length, plain, before) : written;
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

/** How a value is stepped: by the last of so many digits behind the point, and how far. */
export interface Steps {
  digits: number;
  limits?: Extract<Grammar, { form: "number" }>;
  /** Whether it is a length that is never below 0. */
  positive?: boolean;
}

/** How values of a grammar are stepped; nothing for those that are no number. */
export function stepsOf(grammar: Grammar): Steps | undefined {
  switch (grammar.form) {
    case "number": {
      const { whole, most } = grammar;
      // Shares in hundredths, factors and depths in tenths, angles and times in ones.
      const digits = whole ? 0 : most <= 1 ? 2 : most <= 100 || "above" in grammar ? 1 : 0;
      return { digits, limits: grammar };
    }
    case "length":
      return { digits: 0, positive: !grammar.negative };
    case "pair":
      return stepsOf(grammar.of);
    case "either":
      return grammar.of.map(stepsOf).find(Boolean);
    default:
      return undefined;
  }
}

/** The digits behind the point of the first number of a text. */
export const digitsIn = (text: string): number => Math.min(3, /\d+\.(\d+)/.exec(text)?.[1]?.length ?? 0);

/** A text with its first number changed by steps, as far as it may go; the same where it has none. */
export function stepped(text: string, steps: number, { digits, limits, positive }: Steps): string {
  return text.replace(/[+-]?(\d+(\.\d+)?|\.\d+)/, (number) => {
    const step = 10 ** -digits;
    const least = limits
      ? "least" in limits
        ? limits.least
        : limits.above + step
      : positive
        ? 0
        : -Infinity;
    const most = limits?.most ?? Infinity;
    return String(Number(Math.min(Math.max(Number(number) + steps * step, least), most).toFixed(digits)));
  });
}
