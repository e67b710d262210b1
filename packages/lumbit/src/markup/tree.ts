/** An element as plain data, for whoever writes HTML or makes live elements. */
export interface Element {
  tag: string;
  /** Attributes by their HTML names; `undefined` ones are left out. */
  attributes: Record<string, string | number | undefined>;
  children: readonly (Element | string)[];
  /** What stands in it instead of children: HTML of somebody else's, that whoever gave it has judged. */
  html?: string;
}

export const element = (
  tag: string,
  attributes: Element["attributes"],
  children: readonly (Element | string)[] = [],
): Element => ({ tag, attributes, children });

/** Style declarations by their CSS names; `undefined` ones are left out. */
export type Declarations = Record<string, string | number | undefined>;

/** A style rule: what it selects, where it holds, what it declares. */
export interface StyleRule {
  selector: string;
  declarations: Declarations;
  /** A media query, or several that all have to hold. */
  media?: string | readonly string[];
  /** Holds only where the page moves, whoever moves it, or only where it does so without script. */
  motion?: "any" | "native";
}

/** Numbers in CSS: enough digits that a layer is right within a thousandth of a pixel on the longest page. */
export const round = (value: number): number => Number(value.toFixed(8));
