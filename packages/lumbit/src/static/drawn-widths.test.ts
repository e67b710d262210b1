import { readFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { expect, test } from "vitest";
import { root } from "../../../../test/command.ts";
import {
  allLayers,
  isAutomatic,
  isImage,
  type LayerPose,
  layoutPage,
  numbers,
  type Page,
  poseAt,
  type Size,
} from "../core/index.ts";
import { drawnWidths } from "./drawn-widths.ts";
import { lengthAt, printLength, type ScreenLength, screenLengths } from "./screen-length.ts";

const demo = JSON.parse(readFileSync(join(root, "examples/tidehouse/page.json"), "utf8")) as Page;
const file = { width: 2400, height: 1350 };
const picturesOf = (page: Page): Record<string, Size> =>
  Object.fromEntries(
    [page.page?.backdrop, ...page.scenes.flatMap(({ layers }) => allLayers(layers))].flatMap((layer) =>
      [layer, ...(layer && "rules" in layer ? (layer.rules ?? []) : [])].flatMap((own) =>
        own && "image" in own && own.image ? [[own.image, file]] : [],
      ),
    ),
  );
const screen = fc.record({
  width: fc.integer({ min: 320, max: 3000 }),
  height: fc.integer({ min: 320, max: 2000 }),
});

/** What every picture of a page needs at a viewport, by the model: the largest that it is drawn anywhere on the page. */
function needed(page: Page, viewport: { width: number; height: number }) {
  const layout = layoutPage(page, viewport, {
    layer: (layer) => (isImage(layer) ? file : { width: 200, height: 60 }),
    content: () => 1.5 * viewport.height,
  });
  const most = new Map<string, number>();
  const end = layout.scrollHeight - viewport.height;
  for (let step = 0; step <= 60; step++) {
    const pose = poseAt(layout, (step / 60) * end);
    for (const [index, { layers }] of pose.scenes.entries())
      for (const { name, width, height, visible } of layers as LayerPose[]) {
        const layer = allLayers(layout.page.scenes[index]?.layers ?? []).find((one) => one.name === name);
        if (!layer || !isImage(layer) || !visible) continue;
        const ratios = [width / file.width, height / file.height];
        const drawn = file.width * (layer.fit === "contain" ? Math.min(...ratios) : Math.max(...ratios));
        const key = `${layout.page.scenes[index]?.name}/${name}`;
        most.set(key, Math.max(most.get(key) ?? 0, drawn));
      }
  }
  return most;
}

test("every picture of the demo is asked for as wide as the model draws it, at any viewport", () => {
  const widths = drawnWidths(demo, picturesOf(demo));
  const layers = demo.scenes.flatMap((scene) =>
    allLayers(scene.layers)
      .filter(isImage)
      .map((layer) => ({ layer, key: `${scene.name}/${layer.name}`, exact: !isAutomatic(scene) })),
  );
  fc.assert(
    fc.property(screen, (viewport) => {
      const most = needed(demo, viewport);
      for (const { layer, key, exact } of layers) {
        const drawn = most.get(key);
        if (drawn === undefined) continue;
        const asked = widths.widthAt(layer, viewport);
        const where = `${key} at ${viewport.width} x ${viewport.height}: ${widths.sizes(layer)}`;
        expect(asked, where).toBeGreaterThan(0.98 * drawn - 3);
        if (exact) expect(asked, where).toBeLessThan(1.4 * drawn + 4);
      }
    }),
    { numRuns: 40 },
  );
});

test("formulas come to the same on a screen as with its numbers", () => {
  const { add, subtract, multiply, min, max, clamp, where, px, number } = screenLengths;
  const leaf = fc.record({
    px: fc.integer({ min: -500, max: 500 }),
    vw: fc.integer({ min: -200, max: 200 }),
    vh: fc.integer({ min: -200, max: 200 }),
  });
  fc.assert(
    fc.property(
      fc.tuple(leaf, leaf, leaf, leaf),
      fc.integer({ min: -3, max: 3 }),
      screen,
      (leaves, by, viewport) => {
        const symbols = leaves.map((one): ScreenLength => ({ number: 0, ...one }));
        const values = leaves.map(
          (one) => one.px + (one.vw * viewport.width + one.vh * viewport.height) / 100,
        );
        const [a, b, c, d] = symbols as [ScreenLength, ScreenLength, ScreenLength, ScreenLength];
        const [x, y, z, w] = values as [number, number, number, number];
        const symbol = subtract(
          max(a, min(b, c), px(0)),
          multiply(number(by), add(clamp(a, b, max(c, d)), min(c, d))),
          where(b, max(a, px(0))),
        );
        const value =
          Math.max(x, Math.min(y, z), 0) -
          by * (numbers.clamp(x, y, Math.max(z, w)) + Math.min(z, w)) -
          numbers.where(y, Math.max(x, 0));
        expect(lengthAt(symbol, viewport)).toBeCloseTo(value, 4);
      },
    ),
  );
});

test("lengths are printed as CSS", () => {
  const { add, max, px, number, multiply } = screenLengths;
  const vw: ScreenLength = { number: 0, px: 0, vw: 100, vh: 0 };
  const vh: ScreenLength = { number: 0, px: 0, vw: 0, vh: 100 };
  expect(printLength(multiply(number(0.5), vw))).toBe("50vw");
  expect(printLength(add(vw, px(-12)))).toBe("calc(-12px + 100vw)");
  expect(printLength(max(add(multiply(number(1.5), vh), px(2)), vw))).toBe("max(2px + 150vh, 100vw)");
  expect(printLength(max(vw, multiply(number(2), vw)))).toBe("200vw");
});
