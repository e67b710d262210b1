import { DOMParser } from "linkedom";
import sharp from "sharp";
import { svgSize } from "../picture/svg.ts";
import { Problem } from "../problem.ts";
import { type Drawing, type DrawnLayer, layerName } from "./drawing.ts";
import { visibleBox } from "./visible.ts";
import { wordsOf } from "./words.ts";

/** What is no layer but belongs to all of them. */
const shared = new Set(["defs", "style", "title", "desc", "metadata", "namedview", "sodipodi:namedview"]);
/** What a picture must not have: it runs, or shows what is not drawn. */
const removed = "script, foreignObject, iframe, audio, video, handler, set[attributeName^=on]";

/**
 * A drawing out of an SVG file: what is on its top level, or in one of its groups, are layers. Each stays a vector, cut to what
 * is visible of it.
 *
 * @throws Problem for what is no drawing, or has no such group
 */
export async function readSvgDrawing(bytes: Buffer, name: string, group?: string): Promise<Drawing> {
  const text = bytes.toString("utf8");
  if (/<!ENTITY/i.test(text))
    throw new Problem(
      `${name} has entities of its own, which browsers do not show and Lumbit does not read; save it as plain SVG`,
    );
  const size = svgSize(text);
  if (typeof size === "string") throw new Problem(`${name} ${size}`);
  const drawing: Drawing = { ...size, layers: [], notes: [] };
  const document = new DOMParser().parseFromString(text, "text/xml");
  const root = document.documentElement as unknown as Element;
  clean(root, drawing.notes);
  const home = group === undefined ? root : groupCalled(root, group);
  if (!home)
    throw new Problem(
      `${name} has no group "${group}"; on its top level are ${[...root.children].map(said).filter(Boolean).join(", ") || "none with a name"}`,
    );
  const box = viewBoxOf(root, size);
  const kept = [...root.children]
    .filter(({ localName, tagName }) => shared.has(localName) || shared.has(tagName))
    .map(String)
    .join("");
  const attributes = [...root.attributes]
    .filter(({ name }) => !["width", "height", "viewBox", "x", "y", "preserveAspectRatio"].includes(name))
    .map(({ name, value }) => ` ${name}="${escaped(value)}"`)
    .join("");
  const around = home === root ? ["", ""] : wrapping(home);
  const asFile = (inside: string, at: { left: number; top: number; width: number; height: number }) => {
    const scale = box.width / size.width;
    const viewBox = [
      box.x + at.left * scale,
      box.y + at.top * (box.height / size.height),
      at.width * scale,
      (at.height * box.height) / size.height,
    ];
    return Buffer.from(
      `<svg${attributes} width="${at.width}" height="${at.height}" viewBox="${viewBox.map((one) => Number(one.toFixed(6))).join(" ")}">${kept}${around[0]}${inside}${around[1]}</svg>`,
    );
  };
  const whole = { left: 0, top: 0, ...size };
  const taken = new Set<string>();
  for (const [index, element] of [...home.children].entries()) {
    if (shared.has(element.localName) || shared.has(element.tagName)) continue;
    const hidden = isHidden(element);
    if (hidden) show(element);
    const picture = await sharp(asFile(String(element), whole))
      .png()
      .toBuffer()
      .catch(() => undefined);
    const own = said(element) || element.localName;
    const seen = picture && (await visibleBox(picture, whole, size));
    if (!seen) {
      drawing.notes.push(`"${own}" shows nothing; it is left out`);
      continue;
    }
    const blend = /mix-blend-mode:\s*([\w-]+)/.exec(element.getAttribute("style") ?? "")?.[1] ?? "normal";
    const covers =
      seen.width === size.width && seen.height === size.height && (await sharp(picture).stats()).isOpaque;
    const layer = { name: layerName(own, index + 1, taken), box: seen, opacity: 1, hidden, blend };
    const words = wordsOf(element, box, size);
    if (words) {
      drawing.layers.push({ ...layer, words });
      drawing.notes.push(
        `"${own}" is a text now, in ${words.fontFamily ?? "the font of the page"}: ship that font with the page, or name another one`,
      );
      continue;
    }
    drawing.layers.push({
      ...layer,
      file: { bytes: asFile(String(element), seen), extension: "svg" },
      ...(covers && { covers }),
    } satisfies DrawnLayer);
  }
  if (drawing.layers.length === 0)
    throw new Problem(`${name} has nothing on its top level that shows; name a group with --group`);
  return drawing;
}

/** What an element is called by whoever drew it. */
const said = (element: Element): string =>
  element.getAttribute("inkscape:label") ??
  element.getAttribute("data-name") ??
  element.getAttribute("id") ??
  "";

const groupCalled = (root: Element, name: string): Element | undefined =>
  [...root.querySelectorAll("g")].find((one) => one.id === name || said(one) === name);

/** Takes away what runs, and what would be fetched from elsewhere. */
function clean(root: Element, notes: string[]): void {
  const gone = [...root.querySelectorAll(removed)];
  for (const element of gone) element.remove();
  let references = 0;
  for (const element of [root, ...root.querySelectorAll("*")])
    for (const { name, value } of [...element.attributes]) {
      const runs = /^on/i.test(name);
      const fetches =
        /(?:^|:)href$/i.test(name) && !/^\s*(?:#|data:image\/(?:png|jpe?g|webp|gif);)/i.test(value);
      const styled = /url\(\s*["']?(?!#|data:image\/)/i.test(value);
      if (!runs && !fetches && !styled) continue;
      element.removeAttribute(name);
      references++;
    }
  for (const style of root.querySelectorAll("style")) {
    const text = style.textContent ?? "";
    const plain = text
      .replace(/@import[^;]*;?/gi, "")
      .replace(/url\(\s*["']?(?!#|data:image\/)[^)]*\)/gi, "none");
    if (plain === text) continue;
    style.textContent = plain;
    references++;
  }
  if (gone.length > 0)
    notes.push("scripts and foreign content in it are left out: nothing of them would run in a picture");
  if (references > 0)
    notes.push("references to other files in it are left out: nothing is fetched for a picture");
}

function viewBoxOf(root: Element, size: { width: number; height: number }) {
  const [x = 0, y = 0, width = size.width, height = size.height] = (root.getAttribute("viewBox") ?? "")
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  return { x, y, width, height };
}

/** The tags around what is in a group: it and all that it lies in, with what they say. */
function wrapping(group: Element): [before: string, after: string] {
  const tags: Element[] = [];
  for (let one: Element | null = group; one && one.localName !== "svg"; one = one.parentElement)
    tags.unshift(one);
  const open = tags.map((one) => {
    const own = [...one.attributes].map(({ name, value }) => ` ${name}="${escaped(value)}"`).join("");
    return `<${one.tagName}${own}>`;
  });
  return [
    open.join(""),
    tags
      .toReversed()
      .map(({ tagName }) => `</${tagName}>`)
      .join(""),
  ];
}

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll('"', "&quot;").replaceAll("<", "&lt;");

const isHidden = (element: Element): boolean =>
  element.getAttribute("display") === "none" ||
  element.getAttribute("visibility") === "hidden" ||
  /(?:display:\s*none|visibility:\s*hidden)/.test(element.getAttribute("style") ?? "");

/** What is hidden comes as a hidden layer, whose picture shows. */
function show(element: Element): void {
  element.removeAttribute("display");
  element.removeAttribute("visibility");
  const style = element.getAttribute("style")?.replace(/(?:display:\s*none|visibility:\s*hidden);?/g, "");
  if (style !== undefined) element.setAttribute("style", style);
}
