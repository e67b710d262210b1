import type { FontFace, Page } from "../core/index.ts";
import {
  type Assets,
  declare,
  modelCss,
  motionConditions,
  nativeCss,
  pageRules,
  reachCss,
  ruleCss,
  sceneRules,
} from "../markup/index.ts";

/**
 * The page's style sheet. Lengths stay in their units and the model stays a formula, so it holds at every
 * viewport without being built again.
 */
export function pageCss(page: Page, assets: Assets): string {
  const rules = [
    ...pageRules(page.page ?? {}),
    ...page.scenes.flatMap((scene, index) =>
      sceneRules(scene, page.page ?? {}, assets, {
        before: page.scenes.slice(0, index),
        after: page.scenes.slice(index + 1),
      }),
    ),
  ];
  const moving = [
    reachCss.trim(),
    nativeCss.trim(),
    ...rules.filter((rule) => rule.motion).map(ruleCss),
  ].join("\n");
  return [
    ...(page.fonts ?? []).map((font) => fontFaceCss(font, assets)),
    resetCss,
    modelCss,
    ...rules.filter((rule) => !rule.motion).map(ruleCss),
    `@media ${motionConditions.media} {\n@supports ${motionConditions.supports} {\n${moving}\n}\n}`,
  ]
    .filter(Boolean)
    .join("\n");
}

const resetCss = `*, ::before, ::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
body { margin: 0; }
a { color: inherit; }
`;

const fontFaceCss = ({ family, src, weight, style }: FontFace, assets: Assets) =>
  declare("@font-face", {
    "font-family": `"${family}"`,
    src: `url("${encodeURI(assets.fonts[src] ?? src)}")`,
    "font-weight": weight,
    "font-style": style,
    "font-display": "swap",
  });
