import { directionalityOf, type Page } from "../core/index.ts";
import {
  type Assets,
  element,
  fileAt,
  fixedCss,
  modelCss,
  motionConditions,
  nativeCss,
  pageRules,
  propertyCss,
  reachCss,
  ruleCss,
  sceneElement,
  sceneKeyframes,
  sceneRules,
} from "../markup/index.ts";
import { fontsCss, hasFixed, withStacks } from "./css.ts";
import { type HtmlOptions, htmlOf } from "./html.ts";

/** A page with one of its scenes alone, as it stands in a foreign page: nothing of it is behind or around the scene. */
function alone(page: Page, name: string): Page {
  const scene = page.scenes.find((one) => one.name === name);
  if (!scene)
    throw new RangeError(
      `there is no scene "${name}"; the page has ${page.scenes.map(({ name }) => name).join(", ")}`,
    );
  const { backdrop: _, header: __, ...look } = page.page ?? {};
  return { ...page, page: look, scenes: [scene] };
}

/**
 * The fonts of a fragment under names that no other page gives its own, and what stands for their families in its rules.
 * What stands in for a font keeps the name that it is known by.
 */
function ownFonts(
  { fonts = [] }: Page,
  assets: Assets,
): Required<Pick<Assets, "fontStacks">> & Pick<Page, "fonts"> {
  const ownName = (family: string) => `${family} of this fragment`;
  const stacks = fonts.map(({ family }) => {
    const { fontFamily = "", fontFaces = "" } = fileAt(assets.fontStacks ?? {}, family) ?? {};
    const others = fontFamily.split(",").slice(1);
    return [family, { fontFamily: [`"${ownName(family)}"`, ...others].join(","), fontFaces }] as const;
  });
  return {
    fonts: fonts.map((font) => ({ ...font, family: ownName(font.family) })),
    fontStacks: Object.fromEntries(stacks),
  };
}

/** Finds the fragment, and is more than any rule of the page around it that does not say `!important`. */
const rootSelector = (name: string) => `[data-lumbit-fragment="${name}"]:not(#lumbit#lumbit)`;

/**
 * One scene of a page as HTML that can be pasted into a foreign page, with what it loads; its style is `sceneCss`.
 *
 * @throws RangeError when the page has no such scene
 */
export function sceneHtml(
  page: Page,
  name: string,
  { assets, stylesheet, scripts = [] }: HtmlOptions,
): string {
  const own = alone(page, name);
  const scene = sceneElement(own.scenes[0] as Page["scenes"][number], own.page ?? {}, true, assets);
  // The page around it may have the name as an id already.
  const { id: _, ...attributes } = scene.attributes;
  return htmlOf(
    element(
      "div",
      {
        "data-lumbit-fragment": name,
        lang: page.lang,
        dir: directionalityOf(page.lang),
      },
      [
        element("link", { rel: "stylesheet", href: stylesheet }),
        { ...scene, attributes },
        // Several fragments of a page may bring the same one, which runs once as a module.
        ...scripts.map((src) => element("script", { type: "module", src })),
      ],
    ),
  );
}

/**
 * The style of one scene of a page for a foreign page: it holds for the fragment alone, and nothing that the page around it
 * says of its own elements holds in it, but what says `!important`.
 *
 * @throws RangeError when the page has no such scene
 */
export function sceneCss(page: Page, name: string, assets: Assets): string {
  const own = alone(page, name);
  const look = own.page ?? {};
  const { fonts, fontStacks } = ownFonts(page, assets);
  const stacked = { ...assets, fontStacks };
  const rules = [
    ...pageRules(look, "&"),
    ...own.scenes.flatMap((scene) => sceneRules(scene, look, assets)),
  ].map((rule) => withStacks(rule, stacked));
  const of = (motion: "any" | "native" | undefined) =>
    rules
      .filter((rule) => rule.motion === motion)
      .map(ruleCss)
      .join("\n");
  const nested = [
    "& { all: initial; display: block; }",
    "*, ::before, ::after { all: revert; box-sizing: border-box; }",
    "a { color: inherit; }",
    modelCss.replace(":root {", "& {"),
    // There is a page above and below, as far as nobody has measured it; all of the passage may be reached.
    "[data-lumbit-scene] { --lumbit-before: 100vh; --lumbit-after: 100vh; --lumbit-from: 0px; --lumbit-to: var(--lumbit-length); }",
    of(undefined),
    `@media ${motionConditions.media} {${hasFixed(own) ? fixedCss : ""}\n${of("any")}\n}`,
    `@media ${motionConditions.media} {\n@supports ${motionConditions.supports} {\n${reachCss}${nativeCss}${of("native")}\n}\n}`,
  ].join("\n");
  // Keyframes are no rules of elements, and cannot stand among those of one.
  const keyframes = nested.match(keyframesPattern) ?? [];
  return [
    fontsCss({ ...own, ...(fonts && { fonts }) }, stacked),
    propertyCss,
    ...new Set([...own.scenes.flatMap(sceneKeyframes), ...keyframes]),
    `${rootSelector(name)} {\n${nested.replace(keyframesPattern, "")}\n}`,
  ]
    .filter(Boolean)
    .join("\n");
}

const keyframesPattern = /@keyframes [\w-]+ \{(?:[^{}]*\{[^{}]*\})*[^{}]*\}/g;
