import { type FontFace, hrefsOf, type Page } from "../core/index.ts";
import {
  type Assets,
  declare,
  fileAt,
  fixedCss,
  headerRules,
  modelCss,
  motionConditions,
  nativeCss,
  neighboursOf,
  pageRules,
  propertyCss,
  quoted,
  reachCss,
  resetCss,
  ruleCss,
  type StyleRule,
  sceneKeyframes,
  sceneRules,
  skipCss,
  stageLayers,
  targetRules,
} from "../markup/index.ts";

/**
 * The page's style sheet. Lengths stay in their units and the model stays a formula, so it holds at every
 * viewport without being built again. `links` are those of other pages to this one.
 */
export function pageCss(page: Page, assets: Assets, links: readonly string[] = []): string {
  const hrefs = [...hrefsOf(page), ...links];
  const neighbours = neighboursOf(page.scenes);
  const rules = [
    ...pageRules(page.page ?? {}),
    ...headerRules(page.page ?? {}),
    ...page.scenes.flatMap((scene, index) => [
      ...sceneRules(scene, page.page ?? {}, assets, neighbours[index]),
      ...targetRules(scene, hrefs, assets),
    ]),
  ].map((rule) => withStacks(rule, assets));
  const moving = [
    reachCss.trim(),
    nativeCss.trim(),
    ...(isLong(page) ? [skipCss.trim()] : []),
    ...rules.filter((rule) => rule.motion === "native").map(ruleCss),
  ].join("\n");
  return [
    fontsCss(page, assets),
    resetCss,
    propertyCss,
    modelCss,
    ...rules.filter((rule) => !rule.motion).map(ruleCss),
    ...new Set(page.scenes.flatMap(sceneKeyframes)),
    `@media ${motionConditions.media} {${hasFixed(page) ? fixedCss : ""}\n${rules
      .filter((rule) => rule.motion === "any")
      .map(ruleCss)
      .join("\n")}\n}`,
    `@media ${motionConditions.media} {\n@supports ${motionConditions.supports} {\n${moving}\n}\n}`,
  ]
    .filter(Boolean)
    .join("\n");
}

/** Whether any picture is fixed by plain CSS. */
export const hasFixed = ({ scenes, page = {} }: Page) =>
  scenes.some((scene) => stageLayers(scene, page).fixed.length > 0);

/** Whether so many layers are out of view at any time that it pays to skip them. */
const isLong = ({ scenes }: Page) => scenes.reduce((sum, { layers }) => sum + layers.length, 0) > 300;

/** A rule that names a font, with what stands in for it until it is loaded behind it in its list. */
export function withStacks(rule: StyleRule, { fontStacks = {} }: Assets): StyleRule {
  const families = rule.declarations["font-family"];
  if (families === undefined) return rule;
  let list = String(families);
  for (const [family, { fontFamily }] of Object.entries(fontStacks))
    list = list.replace(
      new RegExp(`(^|,)\\s*(["']?)${literally(family)}\\2\\s*(?=,|$)`),
      (_, before: string) => `${before}${fontFamily}`,
    );
  return { ...rule, declarations: { ...rule.declarations, "font-family": list } };
}

/** A text in a regular expression. */
const literally = (text: string) => text.replace(/[\\^$.*+?()[\]{}|]/g, "\\$&");

/** The fonts of a page, and what stands in for them until they are loaded. */
export const fontsCss = ({ fonts = [] }: Page, assets: Assets): string =>
  [
    ...fonts.map((font) => fontFaceCss(font, assets)),
    ...Object.values(assets.fontStacks ?? {}).map(({ fontFaces }) => fontFaces),
  ].join("\n");

function fontFaceCss({ family, src, weight, style }: FontFace, assets: Assets): string {
  const declared = declare("@font-face", {
    "font-family": quoted(family),
    "font-weight": weight,
    "font-style": style,
    "font-display": "swap",
  });
  // Nothing else that is declared may load anything.
  return declared.replace(/}$/, `src: url("${encodeURI(fileAt(assets.fonts, src) ?? src)}"); }`);
}
