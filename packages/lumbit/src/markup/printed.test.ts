import { calc } from "@csstools/css-calc";
import { generate, parse, walk } from "css-tree";
import fc from "fast-check";
import { expect, test } from "vitest";
import { even, randomHeldScenes, randomViewport } from "../../../../test/random-scenes.ts";
import {
  type Box,
  fillsScene,
  fluidSize,
  isText,
  type Layer,
  layoutPage,
  numbers,
  type Page,
  poseAt,
  resolveFontSize,
  type Viewport,
} from "../core/index.ts";
import { matchesMedia } from "../core/media.ts";
import { css, print, value } from "./arithmetic.ts";
import { modelCss } from "./model.css.ts";
import { nativeCss } from "./native.css.ts";
import { isBoxed } from "./pane.ts";
import { reachCss } from "./reach.css.ts";
import { propertyCss } from "./registered.css.ts";
import { neighboursOf, pageRules, sceneRules } from "./scene.ts";
import { sceneSelector } from "./scene-look.ts";
import { stageLayers } from "./stage.ts";
import type { Declarations, StyleRule } from "./tree.ts";

/** What a style sheet declares, by its selectors as they are written. */
function sheet(text: string): Map<string, Declarations> {
  const rules = new Map<string, Declarations>();
  walk(parse(text, { parseCustomProperty: false, parseValue: false }), {
    visit: "Rule",
    enter(rule) {
      const declarations: Declarations = {};
      for (const node of rule.block.children)
        if (node.type === "Declaration") declarations[node.property] = generate(node.value).trim();
      for (const selector of generate(rule.prelude).split(","))
        rules.set(selector.trim(), { ...rules.get(selector.trim()), ...declarations });
    },
  });
  return rules;
}

const model = sheet(`${modelCss}${nativeCss}${reachCss}`);
const declared = (...selectors: string[]): Declarations =>
  Object.assign(
    {},
    ...selectors.map((selector) => model.get(selector) ?? expect.fail(`no rule ${selector}`)),
  );
