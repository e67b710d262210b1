import fc from "fast-check";
import { layoutPage, type Page, resolveLength } from "lumbit/core";
import { expect, test } from "vitest";
import { randomScenes, randomViewport } from "../../../../test/random-scenes.ts";
import { resizedHeight, shareAt } from "./passage.ts";

const natural = { layer: () => ({ width: 320, height: 180 }) };

test("a scroll position is a moment of the scene in the middle of the screen, and comes back from it", () => {
  fc.assert(
    fc.property(
      randomScenes,
      randomViewport,
      fc.double({ min: -0.2, max: 1.2, noNaN: true }),
      (scenes, viewport, at) => {
        const page: Page = { format: "lumbit/1", title: "t", lang: "en", scenes };
        const layout = layoutPage(page, viewport, natural);
        const reach = layout.scrollHeight - viewport.height;
        const moment = shareAt(layout, at * reach);
        const scene = layout.scenes.find(({ name }) => name === moment?.scene);
        if (!scene || !moment) throw new Error("every page has a scene");
        const length = viewport.height + scene.height + scene.passage.hold;
        const scroll = scene.top - viewport.height + moment.share * length;
        expect(scroll).toBeCloseTo(Math.min(Math.max(at * reach, 0), reach), 6);
      },
    ),
  );
});

test("a height keeps its unit, and never goes below what can be taken hold of", () => {
  const viewport = { width: 1000, height: 500 };
  expect(resizedHeight("120vh", 600, 50, viewport)).toBe("130vh");
  expect(resizedHeight("600px", 600, 50.4, viewport)).toBe("650px");
  expect(resizedHeight(undefined, 500, -100, viewport)).toBe("80vh");
  expect(resizedHeight("auto", 700, 0, viewport)).toBe("140vh");
  expect(resolveLength(resizedHeight("100vh", 500, -900, viewport), { viewport, percent: 0 })).toBe(40);
});
