import { expect, test } from "vitest";
import type { Layer } from "./layer.ts";
import type { Page } from "./page.ts";
import { applyRules } from "./rules-at.ts";

const tablet = { width: 900, height: 1200 };
const page = (layer: Layer, more: Partial<Page> = {}): Page => ({
  format: "lumbit/1",
  title: "t",
  lang: "en",
  scenes: [
    {
      name: "s",
      layers: [layer],
      rules: [{ media: "(orientation: portrait)", relief: 0.5, height: "60vh" }],
    },
  ],
  ...more,
});
const first = (page: Page) => page.scenes[0]?.layers[0];

test("rules that hold change what they name and nothing else, and later ones win", () => {
  const layer: Layer = {
    name: "a",
    text: "tide",
    fontSize: "20px",
    color: "red",
    rules: [
      { media: "(min-width: 800px)", fontSize: "40px" },
      { media: "(min-width: 850px)", fontSize: "50px", hidden: true },
      { media: "(min-width: 1000px)", fontSize: "60px" },
    ],
  };
  expect(first(applyRules(page(layer), tablet))).toMatchObject({
    fontSize: "50px",
    color: "red",
    hidden: true,
  });
  expect(first(applyRules(page(layer), { width: 700, height: 500 }))).toMatchObject({ fontSize: "20px" });
});

test("depth and speed replace each other", () => {
  const deep: Layer = {
    name: "a",
    text: "tide",
    depth: 2,
    rules: [{ media: "(min-width: 1px)", speed: 0.9 }],
  };
  const found = first(applyRules(page(deep), tablet));
  expect(found).toMatchObject({ speed: 0.9 });
  expect(found).not.toHaveProperty("depth");
});

test("rules of the page, of scenes and of layers inside groups hold too", () => {
  const group: Layer = {
    name: "g",
    layers: [{ name: "in", text: "tide", rules: [{ media: "(max-width: 1000px)", color: "blue" }] }],
  };
  const applied = applyRules(
    page(group, {
      page: {
        relief: 1,
        rules: [
          { media: "(pointer: coarse)", relief: 0 },
          { media: "(width < 950px)", relief: 2 },
        ],
      },
    }),
    tablet,
  );
  expect(applied.page?.relief).toBe(2);
  expect(applied.scenes[0]).toMatchObject({ relief: 0.5, height: "60vh" });
  expect(first(applied)).toMatchObject({ layers: [{ color: "blue" }] });
  expect(applyRules(page(group), { ...tablet, width: 1300 }).scenes[0]).not.toHaveProperty("relief");
});

test("a rule's camera keeps what it does not name, another picture has no variants, none takes away", () => {
  const picture: Layer = {
    name: "a",
    image: "wide.png",
    variants: { "2": "wide@2x.png" },
    alt: "",
    place: { left: 0, top: 0 },
    travel: { x: ["0px", "9px"] },
    cue: { from: { opacity: 0 } },
    rules: [{ media: "(orientation: portrait)", image: "tall.png", travel: "none", cue: "none" }],
  };
  const scenes: Page["scenes"] = [
    {
      name: "s",
      camera: { pan: 0.1, push: 0.2 },
      content: [
        { text: "tide", fontSize: "40px", rules: [{ media: "(orientation: portrait)", fontSize: "20px" }] },
      ],
      layers: [picture],
      rules: [{ media: "(orientation: portrait)", camera: { pan: 0 } }],
    },
  ];
  const [scene] = applyRules(page(picture, { scenes }), tablet).scenes;
  expect(scene?.camera).toEqual({ pan: 0, push: 0.2 });
  expect(scene?.content?.[0]).toMatchObject({ fontSize: "20px" });
  expect(scene?.layers[0]).toMatchObject({ image: "tall.png" });
  for (const key of ["variants", "travel", "cue"]) expect(scene?.layers[0]).not.toHaveProperty(key);
});