/** What is computed where it is declared, and inherited in px. */
const registered = new Set(
  [...propertyCss.matchAll(/@property (--[\w-]+) \{ syntax: "<length>"; inherits: true/g)].map(([, name]) =>
    String(name),
  ),
);

const length = /([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(%|(?!e[+-]?\d)[a-z]+)?/g;

/** What is computed to a length besides. */
const lengths = new Set(
  [...propertyCss.matchAll(/@property (--[\w-]+) \{ syntax: "<length>"/g)].map(([, name]) => String(name)),
);

/** What percentages and container units are of, besides the viewport. */
interface Around {
  width: number;
  height: number;
}

/** An element's declarations, with those of the element that it inherits from. */
class Styled {
  constructor(
    readonly declarations: Declarations,
    readonly viewport: Viewport,
    readonly around: Around,
    readonly parent?: Styled,
  ) {}

  readonly #numbers = new Map<string, number>();

  /** A property's value in px, or its number. */
  number(name: string): number {
    const known = this.#numbers.get(name) ?? this.#compute(name);
    this.#numbers.set(name, known);
    return known;
  }

  #compute(name: string): number {
    const text = this.#text(name, undefined);
    if (text === undefined) throw new Error(`${name} is not declared`);
    const side = /width|left|-t$|-ph$/.test(name) ? this.around.width : this.around.height;
    const inPx = text.replace(length, (all: string, number: string, unit?: string) =>
      unit === undefined
        ? all
        : unit === "%"
          ? `${(Number(number) / 100) * side}px`
          : this.#px(Number(number), unit),
    );
    const computed = /[ (]/.test(inPx) ? calc(inPx) : inPx;
    const found = /^(-?[\d.]+(?:e[+-]?\d+)?)(px)?$/.exec(computed);
    if (!found) throw new Error(`${name}: ${text} is computed to ${computed}`);
    return Number(found[1]);
  }

  #px(number: number, unit: string): string {
    const { width, height } = this.viewport;
    const sizes: Record<string, number> = {
      ...{ px: 100, rem: 1600, cqw: this.around.width, cqh: this.around.height },
      ...{ vw: width, svw: width, lvw: width, dvw: width, vh: height, svh: height, lvh: height, dvh: height },
    };
    const size = sizes[unit];
    if (size === undefined) throw new Error(`the unit ${unit} is not known here`);
    return `${(number * size) / 100}px`;
  }

  /** A property with all that it names put in. */
  #text(name: string, otherwise: string | undefined): string | undefined {
    const own = this.declarations[name];
    if (own === undefined || own === "initial")
      return this.parent?.inherited(name) ?? (otherwise === undefined ? undefined : this.#filled(otherwise));
    return this.#filled(String(own));
  }

  /** The same where it is named: what is an expression of its own is computed first, not at every place again. */
  #named(name: string, otherwise: string | undefined): string | undefined {
    const own = String(this.declarations[name] ?? "");
    if (!/var\(|calc\(/.test(own)) return this.#text(name, otherwise);
    return lengths.has(name) ? `${this.number(name)}px` : String(this.number(name));
  }

  inherited(name: string): string | undefined {
    if (!registered.has(name)) return this.#text(name, undefined);
    return this.declarations[name] === undefined ? this.parent?.inherited(name) : `${this.number(name)}px`;
  }

  #filled(text: string): string {
    const start = text.indexOf("var(");
    if (start < 0) return text;
    let depth = 0;
    let end = start + 3;
    do {
      if (text[end] === "(") depth++;
      if (text[end] === ")") depth--;
      end++;
    } while (depth > 0);
    const [name = "", ...otherwise] = text.slice(start + 4, end - 1).split(",");
    const put = this.#named(name.trim(), otherwise.length > 0 ? otherwise.join(",").trim() : undefined);
    if (put === undefined) throw new Error(`${name} is not declared`);
    return this.#filled(`${text.slice(0, start)}${put}${text.slice(end)}`);
  }
}

/** Of two scenes and more; 10,000 scenes in the whole run, fewer in others, and where faults are planted one after the other. */
const pages = Number(process.env.LUMBIT_PAGES ?? (process.env.LUMBIT_WHOLE ? 4300 : 800));
const pictures = { "tank.png": { url: "tank.png", width: 400, height: 300 } };
const page = (scenes: Page["scenes"]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });

test("the printed formulas say what the core computes, whatever the scenes, the screen and the scroll", () => {
  let compared = 0;
  let seen = 0;
  let worst = 0;
  const same = (what: string, found: number, wanted: number) => {
    compared++;
    worst = Math.max(worst, Math.abs(found - wanted));
    if (!(Math.abs(found - wanted) <= 0.01)) expect.fail(`${what}: ${found} in CSS, ${wanted} in the core`);
  };
  const check = (scenes: Page["scenes"], viewport: Viewport, share: number) => {
    seen += scenes.length;
    const natural = {
      layer: (layer: Layer) => (isText(layer) ? { width: 80, height: 20 } : { width: 400, height: 300 }),
    };
    const layout = layoutPage(page(scenes), viewport, natural);
    const pose = poseAt(layout, share * (layout.scrollHeight - viewport.height));
    const rules = [
      ...pageRules({}),
      ...scenes.flatMap((scene, index) =>
        sceneRules(scene, {}, { pictures, fonts: {} }, neighboursOf(scenes)[index]),
      ),
    ];
    const styleOf = (selector: string): Declarations =>
      Object.assign(
        {},
        ...rules
          .filter((rule) => rule.selector === selector && holds(rule, viewport))
          .map(({ declarations }) =>
            Object.fromEntries(Object.entries(declarations).filter(([, value]) => value !== undefined)),
          ),
      );
    const root = new Styled(
      { "--lumbit-v": "100vh", "--lumbit-sideways": 1, ...styleOf(":root"), ...styleOf("body") },
      viewport,
      viewport,
    );
    for (const [index, scene] of scenes.entries()) {
      const laidOut = layout.scenes[index] as (typeof layout.scenes)[number];
      const selector = sceneSelector(scene);
      const own = new Styled(
        { "--lumbit-l": "0px", ...declared("[data-lumbit-scene]"), ...styleOf(selector) },
        viewport,
        laidOut,
        root,
      );
      same("settle", own.number("--lumbit-settle"), laidOut.settle);
      // The document is rounded to whole px, what is below a scene in CSS is not.
      same("the least reached", own.number("--lumbit-lo"), laidOut.passage.lo);
      same("the passage", own.number("--lumbit-length"), laidOut.passage.length);
      const { fixed } = stageLayers(scene);
      for (const [at, layer] of scene.layers.entries()) {
        const wanted = laidOut.layers[at] as (typeof laidOut.layers)[number];
        if (wanted.hidden || fixed.includes(layer)) continue;
        const name = `${scene.name}/${layer.name}`;
        const of = (kind: string) => styleOf(`${selector} [data-lumbit-${kind}="${layer.name}"]`);
        const boxed = isBoxed(layer);
        const pane = boxed ? new Styled(of("pane"), viewport, laidOut, own) : undefined;
        const paneBox = pane
          ? boxOf(pane)
          : { left: 0, top: 0, width: laidOut.width, height: laidOut.height };
        const fills = !boxed && fillsScene(layer);
        const reaching = boxed || fills;
        const element = new Styled(
          {
            ...declared('[data-lumbit-driver="native"] [data-lumbit-is~=drifts]'),
            ...(fills && declared("[data-lumbit-is~=fill]")),
            ...(reaching &&
              declared(
                "[data-lumbit-is~=reach]",
                "[data-lumbit-is~=reach][data-lumbit-is][data-lumbit-is]",
                "[data-lumbit-is~=reach][data-lumbit-is~=reach][data-lumbit-is~=reach]",
              )),
            ...of("layer"),
          },
          viewport,
          reaching ? paneBox : laidOut,
          pane ?? own,
        );
        const enter = { x: element.number("--lumbit-enter-x"), y: element.number("--lumbit-enter-y") };
        const leave = { x: element.number("--lumbit-leave-x"), y: element.number("--lumbit-leave-y") };
        const p = viewport.height + pose.scroll - laidOut.top;
        const gone = Math.min(Math.max(p / laidOut.passage.length, 0), 1);
        const posed = pose.scenes[index]?.layers.find((one) => one.name === layer.name) as Box;
        const scenePose = pose.scenes[index] as (typeof pose.scenes)[number];
        const offset = { x: enter.x + gone * (leave.x - enter.x), y: enter.y + gone * (leave.y - enter.y) };
        if (isText(layer)) {
          same(`${name} x`, offset.x, posed.left - laidOut.left - wanted.box.left);
          same(`${name} y`, offset.y, posed.top - scenePose.top - wanted.box.top);
          continue;
        }
        const found = boxOf(element);
        const origin = reaching ? paneBox : { left: 0, top: 0 };
        same(`${name} left`, laidOut.left + origin.left + found.left + offset.x, posed.left);
        same(`${name} top`, scenePose.top + origin.top + found.top + offset.y, posed.top);
        same(`${name} width`, Math.max(0, found.width), posed.width);
        same(`${name} height`, Math.max(0, found.height), posed.height);
      }
    }
  };
  fc.assert(fc.property(randomHeldScenes, randomViewport, even(0, 1), check), {
    numRuns: pages,
  });
  expect(seen).toBeGreaterThan(2 * pages);
  console.log(
    `${compared} values of ${seen} scenes compared, the largest difference ${worst.toExponential(1)} px`,
  );
}, 900_000);

const holds = ({ media = [], motion }: StyleRule, viewport: Viewport) =>
  motion === undefined && [media].flat().every((query) => matchesMedia(query, viewport));

const boxOf = (styled: Styled): Box => ({
  left: styled.number("left"),
  top: styled.number("top"),
  width: styled.number("width"),
  height: styled.number("height"),
});

test("a text grows with the screen as the core says", () => {
  const px = fc.integer({ min: 1, max: 300 });
  const at = fc.integer({ min: 0, max: 3000 });
  fc.assert(
    fc.property(px, px, at, at, randomViewport, (one, two, start, end, viewport) => {
      fc.pre(start !== end);
      const size = {
        min: `${Math.min(one, two)}px`,
        max: `${Math.max(one, two)}px`,
        from: Math.min(start, end),
        to: Math.max(start, end),
      } as const;
      const styled = new Styled(
        { "font-size": print(fluidSize(css, size, value("100vw"))) },
        viewport,
        viewport,
      );
      expect(styled.number("font-size")).toBeCloseTo(resolveFontSize(size, { viewport }), 4);
      expect(fluidSize(numbers, size, viewport.width)).toBeCloseTo(
        Math.min(
          Math.max(
            Number.parseFloat(size.min) +
              ((viewport.width - size.from) / (size.to - size.from)) *
                (Number.parseFloat(size.max) - Number.parseFloat(size.min)),
            Number.parseFloat(size.min),
          ),
          Number.parseFloat(size.max),
        ),
        6,
      );
    }),
  );
});

test("sums and products are bracketed where CSS would read them otherwise, and nowhere else", () => {
  const [a, b, c] = [value("1px"), value("2px"), value("3px")];
  expect(print(css.subtract(a, css.add(b, c)))).toBe("calc(1px - (2px + 3px))");
  expect(print(css.subtract(css.add(a, b), c))).toBe("calc(1px + 2px - 3px)");
  expect(print(css.multiply(css.number(2), css.subtract(a, b)))).toBe("calc(2 * (1px - 2px))");
  expect(print(css.divide(a, css.multiply(css.number(2), css.number(3))))).toBe("calc(1px / (2 * 3))");
  expect(print(css.max(css.add(a, b), c))).toBe("max(1px + 2px, 3px)");
  expect(print(css.where(css.subtract(a, b), c))).toBe("clamp(0px, (1px - 2px) * 1000000, 3px)");
});
