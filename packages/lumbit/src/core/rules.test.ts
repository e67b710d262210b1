import { expect, test } from "vitest";
import type { Layer, Page } from "./page.ts";
import { applyRules } from "./rules.ts";

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
