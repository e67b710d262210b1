import { motionConditions, ruleCss, type StyleRule } from "../markup/index.ts";
import { sheetFor } from "./sheet.ts";

/** A part of a style: what it is of, unlike any other, what it comes from, and its rules. */
export interface KeptStyle {
  key: string;
  from: readonly unknown[];
  keyframes(): readonly string[];
  rules(): readonly StyleRule[];
}

/** What of a style has changed: rules, or nothing but values of these elements. */
export type StyleChange = "rules" | readonly HTMLElement[];

interface Part {
  style: KeptStyle;
  keyframes: readonly string[];
  rules: readonly StyleRule[];
  sheet: CSSStyleSheet;
  /** What stands on elements instead of in the sheet. */
  inline: { element: HTMLElement; property: string }[];
}

/**
 * Style sheets of a document or shadow root, one for each part of a style, of which only those are written again that changed. A new
 * value that holds under every condition is set on its element: engines style all of a document anew after any change of
 * a sheet, but only that element after this.
 */
export class KeptSheets {
  readonly #home: Document | ShadowRoot;
  readonly #still: boolean;
  #parts: readonly Part[] = [];
  #change: "rules" | HTMLElement[] = [];

  /** Where all stands still, nothing that moves is written. */
  constructor(home: Document | ShadowRoot, still: boolean) {
    this.#home = home;
    this.#still = still;
  }

  /** Makes the style that of these parts, later ones over earlier ones. */
  replace(styles: readonly KeptStyle[]): StyleChange {
    this.#change = [];
    const before = this.#parts;
    let byKey: Map<string, Part> | undefined;
    this.#parts = styles.map((style, index) => {
      const beside = before[index];
      if (beside?.style === style) return beside;
      if (beside?.style.key === style.key) return this.#part(style, beside);
      byKey ??= new Map(before.map((part) => [part.style.key, part]));
      return this.#part(style, byKey.get(style.key));
    });
    const isSameList = !byKey && styles.length === before.length;
    if (isSameList) return this.#change;
    this.#adopt(before);
    return "rules";
  }

  /** Writes into the sheets what stands on elements: call it when these may be others from now on. */
  settle(): void {
    for (const part of this.#parts) if (part.inline.length > 0) write(part);
  }

  /** Takes them all back. */
  release(): void {
    const before = this.#parts;
    this.#parts = [];
    this.#adopt(before);
  }

  #part(style: KeptStyle, known: Part | undefined): Part {
    if (known && isSame(known.style.from, style.from)) return { ...known, style };
    const rules = style.rules();
    const next = {
      style,
      keyframes: this.#still ? [] : style.keyframes(),
      rules: this.#still ? rules.filter(({ motion }) => !motion) : rules,
    };
    const values = known && changedValues(known, next);
    if (known && values) {
      const inline = values.flatMap(({ selector, property, value }) => {
        const element = this.#home.querySelector<HTMLElement>(selector);
        element?.style.setProperty(property, value);
        return element ? [{ element, property }] : [];
      });
      if (inline.length === values.length) {
        if (this.#change !== "rules") this.#change.push(...inline.map(({ element }) => element));
        const others = known.inline.filter(
          (old) =>
            !inline.some(({ element, property }) => old.element === element && old.property === property),
        );
        return { ...known, ...next, inline: [...others, ...inline] };
      }
    }
    this.#change = "rules";
    const part = { ...next, sheet: known?.sheet ?? sheetFor(this.#home), inline: known?.inline ?? [] };
    write(part);
    return part;
  }

  #adopt(before: readonly Part[]): void {
    const own = new Set(before.map(({ sheet }) => sheet));
    const others = this.#home.adoptedStyleSheets.filter((sheet) => !own.has(sheet));
    this.#home.adoptedStyleSheets = [...others, ...this.#parts.map(({ sheet }) => sheet)];
  }
}

/** Writes a part into its sheet, and nothing of it on elements. */
function write(part: Part): void {
  part.sheet.replaceSync([...part.keyframes, ...part.rules.map(conditioned)].join("\n"));
  for (const { element, property } of part.inline) element.style.removeProperty(property);
  part.inline = [];
}

const conditioned = (rule: StyleRule): string =>
  rule.motion ? `@media ${motionConditions.media} { ${ruleCss(rule)} }` : ruleCss(rule);

/** Whether two lists are of the same values. */
export const isSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a === b || (a.length === b.length && a.every((value, index) => value === b[index]));

type Written = Pick<Part, "keyframes" | "rules">;

/** The values in which two states of a part differ; nothing where they differ in more, or under a condition. */
function changedValues(
  before: Written,
  after: Written,
): { selector: string; property: string; value: string }[] | undefined {
  if (before.keyframes.join() !== after.keyframes.join() || before.rules.length !== after.rules.length)
    return undefined;
  // A value on the element would hold against a rule under a condition too.
  const plain = (rule: StyleRule | undefined) => rule && !rule.media && !rule.motion;
  const values: { selector: string; property: string; value: string }[] = [];
  for (const [index, rule] of after.rules.entries()) {
    const other = before.rules[index];
    if (!other || conditioned(other) === conditioned(rule)) continue;
    if (!plain(rule) || !plain(other) || rule.selector !== other.selector) return undefined;
    for (const property of Object.keys({ ...other.declarations, ...rule.declarations })) {
      const value = rule.declarations[property];
      if (value === other.declarations[property]) continue;
      const conditional = after.rules.some(
        (one) => !plain(one) && one.selector === rule.selector && property in one.declarations,
      );
      if (value === undefined || conditional) return undefined;
      values.push({ selector: rule.selector, property, value: String(value) });
    }
  }
  return values;
}
