import { type Block, blockPadding, isButton, listIndent, type Panel } from "../core/index.ts";
import { paddingCss } from "./padding.ts";
import type { Declarations } from "./tree.ts";

/** The panel behind words in the flow, for those settings of it that are given. */
export const panelCss = ({ background, padding, radius, shadow, blurBehind }: Panel): Declarations => ({
  background,
  ...paddingCss(padding),
  "border-radius": radius,
  "box-shadow": shadow,
  ...blurBehindCss(blurBehind),
});

/** What is seen through a layer or a panel is blurred. */
export const blurBehindCss = (radius: Panel["blurBehind"]): Declarations => {
  const filter = radius === undefined ? undefined : `blur(${radius})`;
  return { "-webkit-backdrop-filter": filter, "backdrop-filter": filter };
};

/** The panel behind a block of content, for those settings of it that are given; `block` has all of them. */
export function blockPanelCss(given: Panel, block: Block): Declarations {
  const { padding } = given;
  if (!block.list || padding === undefined) return panelCss(given);
  const indent = padding === 0 ? listIndent : `calc(${padding} + ${listIndent})`;
  return { ...panelCss(given), "padding-inline-start": indent };
}

/** A link that looks like a button, where settings of that are given; `block` has all of them. */
export function buttonCss(given: Panel, block: Block): Declarations | undefined {
  const changes = Object.values(panelCss(given)).some((value) => value !== undefined);
  if (!isButton(block) || !changes) return undefined;
  const padding = blockPadding(block);
  return {
    display: "inline-block",
    ...panelCss(block),
    padding: padding === 0 ? 0 : `${padding} calc(2 * ${padding})`,
    "text-decoration": "none",
  };
}
