import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { randomScenes as scenes, randomViewport as viewport } from "../../../../test/random-scenes.ts";
import type { Layer } from "./layer.ts";
import { layoutPage, type Natural } from "./layout.ts";
import type { Page } from "./page.ts";
import { poseAt } from "./pose.ts";
import type { Scene } from "./scene.ts";

const natural: Natural = {
  layer: (layer) => (layer.image ? { width: 400, height: 300 } : { width: 240, height: 60 }),
  content: () => 900,
};
const pageOf = (scenes: Scene[]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe("pages of random scenes", () => {
  test("show no edge of a picture in its pane at any scroll position", () => {
    fc.assert(
      fc.property(scenes, viewport, share, (scenes, viewport, at) => {
        const layout = layoutPage(pageOf(scenes), viewport, natural);
        // A browser rounds what can be scrolled: up to half a pixel of it is past the page's end.
        const end = layout.scenes.at(-1);
        const whole = Math.min(layout.scrollHeight, (end?.top ?? 0) + (end?.height ?? 0));
        const pose = poseAt(layout, at * Math.max(0, whole - viewport.height));
        for (const [index, scene] of layout.scenes.entries()) {
          const posed = pose.scenes[index];
          if (!posed) throw new Error("a scene is missing");
          for (const [nth, layer] of scene.layers.entries()) {
            const box = posed.layers[nth];
            if (!layer.overscan || !box || layer.hidden) continue;
            const pane = layer.pane ?? { left: 0, top: 0, width: scene.width, height: scene.height };
            // What can be seen of the pane: inside its scene and the viewport.
            const top = Math.max(0, posed.top + Math.max(0, pane.top));
            const bottom = Math.min(
              viewport.height,
              posed.top + Math.min(scene.height, pane.top + pane.height),
            );
            if (top >= bottom - 1e-6) continue;
            expect(box.top).toBeLessThanOrEqual(top + 1e-6);
            expect(box.top + box.height).toBeGreaterThanOrEqual(bottom - 1e-6);
            expect(box.left).toBeLessThanOrEqual(scene.left + pane.left + 1e-6);
            expect(box.left + box.width).toBeGreaterThanOrEqual(scene.left + pane.left + pane.width - 1e-6);
          }
        }
      }),
      { numRuns: 400 },
    );
  });

  test("move every layer by its drift for each scrolled pixel while its scene is in view, and keep its size", () => {
    fc.assert(
      fc.property(scenes, viewport, share, (scenes, viewport, at) => {
        const layout = layoutPage(pageOf(scenes), viewport, natural);
        const range = layout.scrollHeight - viewport.height;
        fc.pre(range > 1);
        const scroll = at * (range - 1);
        const [before, after] = [poseAt(layout, scroll), poseAt(layout, scroll + 1)];
        for (const [index, { passage, layers }] of layout.scenes.entries()) {
          const [from, to] = [before.scenes[index], after.scenes[index]];
          const p = viewport.height - (from?.top ?? 0);
          if (p < 0 || p + 1 > passage.length) continue;
          for (const [nth, { drift, hidden }] of layers.entries()) {
            if (hidden) continue;
            const [a, b] = [from?.layers[nth], to?.layers[nth]];
            expect((b?.top ?? 0) - (a?.top ?? 0)).toBeCloseTo(drift.y - 1, 6);
            expect((b?.left ?? 0) - (a?.left ?? 0)).toBeCloseTo(drift.x, 6);
            expect([b?.width, b?.height]).toEqual([a?.width, a?.height]);
          }
        }
      }),
      { numRuns: 300 },
    );
  });

  test("without relief are the still page: everything goes with the page, without overscan", () => {
    fc.assert(
      fc.property(scenes, viewport, share, (scenes, viewport, at) => {
        const flat = scenes.map((scene) => ({
          ...scene,
          relief: 0,
          rules: scene.rules?.map((rule) => ({ ...rule, relief: 0 })),
        }));
        const layout = layoutPage(pageOf(flat), viewport, natural);
        const range = layout.scrollHeight - viewport.height;
        const [start, later] = [poseAt(layout, 0), poseAt(layout, at * range)];
        for (const [index, scene] of layout.scenes.entries())
          for (const [nth, layer] of scene.layers.entries()) {
            if (layer.hidden) continue;
            const [a, b] = [start.scenes[index]?.layers[nth], later.scenes[index]?.layers[nth]];
            expect((a?.top ?? 0) - (b?.top ?? 0)).toBeCloseTo(at * range, 6);
            expect(a?.left).toBeCloseTo(b?.left ?? Number.NaN, 9);
            if (layer.overscan) expect(layer.overscan.left + layer.overscan.right).toBeCloseTo(0, 9);
          }
      }),
    );
  });

  test("never make a page wider or lower than what is on it", () => {
    fc.assert(
      fc.property(scenes, viewport, (scenes, viewport) => {
        const { scenes: laidOut, scrollHeight } = layoutPage(pageOf(scenes), viewport, natural);
        const end = laidOut.at(-1);
        expect(scrollHeight).toBeGreaterThanOrEqual(viewport.height);
        expect(
          Math.abs(scrollHeight - Math.max(viewport.height, (end?.top ?? 0) + (end?.height ?? 0))),
        ).toBeLessThan(1);
        for (const { left, width } of laidOut) {
          expect(left).toBeGreaterThanOrEqual(0);
          expect(left + width).toBeLessThanOrEqual(viewport.width);
        }
      }),
    );
  });
});

describe("a text fitted to a width", () => {
  test("is as wide as that, whatever its letters need, at any viewport", () => {
    fc.assert(
      fc.property(viewport, fc.integer({ min: 5, max: 150 }), (viewport, percent) => {
        const layer: Layer = {
          name: "a",
          text: "tide",
          fontSize: { fit: `${percent}%` },
          place: { right: "5%" },
        };
        const layout = layoutPage(pageOf([{ name: "s", layers: [layer] }]), viewport, natural);
        const box = layout.scenes[0]?.layers[0]?.box;
        expect(box?.width).toBeCloseTo((viewport.width * percent) / 100, 6);
        expect((box?.left ?? 0) + (box?.width ?? 0)).toBeCloseTo(viewport.width * 0.95, 6);
      }),
    );
  });
});
