import fc from "fast-check";
import type { Layer, Length, Scene } from "lumbit/core";
import type { Place } from "lumbit/internal";

/** A viewport from a small telephone to a very large screen. */
export const randomViewport = fc.record({
  width: fc.integer({ min: 320, max: 3840 }),
  height: fc.integer({ min: 320, max: 2160 }),
});
/** Evenly between two numbers, in thousandths: the package's own doubles are as many near 0 as anywhere. */
export const even = (least: number, most: number) =>
  fc.integer({ min: 1000 * least, max: 1000 * most }).map((value) => value / 1000);
const amount = fc.integer({ min: -30, max: 130 });
const length: fc.Arbitrary<Length> = fc
  .tuple(amount, fc.constantFrom("px", "%", "vw", "vh", "svh", "dvh", "rem"))
  .map(([value, unit]) => `${value}${unit}` as Length);
const size: fc.Arbitrary<Length> = fc
  .tuple(fc.integer({ min: 1, max: 120 }), fc.constantFrom("px", "%", "vw", "vh"))
  .map(([value, unit]) => `${value}${unit}` as Length);
const motion = fc.oneof(
  fc.record({ depth: even(-0.8, 50) }),
  fc.record({ speed: even(0, 3) }),
  fc.constant({ depth: "horizon" as const }),
);
const direction = fc.oneof(
  fc.constantFrom("down" as const, "up" as const, "left" as const, "right" as const),
  fc.integer({ min: 0, max: 359 }),
);
const place = fc.record({ left: length, top: length, width: size, height: size }) as fc.Arbitrary<Place>;
const kind = fc.oneof(
  fc.record({ image: fc.constant("tank.png"), alt: fc.constant("") }),
  fc.record({ image: fc.constant("tank.png"), alt: fc.constant(""), place, pane: fc.boolean() }),
  fc.record({
    shape: fc.constant("ellipse" as const),
    background: fc.constant("#123"),
    place,
    pane: fc.boolean(),
  }),
  fc.record({ text: fc.constant("tide"), place: fc.record({ left: length, top: length }) }),
);
const media = fc.constantFrom(
  ...["(max-width: 600px)", "(max-width: 900px)", "(min-width: 1000px)", "(min-width: 1500px)"],
  ...["(orientation: portrait)", "(max-aspect-ratio: 1/1)", "(max-height: 500px)"],
);
/** Mostly none, or rules that change some of these settings each. */
const rulesOf = (settings: Record<string, fc.Arbitrary<unknown>>) =>
  fc.option(
    fc.array(
      fc
        .tuple(media, fc.record(settings, { requiredKeys: [] }))
        .map(([media, change]) => ({ media, ...change })),
      { minLength: 1, maxLength: 3 },
    ),
    { nil: undefined, freq: 2 },
  );
const placed = { place, direction, hidden: fc.boolean() };
const rules = fc.tuple(
  rulesOf({ ...placed, depth: even(-0.8, 50), pane: fc.boolean() }),
  rulesOf({ ...placed, speed: even(0, 3), wrap: fc.boolean() }),
);
const layers = fc
  .array(fc.tuple(kind, motion, direction, rules), { minLength: 1, maxLength: 5 })
  .map((parts) =>
    parts.map(
      ([own, motion, direction, [ofBoxes, ofTexts]], index) =>
        ({
          name: `l${index}`,
          ...own,
          ...motion,
          direction,
          rules: "text" in own ? ofTexts : ofBoxes,
        }) as Layer,
    ),
  );
/** Scenes with layers of every kind, depth, direction and place. */
export const randomScenes: fc.Arbitrary<Scene[]> = fc
  .array(
    fc.record({
      height: fc.integer({ min: 10, max: 300 }).map((value): Length => `${value}vh`),
      settle: fc.constantFrom("auto" as const, "enter" as const, "middle" as const, "leave" as const, 0.3),
      relief: even(0, 2),
      camera: fc.record({ pan: even(-0.5, 0.5) }),
      width: fc.constantFrom("full" as const, "column" as const),
      layers,
      rules: rulesOf({
        relief: even(0, 2),
        camera: fc.record({ pan: even(-0.5, 0.5) }),
        width: fc.constantFrom("full", "column"),
        settle: fc.constantFrom("top", "bottom", "auto"),
        height: fc.integer({ min: 10, max: 300 }).map((value) => `${value}vh`),
      }) as fc.Arbitrary<NonNullable<Scene["rules"]>>,
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((list) =>
    list.map((scene, index) => ({
      ...scene,
      name: `s${index}`,
      layers: scene.layers.map((layer) => ({ ...layer, name: `s${index}-${layer.name}` })),
    })),
  );

const hold = fc.option(
  fc.integer({ min: 0, max: 200 }).map((value): Length => `${value}vh`),
  { nil: undefined },
);
/** The same, where some scenes hold. */
export const randomHeldScenes: fc.Arbitrary<Scene[]> = randomScenes.chain((scenes) =>
  fc
    .tuple(...scenes.map(() => hold))
    .map((holds) => scenes.map((scene, index) => ({ ...scene, hold: holds[index] }))),
);
