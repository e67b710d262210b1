import { columnDefaults, headerGap, headerPadding, type PageLook, textDefaults } from "../core/index.ts";
import { isSafeLink } from "../settings/index.ts";
import { textCss } from "./text.ts";
import { type Declarations, type Element, element, type StyleRule } from "./tree.ts";

const linkElement = (href: string | undefined, text: string): Element =>
  element("a", { href: href !== undefined && isSafeLink(href) ? href : undefined }, [text]);

/** What stays at the top of the screen. */
export function headerElement({ header }: PageLook): Element | undefined {
  if (!header) return undefined;
  const { text, href, links = [] } = header;
  return element("header", { "data-lumbit-is": "header" }, [
    ...(text === undefined
      ? []
      : [href === undefined ? element("span", {}, [text]) : linkElement(href, text)]),
    ...(links.length === 0
      ? []
      : [
          element("nav", {}, [
            element(
              "ul",
              {},
              links.map((link) => element("li", {}, [linkElement(link.href, link.text)])),
            ),
          ]),
        ]),
  ]);
}

const is = "[data-lumbit-is~=header]";
const row: Declarations = { display: "flex", "flex-wrap": "wrap", "align-items": "baseline" };

/** The style of what stays at the top of the screen; on paper it stands at the top of the page. */
export function headerRules({ header, margin = columnDefaults.margin }: PageLook): StyleRule[] {
  if (!header) return [];
  const { background, here } = header;
  const style = textCss(header);
  const line = `${textDefaults.lineHeight} * ${style["font-size"] ?? "1rem"}`;
  const current = `${is} a[aria-current]`;
  return [
    {
      selector: is,
      declarations: {
        ...{ position: "fixed", "z-index": 10, inset: "0 0 auto", ...row },
        ...{ "justify-content": "space-between", gap: "0.4em 2em", "box-sizing": "border-box" },
        padding: `${headerPadding} ${margin}`,
        "line-height": textDefaults.lineHeight,
        ...style,
        background,
      },
    },
    { selector: is, media: "print", declarations: { position: "absolute" } },
    {
      selector: `${is} ul`,
      declarations: { ...row, gap: `0.3em ${headerGap}em`, margin: 0, padding: 0, "list-style": "none" },
    },
    { selector: `${is} a`, declarations: { color: "inherit", "text-decoration": "none" } },
    {
      selector: `${is} :is(a:hover, a[aria-current])`,
      declarations: { "text-decoration": "underline", "text-underline-offset": "0.35em" },
    },
    ...(here === undefined ? [] : [{ selector: current, declarations: { color: here } }]),
    // Headings that links lead to are not hidden by it: as high as it was measured, or as one line of it is.
    {
      selector: "[data-lumbit-block][id]",
      declarations: {
        "scroll-margin-top": `calc(var(--lumbit-header, ${line} + 2 * ${headerPadding}) + 1rem)`,
      },
    },
  ];
}
