/** A part of a style: what it is of, what it comes from, and how it is written. */
export interface KeptStyle {
  key: string;
  from: readonly unknown[];
  text(): string;
}

/** Style sheets of a document, one for each part of a style, of which only those are written again that changed. */
export class KeptSheets {
  readonly #document: Document;
  #parts = new Map<string, { from: readonly unknown[]; text: string; sheet: CSSStyleSheet }>();

  constructor(document: Document) {
    this.#document = document;
  }

  /** Makes the style that of these parts, later ones over earlier ones. */
  replace(styles: readonly KeptStyle[]): void {
    const before = this.#parts;
    this.#parts = new Map(
      styles.map(({ key, from, text: write }) => {
        const part = before.get(key) ?? { from: [], text: "", sheet: new CSSStyleSheet() };
        if (from.length === part.from.length && from.every((value, index) => value === part.from[index]))
          return [key, part];
        const text = write();
        if (text !== part.text) part.sheet.replaceSync(text);
        return [key, { ...part, from, text }];
      }),
    );
    const keys = [...this.#parts.keys()];
    if (keys.length === before.size && [...before.keys()].every((key, index) => key === keys[index])) return;
    this.#adopt([...before.values()].map(({ sheet }) => sheet));
  }

  /** Takes them all back. */
  release(): void {
    const before = [...this.#parts.values()].map(({ sheet }) => sheet);
    this.#parts = new Map();
    this.#adopt(before);
  }

  #adopt(before: readonly CSSStyleSheet[]): void {
    const others = this.#document.adoptedStyleSheets.filter((sheet) => !before.includes(sheet));
    this.#document.adoptedStyleSheets = [...others, ...[...this.#parts.values()].map(({ sheet }) => sheet)];
  }
}
