import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { even } from "../../../../test/random-scenes.ts";
import type { Layer, PageLook, Scene } from "../core/index.ts";
import { layerSettings, pageLook, sceneSettings } from "../settings/index.ts";
import { sceneElement } from "./elements.ts";
import { isPlain, plainElement, plainRules } from "./plain-scene.ts";
import { ruleCss } from "./rule-css.ts";
import { pageRules, sceneRules } from "./scene.ts";
import { sceneSelector } from "./scene-look.ts";
import type { StyleRule } from "./tree.ts";

/** Any of these settings, or none. */
const some = <Settings extends Record<string, fc.Arbitrary<unknown>>>(settings: Settings) =>
  fc.record(settings, { requiredKeys: [] });
const length = fc
  .tuple(fc.integer({ min: -30, max: 130 }), fc.constantFrom("px", "%", "vw", "vh", "rem"))
  .map(([value, unit]) => `${value}${unit}`);
const edge = (start: string, end: string, size: string) =>
  fc.oneof(
    fc.record({ [start]: length, [size]: length }),
    fc.record({ [end]: length, [size]: length }),
    fc.record({ [start]: length, [end]: length }),
    fc.record({ [start]: length }),
  );
const place = fc.oneof(
  fc.tuple(edge("left", "right", "width"), edge("top", "bottom", "height")).map(([x, y]) => ({ ...x, ...y })),
  fc.record({ center: fc.constant("both"), width: length, height: length }),
  fc.record({ center: fc.constant("x"), top: length }),
);
const color = fc.constantFrom("#123", "teal");
const subject = fc.tuple(even(0, 1), even(0, 1));

const common = {
  place,
  direction: fc.constantFrom("up", "left", 60),
  sideways: fc.constantFrom("width", "height"),
  order: fc.constantFrom(0.5, -0.2, "horizon"),
  opacity: even(0, 1),
  blur: fc.constant("3px"),
  rotate: fc.integer({ min: -20, max: 20 }),
  blend: fc.constant("multiply"),
  shadow: fc.constant("0 2px 9px #0006"),
  href: fc.constantFrom("#low-water", "javascript:alert(1)"),
};
const text = {
  background: color,
  as: fc.constantFrom("h1", "p"),
  title: fc.boolean(),
  maxWidth: length,
  padding: fc.constantFrom("1rem", 0),
  radius: length,
  fontSize: fc.constantFrom("2rem", { min: "20px", max: "90px" }),
  color,
  fontFamily: fc.constant("serif"),
  fontWeight: fc.constant(700),
  fontStyle: fc.constant("italic"),
  lineHeight: fc.constant(1.1),
  letterSpacing: fc.constant("0.1em"),
  textAlign: fc.constant("center"),
  outline: fc.constant("2px"),
};
const image = { fit: fc.constantFrom("cover", "contain", "fill"), subject, radius: length };
const kind = fc.oneof(
  fc.tuple(fc.constantFrom({ text: "low water" }, { text: "two\nlines" }), some(text)),
  fc.tuple(
    fc.constantFrom({ image: "tank.png", alt: "" }, { image: "sea.png", alt: "the sea" }),
    some(image),
  ),
  fc.tuple(
    fc.record({ shape: fc.constantFrom("rectangle", "ellipse"), background: color }),
    some({ alt: fc.constant("a lamp"), radius: length }),
  ),
);
const motion = fc.oneof(
  fc.constant({}),
  fc.record({ depth: even(-0.8, 50) }),
  fc.record({ speed: even(0, 3) }),
  fc.constant({ depth: "horizon" }),
);
const own = {
  as: fc.constant("footer"),
  height: length,
  minHeight: length,
  settle: fc.constantFrom("auto", "enter", "top", "middle", "bottom", "leave", 0.3),
  relief: even(0, 2),
  paddingTop: length,
  paddingBottom: length,
  background: color,
  color,
};
const look = {
  background: color,
  color,
  fontFamily: fc.constant("serif"),
  relief: even(0, 2),
  haze: even(0, 1),
  focus: fc.record({ depth: even(0, 3), blur: fc.constant("6px") }),
  column: fc.constant("70rem"),
  margin: fc.constant("2rem"),
  gap: fc.constant("1rem"),
};
const plainScenes = fc.tuple(some(own), fc.array(fc.tuple(kind, motion, some(common)), { maxLength: 5 })).map(
  ([own, layers]) =>
    ({
      name: 'low "water"',
      ...own,
      layers: layers.map(([parts, motion, more], index) => ({
        name: `l${index}`,
        ...Object.assign({}, ...parts),
        ...motion,
        ...more,
      })),
    }) as Scene,
);

const assets = {
  pictures: {
    "tank.png": { url: "/t.png", width: 400, height: 300, placeholder: "linear-gradient(#123, #456)" },
  },
  fonts: {},
};
const written = (rules: readonly StyleRule[]) =>
  rules
    .map(({ selector, declarations, media, motion }) => {
      const sorted = Object.entries(declarations).sort(([a], [b]) => (a < b ? -1 : 1));
      const css = ruleCss({ selector, declarations: Object.fromEntries(sorted) });
      return css && { css, media, motion };
    })
    .filter(Boolean);
const asPlain = (scene: Scene, look: PageLook) => ({
  element: plainElement(scene, look, assets),
  rules: written(plainRules(scene, look, assets)),
});
const asAny = (scene: Scene, look: PageLook) => ({
  element: sceneElement(scene, look, false, assets),
  rules: written([...pageRules(look, sceneSelector(scene)), ...sceneRules(scene, look, assets)]),
});

describe("a plain scene", () => {
  test("is built as any other", () => {
    fc.assert(
      fc.property(plainScenes, some(look), (scene, given) => {
        const look = given as PageLook;
        expect(isPlain(scene, look, assets)).toBe(true);
        expect(asPlain(scene, look)).toEqual(asAny(scene, look));
      }),
      { numRuns: 500 },
    );
  });

  test.each([
    ["words that are marked up", { text: "*low* water" }],
    ["a text that is fitted", { text: "low water", fontSize: { fit: "50%" } }],
    ["rules", { text: "low water", rules: [] }],
    ["a picture in several kinds", { image: "kinds.png", alt: "" }],
  ])("does not have %s", (_, layer) => {
    const scene = { name: "s", layers: [{ name: "l", ...layer } as unknown as Layer] };
    const kinds = { url: "/k.png", width: 1, height: 1, sources: [] };
    expect(isPlain(scene, {}, { ...assets, pictures: { "kinds.png": kinds } })).toBe(false);
  });

  test("does not have other settings", () => {
    const known = new Set([
      ...[common, text, image].flatMap(Object.keys),
      ...["name", "text", "image", "alt", "shape", "depth", "speed"],
    ]);
    const layer = (more: object) => ({ name: "s", layers: [{ name: "l", ...more } as Layer] });
    for (const key of Object.keys(layerSettings))
      expect([key, isPlain(layer({ text: "low water", [key]: "1px" }), {}, assets)]).toEqual([
        key,
        known.has(key),
      ]);
    for (const key of Object.keys(sceneSettings))
      expect([key, isPlain({ name: "s", layers: [], [key]: 1 }, {}, assets)]).toEqual([key, key in own]);
    for (const key of Object.keys(pageLook))
      expect([key, isPlain({ name: "s", layers: [] }, { [key]: 1 }, assets)]).toEqual([key, key in look]);
  });
});
