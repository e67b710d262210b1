import {
  type AnyLayer,
  allLayers,
  changedBy,
  displacement,
  driftOf,
  edge,
  fillsScene,
  hasPane,
  isArranged,
  isReel,
  isText,
  overscan,
  overscans,
  type Page,
  type PageLook,
  paneRange,
  reach,
  type Scene,
  stageOf,
} from "../core/index.ts";
import {
  type Assets,
  arrangedAlone,
  css,
  type Declarations,
  type Element,
  type Expression,
  element,
  follows,
  isHeld,
  layerContext,
  layerElement,
  layerKeyframes,
  layerRules,
  motionConditions,
  nativeAnimations,
  ownReach,
  passage,
  print,
  round,
  ruleCss,
  type StyleRule,
  settle,
  value,
  variable,
  wideCss,
  zero,
} from "../markup/index.ts";
import { comment, rule, said } from "./commented.ts";
import { fontsCss, withStacks } from "./css.ts";
import { type HtmlOptions, htmlOf } from "./html.ts";
import { headOf } from "./layer-head.ts";
import { sceneParts } from "./layer-scene.ts";

/** One layer of a page, by the names of its scene and its own. */
export interface LayerPath {
  scene: string;
  layer: string;
}

/**
 * The markup that `layerCss` is written for: the scene as a section, and in it the layer.
 *
 * @throws RangeError when the page has no such layer
 */
export function layerHtml(page: Page, path: LayerPath, { assets, stylesheet }: HtmlOptions): string {
  const { scene, layer } = find(page, path);
  const inside = element("div", { class: `${scene.name}-layers` }, [
    classed(layerElement(layer, false, false, assets)),
  ]);
  return htmlOf(
    element("section", { class: `${scene.name}-scene` }, [
      element("link", { rel: "stylesheet", href: stylesheet }),
      isHeld(scene) ? element("div", { class: `${scene.name}-held` }, [inside]) : inside,
    ]),
  );
}

/**
 * One layer with its motion as commented CSS that needs nothing else, for somebody who keeps their own code: it moves as on
 * the page, over all of its scene's passage.
 *
 * @throws RangeError when the page has no such layer, or the layer is a reel
 */
export function layerCss(page: Page, path: LayerPath, assets: Assets): string {
  const { scene, layer } = find(page, path);
  if (isReel(layer)) throw new RangeError(`"${layer.name}" is a reel, and needs a script to keep its titles`);
  const look = page.page ?? {};
  const first = page.scenes[0] === scene;
  const own = `.${layer.name}`;
  const { still, moving } = rulesOf(scene, layer, look, assets);
  const drifts = statesWithMedia(layer).map(({ state, media }) => {
    const { x, y } = driftOf(state, stageOf(scene, look));
    return {
      selector: own,
      media,
      declarations: {
        "--lumbit-kx": state.sideways === "width" ? `calc(${round(x)} * var(--lumbit-wide))` : round(x),
        "--lumbit-ky": round(y),
      },
    };
  });
  const inside = [layer, ...allLayers(layer.layers ?? [])];
  const families = inside.filter(isText).map(({ fontFamily = look.fontFamily }) => fontFamily ?? "");
  const fonts = (page.fonts ?? []).filter(({ family }) => families.some((list) => list.includes(family)));
  const text = [
    comment(headOf(page, scene, layer, first)),
    fontsCss({ ...page, fonts }, { ...assets, fontStacks: {} }),
    ...sceneParts(scene, first),
    comment(["How far the layer slides against its scene for every px scrolled: 1 - speed."]),
    ...(statesWithMedia(layer).some(({ state }) => state.sideways === "width")
      ? [`${own} { ${wideCss} }`]
      : []),
    ...drifts.map(rule),
    comment(["Where the layer is, and how it looks."]),
    ...together([...basicRules(layer), ...still]).map(rule),
    ...(overscans(layer)
      ? [
          comment(["It reaches past what clips it just so far that no edge of it ever shows."]),
          rule(reaching(layer)),
        ]
      : []),
    comment([
      "It moves along the scroll, but for readers who asked for less motion, and where browsers cannot.",
    ]),
    `@media ${motionConditions.media} {\n@supports ${motionConditions.supports} {`,
    rule({ selector: own, declarations: nativeAnimations([], ["lumbit-drift"], follows(layer)) }),
    ...moving.map(rule),
    "}\n}",
    ...registered(layer),
    driftKeyframes(layer),
    ...new Set(inside.flatMap(layerKeyframes)),
  ];
  return `${plain(text.filter(Boolean).join("\n"), scene, layer).trim()}\n`;
}

/**
 * Where a layer is and how it looks, as CSS in short, a rule a line: `layerCss` without its scene and its motion.
 *
 * @throws RangeError when the page has no such layer
 */
