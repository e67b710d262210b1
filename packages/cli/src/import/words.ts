import type { Size } from "lumbit/core";

/** Words of a drawing, as a text has them: where they stand and how they look, in px of the drawing. */
export interface Words {
  text: string;
  /** Where the first line's letters stand on, and the point of their line that x is. */
  baseline: number;
  x: number;
  textAlign: "left" | "center" | "right";
  fontSize: number;
  /** In font sizes. */
  lineHeight: number;
  color: string;
  fontFamily?: string;
  fontWeight?: number;
  fontStyle?: "italic";
}

/** Where letters stand in their line: half of what a usual font reaches above it more than below, in font sizes. */
const rise = 0.345;
/** The line height of one line, in font sizes. */
const single = 1.2;

/** The words, in px of its drawing, of an SVG element that is a text and nothing else; nothing where a text cannot look like it. */
export function wordsOf(
  element: Element,
  box: Size & { x: number; y: number },
  drawing: Size,
): Words | undefined {
  const scale = drawing.width / box.width;
  const texts = element.localName === "text" ? [element] : [...element.querySelectorAll("text")];
  const [text] = texts;
  const isAlone = texts.length === 1 && [...element.querySelectorAll("*")].every(isWord);
  if (!text || !isAlone || (element !== text && !isWord(element) && element.localName !== "g"))
    return undefined;
  const lines = linesOf(text);
  const move = movedBy(text);
  const [first] = lines;
  if (!lines || !first || !move) return undefined;
  const said = (name: string) => inherited(text, name);
  const size = /^([\d.]+)(px)?$/.exec(said("font-size") ?? "16");
  const color = said("fill") ?? "#000000";
  const plain = {
    stroke: "none",
    filter: "none",
    mask: "none",
    "clip-path": "none",
    opacity: "1",
    "fill-opacity": "1",
  };
  const isPlain =
    !/url\(|^none$|context/.test(color) &&
    Object.entries(plain).every(([name, usual]) => (said(name) ?? usual) === usual);
  // A style sheet of the drawing may say anything.
  const isStyled = text.closest("[class]") !== null && text.ownerDocument.querySelector("style") !== null;
  if (!size || !isPlain || isStyled) return undefined;
  const own = Number(size[1]);
  const step = lines[1] ? lines[1].y - first.y : single * own;
  const isEven = lines.every(
    ({ x, y }, index) => x === first.x && Math.abs(y - first.y - index * step) < 0.01 * own,
  );
  if (!isEven || step <= 0) return undefined;
  const weight = { bold: 700, normal: 400 }[said("font-weight") ?? ""] ?? Number(said("font-weight") ?? 400);
  const family = said("font-family");
  return {
    text: lines.map(({ words }) => words).join("\n"),
    x: (move.x + first.x * move.scale - box.x) * scale,
    baseline: (move.y + first.y * move.scale - box.y) * scale,
    textAlign: ({ middle: "center", end: "right" } as const)[said("text-anchor") ?? ""] ?? "left",
    ...{ fontSize: own * move.scale * scale, lineHeight: step / own, color },
    ...(family && { fontFamily: family }),
    ...(weight >= 1 && weight <= 1000 && weight !== 400 && { fontWeight: weight }),
    ...(/italic|oblique/.test(said("font-style") ?? "") && { fontStyle: "italic" as const }),
  };
}

/** The settings of a text that shows words, in `%` and in `vw` of a scene that is as wide as the screen. */
export function textOf(words: Words, { width, height }: Size) {
  const { text, x, baseline, textAlign, fontSize, lineHeight, color, fontFamily, fontWeight, fontStyle } =
    words;
  const share = (px: number, of: number) => Number(((100 * px) / of).toFixed(4));
  const top = baseline - (lineHeight / 2 + rise) * fontSize;
  // Around a middle the line reaches as far to both sides as there is room on the narrower one.
  const half = Math.min(x, width - x);
  const across = {
    left: { left: `${share(x, width)}%` },
    right: { right: `${share(width - x, width)}%` },
    center: { left: `${share(x - half, width)}%`, width: `${share(2 * half, width)}%` },
  }[textAlign];
  return {
    ...{ text, color, fontSize: `${share(fontSize, width)}vw`, lineHeight: Number(lineHeight.toFixed(3)) },
    ...(fontFamily !== undefined && { fontFamily }),
    ...(fontWeight !== undefined && { fontWeight }),
    ...(fontStyle !== undefined && { fontStyle }),
    ...(textAlign !== "left" && { textAlign }),
    ...{ wrap: false, place: { ...across, top: `${share(top, height)}%` } },
  };
}

const isWord = ({ localName }: Element) => ["text", "tspan", "title", "desc"].includes(localName);

interface Line {
  words: string;
  x: number;
  y: number;
}

/** The lines of a text: what each says, and where it begins; nothing where letters are placed by themselves. */
function linesOf(text: Element): Line[] {
  const at = { x: Number(text.getAttribute("x") ?? 0), y: Number(text.getAttribute("y") ?? 0) };
  const spans = [...text.children].filter(({ localName }) => localName === "tspan");
  const isPlaced = (one: Element) =>
    ["dx", "rotate", "textLength", "lengthAdjust", "writing-mode"].some((name) => one.hasAttribute(name)) ||
    ["x", "y", "dy"].some((name) => /[\s,]/.test((one.getAttribute(name) ?? "").trim()));
  if ([text, ...text.querySelectorAll("tspan")].some(isPlaced)) return [];
  const wordsIn = (one: Element) => (one.textContent ?? "").replace(/\s+/g, " ").trim();
  if (spans.length === 0) return wordsIn(text) ? [{ words: wordsIn(text), ...at }] : [];
  // Words beside spans, and spans in spans or of their own looks, are more than lines.
  const isMore = [...text.childNodes].some((node) => node.nodeType === 3 && (node.textContent ?? "").trim());
  const looks = ["fill", "style", "font-size", "font-weight", "font-style", "font-family"];
  if (
    isMore ||
    spans.some((span) => span.children.length > 0 || looks.some((look) => span.hasAttribute(look)))
  )
    return [];
  const lines: Line[] = [];
  for (const span of spans) {
    const before = lines.at(-1);
    if (before && !span.hasAttribute("y") && !span.hasAttribute("dy")) return [];
    const x = Number(span.getAttribute("x") ?? before?.x ?? at.x);
    const y = Number(span.getAttribute("y") ?? before?.y ?? at.y) + lengthOf(span.getAttribute("dy"), text);
    lines.push({ words: wordsIn(span), x, y });
  }
  return lines.some(({ x, y, words }) => !Number.isFinite(x + y) || !words) ? [] : lines;
}

const lengthOf = (length: string | null, text: Element): number =>
  length === null
    ? 0
    : length.endsWith("em")
      ? Number.parseFloat(length) * Number.parseFloat(inherited(text, "font-size") ?? "16")
      : Number(length.replace(/px$/, ""));

/** How what is in an element is moved and enlarged, by itself and by all around it; nothing where it is turned or skewed. */
function movedBy(element: Element): { x: number; y: number; scale: number } | undefined {
  const moved = { x: 0, y: 0, scale: 1 };
  for (let one: Element | null = element; one; one = one.parentElement) {
    const said = one.getAttribute("transform")?.trim();
    if (!said || one.localName === "svg") continue;
    const steps = [...said.matchAll(/(\w+)\(([^)]*)\)[\s,]*/g)];
    if (
      steps
        .map(([whole]) => whole)
        .join("")
        .trim() !== said
    )
      return undefined;
    for (const [, name = "", numbers = ""] of steps.toReversed()) {
      const [a = 0, b] = numbers.split(/[\s,]+/).map(Number);
      const matrix = numbers.split(/[\s,]+/).map(Number);
      if (name === "translate") Object.assign(moved, { x: moved.x + a, y: moved.y + (b ?? 0) });
      else if (name === "scale" && (b === undefined || b === a) && a > 0)
        Object.assign(moved, { x: moved.x * a, y: moved.y * a, scale: moved.scale * a });
      else if (name === "matrix" && matrix[1] === 0 && matrix[2] === 0 && matrix[0] === matrix[3] && a > 0)
        Object.assign(moved, {
          ...{ x: moved.x * a + (matrix[4] ?? 0), y: moved.y * a + (matrix[5] ?? 0), scale: moved.scale * a },
        });
      else return undefined;
    }
  }
  return moved;
}

/** What an element has of a property, by its style or as an attribute, or what it has from around it. */
function inherited(element: Element, name: string): string | undefined {
  for (let one: Element | null = element; one; one = one.parentElement) {
    const styled = new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`).exec(
      one.getAttribute("style") ?? "",
    )?.[1];
    const own = (styled ?? one.getAttribute(name) ?? "").trim();
    if (own && own !== "inherit") return own;
  }
  return undefined;
}
