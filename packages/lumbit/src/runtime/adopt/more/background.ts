import { speedOf } from "../../../core/depth.ts";
import type { Depth } from "../../../core/index.ts";
import { type Declarations, motionCss } from "../../../markup/index.ts";
import { lengthsCss } from "../../edges.ts";
import type { ElementStyles } from "../../element-styles.ts";
import { mark } from "../../marks.ts";
import { layoutTop } from "../../offsets.ts";

/** A background of existing markup that has a depth: a pane behind all that is in the element shows it. */
export interface AdoptedBackground {
  element: HTMLElement;
  pane: HTMLElement;
  picture: HTMLElement;
  /** The background, as the page has it. */
  own: Declarations;
  isStatic: boolean;
}

const properties = [
  ...["background-color", "background-image", "background-size", "background-repeat"],
  ...["background-position", "background-blend-mode"],
];

/** Reads the background of an element, before anything of it is changed. */
export function readBackground(element: HTMLElement): AdoptedBackground {
  const style = getComputedStyle(element);
  const box = () => element.ownerDocument.createElement("div");
  return {
    ...{ element, pane: box(), picture: box() },
    own: Object.fromEntries(properties.map((name) => [name, style.getPropertyValue(name)])),
    isStatic: style.position === "static",
  };
}

/** Puts the background into its pane, and gives what puts it back. */
export function adoptBackground(
  { element, pane, picture, own, isStatic }: AdoptedBackground,
  depth: Depth,
  styles: ElementStyles,
): () => void {
  mark(pane, "pane", "behind");
  mark(picture, "reach", "drifts");
  pane.ariaHidden = "true";
  pane.append(picture);
  // What the page says of first and of last children stays true where there are two.
  element.insertBefore(pane, element.childElementCount > 1 ? element.lastElementChild : null);
  // Of the page itself, so it may load; a rule of ours that loads is refused.
  for (const [name, value] of Object.entries(own)) picture.style.setProperty(name, String(value));
  styles.set(picture, "background", motionCss({}, speedOf({ depth })));
  styles.set(
    element,
    "background",
    { "background-image": "none", isolation: "isolate", ...(isStatic && { position: "relative" }) },
    true,
  );
  return () => {
    pane.remove();
    for (const part of [element, pane, picture]) styles.forget(part);
  };
}

/** Tells backgrounds where their elements lie in their scenes. */
export function measureBackgrounds(backgrounds: readonly AdoptedBackground[], styles: ElementStyles): void {
  const measured = backgrounds.map(({ element }) => {
    const scene = element.closest<HTMLElement>("[data-lumbit-scene]") ?? element;
    return { t: layoutTop(element) - layoutTop(scene), ph: element.offsetHeight };
  });
  for (const [index, { pane }] of backgrounds.entries())
    styles.set(pane, "measured", lengthsCss(measured[index] ?? {}));
  styles.write();
}
