import fc from "fast-check";
import { defaultViewports, trackAt, viewOf, viewportName } from "lumbit/checks";
import { layoutPage, type Page, poseAt } from "lumbit/core";
import { expect, test } from "vitest";
import { randomScenes, randomViewport } from "../random-scenes.ts";

const natural = { layer: () => ({ width: 240, height: 90 }) };
const pageOf = (scenes: Page["scenes"]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });

test("a layer's track holds its pose at every scroll position, not only at those that it lists", () => {
  fc.assert(
    fc.property(
      randomScenes,
      randomViewport,
      fc.double({ min: 0, max: 1, noNaN: true }),
      (scenes, viewport, share) => {
        const page = pageOf(scenes);
        const view = viewOf(page, viewport, natural, new Map());
        const layout = layoutPage(page, viewport, natural);
        for (const [index, { layers, from, to }] of view.scenes.entries()) {
          const scroll = from + share * (to - from);
          const pose = poseAt(layout, scroll).scenes[index];
          for (const own of layers) {
            const wanted = pose?.layers.find(({ name }) => name === own.layer.name);
            const found = trackAt(own, scroll)?.pose;
            for (const side of ["left", "top", "width", "height"] as const)
              expect(found?.[side], `${own.layer.name} ${side}`).toBeCloseTo(wanted?.[side] ?? Number.NaN, 1);
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});

test("what is clipped is never more than the screen, the scene and the pane share", () => {
  fc.assert(
    fc.property(randomScenes, randomViewport, (scenes, viewport) => {
      const view = viewOf(pageOf(scenes), viewport, natural, new Map());
      for (const { layers } of view.scenes)
        for (const { track, layout } of layers)
          for (const { clip, scene } of track) {
            const pane = layout.pane ?? { left: 0, top: 0, width: scene.width, height: scene.height };
            const bottoms = [viewport.height, scene.top + scene.height, scene.top + pane.top + pane.height];
            expect(clip.top + clip.height).toBeLessThanOrEqual(Math.min(...bottoms) + 0.01);
            expect(clip.top).toBeGreaterThanOrEqual(Math.max(0, scene.top, scene.top + pane.top) - 0.01);
          }
    }),
    { numRuns: 40 },
  );
});

test("a page is judged on at least eight screens: small and very wide, upright and across", () => {
  expect(defaultViewports.length).toBeGreaterThanOrEqual(8);
  expect(new Set(defaultViewports.map(viewportName)).size).toBe(defaultViewports.length);
  const upright = defaultViewports.filter(({ width, height }) => height > width);
  expect(upright.length).toBeGreaterThanOrEqual(3);
  expect(Math.min(...defaultViewports.map(({ width }) => width))).toBe(320);
  expect(Math.max(...defaultViewports.map(({ width, height }) => width / height))).toBeGreaterThan(2.3);
});
