import { propertyCss } from "../markup/index.ts";

/**
 * Adds a style sheet to the document or shadow root of an element, once for each text however often it is asked for,
 * and gives what takes it back. Constructed sheets work under the strictest Content-Security-Policy.
 */
export function adoptSheet(element: Element, text: string): () => void {
  const home = sheetHome(element);
  const sheets = adopted.get(home) ?? new Map<string, { sheet: CSSStyleSheet; users: number }>();
  adopted.set(home, sheets);
  let entry = sheets.get(text);
  if (!entry) {
    const sheet = sheetFor(home);
    sheet.replaceSync(text);
    entry = { sheet, users: 0 };
    sheets.set(text, entry);
    home.adoptedStyleSheets = [...home.adoptedStyleSheets, sheet];
  }
  entry.users++;
  const used = entry;
  let released = false;
  return () => {
    if (released) return;
    released = true;
    if (--used.users > 0) return;
    sheets.delete(text);
    home.adoptedStyleSheets = home.adoptedStyleSheets.filter((other) => other !== used.sheet);
  };
}

/**
 * The same for several, later ones over earlier ones, with the properties that they name: shadow roots cannot register these, and the
 * document has them.
 */
export function adoptSheets(element: Element, ...texts: readonly string[]): () => void {
  const releases = [
    adoptSheet(element.ownerDocument.documentElement, propertyCss),
    ...texts.map((text) => adoptSheet(element, text)),
  ];
  return () => releases.forEach((release) => void release());
}

/** A new sheet for a document or shadow root: one of another window is not adopted. */
export function sheetFor(home: Document | ShadowRoot): CSSStyleSheet {
  const view = (home.ownerDocument ?? (home as Document)).defaultView ?? window;
  return new (view as unknown as typeof globalThis).CSSStyleSheet();
}

/** Where the style sheets of an element live: its document, or the shadow root that it is in. */
export function sheetHome(element: Element): Document | ShadowRoot {
  const root = element.getRootNode();
  return "adoptedStyleSheets" in root ? (root as Document | ShadowRoot) : element.ownerDocument;
}

const adopted = new WeakMap<Node, Map<string, { sheet: CSSStyleSheet; users: number }>>();
