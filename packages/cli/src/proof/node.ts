import type { Element, ElementContent } from "hast";

/** Style declarations by their CSS names; `undefined` ones are left out. */
export type Css = Record<string, string | number | undefined>;
export type Child = ElementContent | string;

/** An element with its style inline: proofs are looked at on their own, without a server or a policy. */
export function node(
  tag: string,
  css: Css,
  children: readonly Child[] = [],
  properties: Record<string, string> = {},
): Element {
  const style = Object.entries(css)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${name}:${value}`)
    .join(";");
  return {
    type: "element",
    tagName: tag,
    properties: { ...properties, ...(style && { style }) },
    children: children.map((child) => (typeof child === "string" ? { type: "text", value: child } : child)),
  };
}
