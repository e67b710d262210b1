import type { Element, Nodes, Root } from "hast";
import type { Reference } from "lumbit/document";
import { isSafeLink } from "lumbit/settings";

/** What may do more than stand in a page: it runs, loads, or changes what is around it; and what browsers may read otherwise. */
const refused = new Set([
  ...["script", "style", "link", "meta", "base", "iframe", "frame", "frameset", "object", "embed", "applet"],
  ...["noscript", "noembed", "noframes", "plaintext", "xmp", "math"],
]);

/** Attributes that lead somewhere, and those that load. */
const leading = new Set(["href", "xLinkHref", "action", "formAction"]);
const loading = new Set(["src", "srcSet", "poster", "background", "data"]);

/** Parts of drawings whose address is of what they show. */
const shown = new Set(["image", "use", "feImage"]);

/** What loads only what is there already: pictures of another site, or of the file itself. */
const isOutside = (value: string) => /^(https:\/\/|data:image\/(?!svg))/i.test(value.trim());

/** Whether a value could run wherever an attribute takes an address; those who animate attributes give several. */
const couldRun = (value: string) =>
  // biome-ignore lint/suspicious/noControlCharactersInRegex: browsers leave these out of addresses
  /(^|[;,])(javascript:|vbscript:|data:text)/i.test(value.replace(/[\u0000-\u0020]+/g, ""));

/** What somebody can press or fill in, of which a link may hold none. */
const pressed = new Set([
  ...["a", "button", "input", "select", "textarea", "label", "details", "iframe", "object", "embed"],
  ...["audio", "video"],
]);

/** What may stand in a page of a markup file. */
export interface Markup {
  html: string;
  /** The first element in it that somebody can press or fill in, and where, in words. */
  pressed?: string;
}

/** What is wrong with markup where it stands in a link; nothing where it may, or stands in none. */
export const wrongInLink = ({ pressed }: Markup, { path, linked }: Reference): string | undefined =>
  linked && pressed !== undefined
    ? `"${path}" has ${pressed} in it, and a link holds nothing else to press: take one of the two away`
    : undefined;

/** A file may be this large, in letters. */
const most = 1024 * 1024;

/** The HTML of a markup file that may stand in a page, or what is wrong with it: all of it, each with its line. */
export async function readMarkup(path: string, text: string, trusted: boolean): Promise<Markup | string> {
  if (text.length > most) return `"${path}" is larger than 1 MB; leave out what is not needed`;
  // Loaded here: few pages have pieces of markup.
  const [{ fromHtml }, { toHtml }] = await Promise.all([
    import("hast-util-from-html"),
    import("hast-util-to-html"),
  ]);
  const tree = fromHtml(text, { fragment: true });
  const faults = trusted ? [] : elementsIn(tree).flatMap(faultsOf);
  if (faults.length > 0)
    return `"${path}" does more than stand in the page: ${faults.join("; ")}. Take that out, or name the file in "trusted"`;
  if (elementsIn(tree).length === 0) return `"${path}" has no element; name an HTML or SVG file`;
  const first = elementsIn(tree).find(isPressed);
  return {
    html: toHtml(withoutComments(tree), { allowDangerousHtml: false }).trim(),
    ...(first && { pressed: `the element "${first.tagName}" (line ${first.position?.start.line ?? 1})` }),
  };
}

function faultsOf(element: Element): string[] {
  const { tagName, properties, position } = element;
  const line = `line ${position?.start.line ?? 1}`;
  if (!/^[a-z][\w:-]*$/i.test(tagName)) return [`${line} has an element that is none`];
  if (refused.has(tagName)) return [`${line} has a ${tagName} element`];
  return Object.entries(properties).flatMap(([name, value]) => {
    const written = Array.isArray(value) ? value.join(" ") : String(value);
    if (!/^[a-z_][\w:.-]*$/i.test(name)) return [`${line} has an attribute that is none`];
    if (/^on/i.test(name)) return [`${line} runs ${name.toLowerCase()}`];
    if (name.toLowerCase() === "srcdoc" || couldRun(written))
      return [`${line} runs its ${name.toLowerCase()}`];
    if (
      ["href", "xLinkHref"].includes(name) && shown.has(tagName)
        ? !written.startsWith("#") && !isOutside(written)
        : loading.has(name) && !isOutside(written)
    )
      return [
        `${line} loads "${written.slice(0, 80)}", which is not taken along: make it a layer, or give its whole address`,
      ];
    if (leading.has(name) && !isSafeLink(written)) return [`${line} leads to "${written.slice(0, 80)}"`];
    return [];
  });
}

const isPressed = ({ tagName, properties }: Element): boolean =>
  pressed.has(tagName) || properties.tabIndex !== undefined || properties.contentEditable !== undefined;

/** All elements of a tree, those in templates too. */
function elementsIn(node: Nodes): Element[] {
  const inside = "children" in node ? node.children.flatMap(elementsIn) : [];
  if (node.type !== "element") return inside;
  return [node, ...inside, ...(node.content ? elementsIn(node.content) : [])];
}

function withoutComments<Node extends Root | Element>(node: Node): Node {
  const children = node.children.flatMap((child): Node["children"] =>
    child.type === "comment" || child.type === "doctype"
      ? []
      : [child.type === "element" ? withoutComments(child) : child],
  );
  const content = "content" in node && node.content ? { content: withoutComments(node.content) } : {};
  return { ...node, ...content, children };
}