export function layerPlaceCss(page: Page, path: LayerPath, assets: Assets): string {
  const { scene, layer } = find(page, path);
  const { still } = rulesOf(scene, layer, page.page ?? {}, assets);
  const short = together(still).map((one) => ({ ...one, declarations: essential(one.declarations) }));
  return plain(short.map(ruleCss).filter(Boolean).join("\n"), scene, layer);
}

/** Without what says that nothing is said, and what only the motion needs. */
const essential = (declarations: Declarations): Declarations =>
  Object.fromEntries(
    Object.entries(declarations).filter(
      ([name, value]) => !name.startsWith("--") && value !== "auto" && !(/^margin/.test(name) && value === 0),
    ),
  );

/** The rules of a layer that hold everywhere, and those of its motion. */
function rulesOf(scene: Scene, layer: AnyLayer, look: PageLook, assets: Assets) {
  const rules = layerRules(layer, { ...layerContext(scene, look, assets), fixed: [], pushed: false })
    .filter(({ motion, selector }) => motion !== "any" && !selector.includes("data-lumbit-is"))
    .map((one) => withStacks(withoutSpeed(one), assets));
  return { still: rules.filter(({ motion }) => !motion), moving: rules.filter(({ motion }) => motion) };
}

/** What holds everywhere said once for each element; what holds only somewhere after it. */
function together(rules: readonly StyleRule[]): StyleRule[] {
  const named = (selector: string) =>
    selector.replace(/^.*data-lumbit-(layer|pane)="([^"]*)"\]$/, (_, kind, name) =>
      kind === "pane" ? `.${name}-pane` : `.${name}`,
    );
  const everywhere = new Map<string, Declarations>();
  for (const { selector, declarations } of rules.filter(({ media }) => !media))
    everywhere.set(named(selector), { ...everywhere.get(named(selector)), ...said(declarations) });
  return [
    ...[...everywhere].map(([selector, declarations]) => ({ selector, declarations })),
    ...rules.filter(({ media }) => media).map((one) => ({ ...one, selector: named(one.selector) })),
  ];
}

/** The drift is said by itself. */
const withoutSpeed = (one: StyleRule): StyleRule => ({
  ...one,
  declarations: Object.fromEntries(
    Object.entries(one.declarations).filter(([name]) => !/^--lumbit-(speed|ux|uy)$/.test(name)),
  ),
});

/** What every layer, and every pane, has, and all that is in it. */
function basicRules(layer: AnyLayer, around?: AnyLayer): StyleRule[] {
  const box = {
    position: "absolute",
    margin: 0,
    ...(around && isArranged(around) && arrangedAlone(around).member),
  };
  const group = isArranged(layer)
    ? arrangedAlone(layer).group
    : { "container-type": "size", width: "100%", height: "100%" };
  const picture = { display: "block", "max-width": "none", "object-fit": "cover" };
  const words = { "white-space": "pre-line", "overflow-wrap": "anywhere", "line-height": 1.3 };
  return [
    {
      selector: `.${layer.name}`,
      declarations: {
        ...box,
        ...(layer.image !== undefined && picture),
        ...(isText(layer) && { ...words, "font-size": "1rem", "font-weight": 400 }),
        ...(layer.layers && group),
      },
    },
    ...(hasPane(layer)
      ? [
          {
            selector: `.${layer.name}-pane`,
            declarations: { ...box, overflow: "clip", "container-type": "size" },
          },
        ]
      : []),
    ...(layer.layers ?? []).flatMap((inner) => basicRules(inner, layer)),
  ];
}

const drift = { x: variable("kx"), y: variable("ky") };

/** From where to where a drift carries a layer over the passage, or around the moment at which it settles by itself. */
function driftKeyframes(layer: AnyLayer): string {
  const [from, at, to] = follows(layer)
    ? [zero, ownReach, css.add(ownReach, ownReach)]
    : [zero, settle, passage.length];
  return `@keyframes lumbit-drift {
  from { translate: ${displaced(from, at)}; }
  to { translate: ${displaced(to, at)}; }
}`;
}

function displaced(p: Expression, at: Expression): string {
  return `${print(displacement(css, drift.x, p, at))} ${print(displacement(css, drift.y, p, at))}`;
}

/** How far a picture reaches past its pane, or past the scene that it fills. */
function reaching(layer: AnyLayer): StyleRule {
  const pane = { top: variable("t"), height: variable("ph") };
  const range = paneRange(css, { ...passage, lo: zero, hi: passage.length }, pane);
  const seen = { first: variable("plo"), last: variable("phi") };
  const over = overscan(css, { drift, settle, passage, pane, range: seen });
  const box = { left: zero, top: zero, width: value("100%"), height: pane.height };
  const named = {
    top: variable("over-top"),
    right: variable("over-right"),
    bottom: variable("over-bottom"),
    left: variable("over-left"),
  };
  const reached = reach(css, box, named, css.px(edge));
  return {
    selector: `.${layer.name}`,
    declarations: {
      ...(fillsScene(layer) && { "--lumbit-t": "0px", "--lumbit-ph": passage.scene.text }),
      "--lumbit-plo": print(range.first),
      "--lumbit-phi": print(css.max(seen.first, range.last)),
      ...Object.fromEntries(
        Object.entries(over).map(([side, length]) => [`--lumbit-over-${side}`, print(length)]),
      ),
      ...Object.fromEntries(Object.entries(reached).map(([side, length]) => [side, print(length)])),
    },
  };
}

/** A layer without its rules, and with each of them. */
const statesWithMedia = (layer: AnyLayer): { state: AnyLayer; media?: string }[] => [
  { state: layer },
  ...(layer.rules ?? [])
    .filter((rule) => ["depth", "speed", "direction"].some((key) => key in rule))
    .map((rule) => ({ state: changedBy(layer, rule), media: rule.media })),
];

/** What ramps change step by step, and what a picture takes from its pane, has to be known to the browser as what it is. */
function registered(layer: AnyLayer): string[] {
  const keyframes = layerKeyframes(layer).join();
  const ramped = (name: string) => keyframes.includes(`--lumbit-${name}:`);
  const known = [
    ...["t", "ph"]
      .filter(() => overscans(layer))
      .map((name) => ({ name, syntax: "<length>", initial: "0px", inherits: true })),
    ...["blur"].filter(ramped).map((name) => ({ name, syntax: "<length>", initial: "0px", inherits: false })),
    ...["brightness", "saturation"]
      .filter(ramped)
      .map((name) => ({ name, syntax: "<number>", initial: "1", inherits: false })),
    ...["cover"]
      .filter(() => keyframes.includes("--lumbit-cover"))
      .map((name) => ({ name, syntax: "<number>", initial: "1", inherits: false })),
  ];
  return known.map(({ name, syntax, initial, inherits }) =>
    rule({
      selector: `@property --lumbit-${name}`,
      declarations: { syntax: `"${syntax}"`, inherits: String(inherits), "initial-value": initial },
    }),
  );
}

/** Marks and names of ours as classes and names of the layer and its scene. */
function plain(text: string, scene: Scene, layer: AnyLayer): string {
  return (isHeld(scene) ? text : withoutHold(text))
    .replace(/(\[data-lumbit-(driver|scene)=[^\]]*\])+ ?/g, "")
    .replace(/\[data-lumbit-layer="([^"]*)"\]/g, ".$1")
    .replace(/\[data-lumbit-pane="([^"]*)"\]/g, ".$1-pane")
    .replaceAll("--lumbit-scene", `--${scene.name}`)
    .replace(/--lumbit-([\w-]+)/g, (_, name: string) => `--${words[name] ?? name}`)
    .replace(/\blumbit-([\w-]+)/g, `${layer.name}-$1`);
}

/** A scene that does not hold needs none of that in its formulas. */
const withoutHold = (text: string) =>
  text
    .replaceAll(" + clamp(0px, (var(--lumbit-t) - var(--lumbit-v)) * 1000000, var(--lumbit-l))", "")
    .replaceAll(/ [+-] var\(--lumbit-l\)/g, "");

/** What stands for the letters of the formulas. */
const words: Readonly<Record<string, string>> = {
  ...{ v: "screen", h: "height", l: "hold", length: "passage" },
  ...{ kx: "drift-x", ky: "drift-y", t: "pane-top", ph: "pane-height", plo: "first-seen", phi: "last-seen" },
};

/** An element of ours as one with classes. */
function classed({ tag, attributes, children }: Element): Element {
  const { "data-lumbit-layer": layer, "data-lumbit-pane": pane, ...others } = attributes;
  const kept = Object.entries(others).filter(([name]) => !name.startsWith("data-lumbit-"));
  const name = layer ?? (pane === undefined ? undefined : `${pane}-pane`);
  const inside = children.map((child) =>
    typeof child === "string" ? child : isPiece(child) ? child.children.join("") : classed(child),
  );
  return element(tag, { class: name, ...Object.fromEntries(kept) }, inside);
}

const isPiece = ({ tag, attributes }: Element) =>
  tag === "span" && String(attributes["data-lumbit-is"] ?? "").startsWith("piece");

function find(page: Page, path: LayerPath): { scene: Scene; layer: AnyLayer } {
  const scene = page.scenes.find(({ name }) => name === path.scene);
  if (!scene)
    throw new RangeError(
      `there is no scene "${path.scene}"; the page has ${page.scenes.map(({ name }) => name).join(", ")}`,
    );
  const layer = scene.layers.find(({ name }) => name === path.layer);
  if (!layer)
    throw new RangeError(
      `there is no layer "${path.layer}" in "${scene.name}"; it has ${scene.layers.map(({ name }) => name).join(", ")}`,
    );
  return { scene, layer };
}
