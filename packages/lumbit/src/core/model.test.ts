import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { even } from "../../../../test/random-scenes.ts";
import { numbers } from "./arithmetic.ts";
import { depthAt, speedAt } from "./depth.ts";
import { type Drift, driftOf } from "./drift.ts";
import { layoutPage, type Natural } from "./layout.ts";
import { groundReach, type Overscan, overscanOf, type Pane } from "./overscan.ts";
import type { Page } from "./page.ts";
import { passageOf } from "./passage.ts";
import { poseAt } from "./pose.ts";
import type { Scene } from "./scene.ts";
import { type Settle, settleAt } from "./settle.ts";

const length = even(50, 6000);
const settle: fc.Arbitrary<Settle> = fc.oneof(
  fc.constantFrom(
    "auto" as const,
    "enter" as const,
    "top" as const,
    "middle" as const,
    "bottom" as const,
    "leave" as const,
  ),
  fc.double({ min: 0, max: 1, noNaN: true }),
);
const passage = fc
  .record({
    viewport: length,
    scene: length,
    hold: fc.oneof(fc.constant(0), length),
    before: fc.oneof(fc.constant(0), length),
    after: fc.oneof(fc.constant(0), length),
  })
  .map(passageOf);
const depth = fc.double({ min: -0.9, max: 1000, noNaN: true });
/** Drift from well in front of the surface to the horizon. */
const drift = fc.oneof(even(-4, 1), fc.constantFrom(0, 1));

describe("depth", () => {
  test("and speed are inverse", () => {
    fc.assert(
      fc.property(depth, (depth) => {
        expect(depthAt(speedAt(depth))).toBeCloseTo(depth, 6);
      }),
    );
    expect([speedAt(0), speedAt(1), speedAt(-0.5), speedAt(Number.POSITIVE_INFINITY)]).toEqual([
      1, 0.5, 2, 0,
    ]);
  });

  test("never lets a farther layer drift less than a nearer one", () => {
    fc.assert(
      fc.property(depth, depth, (a, b) => {
        const [near, far] = a < b ? [a, b] : [b, a];
        const driftAt = (depth: number) =>
          driftOf({ name: "a", text: "a", depth }, { relief: 1, camera: { pan: 0, push: 0, sway: 0 } }).y;
        expect(driftAt(far)).toBeGreaterThanOrEqual(driftAt(near));
      }),
    );
  });
});

describe("overscan", () => {
  type At = ReturnType<typeof passageOf>;
  const drift2 = fc.record({ x: drift, y: drift });
  /** A pane somewhere in its scene, by shares of the scene's height. */
  const share = even(0, 1);
  const some = even(0.05, 0.95);
  const paneIn = (at: At, top: number, height: number) => ({
    top: top * at.scene,
    height: (1 - top) * height * at.scene,
  });

  /** How far the picture's edges lie inside the visible part of the pane at p: above 0 an edge shows. */
  const exposed = (p: number, k: Drift, p0: number, at: At, pane: Pane, over: Overscan) => {
    const [x, y] = [k.x * (p - p0), k.y * (p - p0)];
    // The scene's top above the viewport's: it waits while the scene holds.
    const passed = p < at.viewport ? p - at.viewport : Math.max(0, p - at.viewport - at.hold);
    const [from, to] = [
      Math.max(0, passed - pane.top),
      Math.min(pane.height, at.viewport + passed - pane.top),
    ];
    if (from > to + 1e-6) return Number.NEGATIVE_INFINITY;
    return Math.max(
      y - over.top - from,
      to - (pane.height + over.bottom + y),
      x - over.left,
      -x - over.right,
    );
  };

  test("never lets an edge show at any reachable position", () => {
    fc.assert(
      fc.property(passage, settle, drift2, share, share, (at, settle, k, top, height) => {
        const p0 = settleAt(settle, at);
        const pane = paneIn(at, top, height);
        const over = overscanOf(k, p0, at, pane);
        for (let step = 0; step <= 60; step++) {
          const p = at.lo + (step / 60) * (at.hi - at.lo);
          expect(exposed(p, k, p0, at, pane, over)).toBeLessThanOrEqual(1e-6);
        }
      }),
      { numRuns: 400 },
    );
  });

  test("of a row's ground covers any pane, whatever is known of it", () => {
    fc.assert(
      fc.property(passage, settle, drift2, share, share, (at, settle, k, top, height) => {
        const p0 = settleAt(settle, at);
        const pane = paneIn(at, top, height);
        const { x, y } = groundReach(numbers, { drift: k, settle: p0, ...at });
        for (let step = 0; step <= 60; step++) {
          const p = at.lo + (step / 60) * (at.hi - at.lo);
          const over = { top: y, bottom: y, left: x, right: x };
          expect(exposed(p, k, p0, at, pane, over)).toBeLessThanOrEqual(1e-6);
        }
      }),
      { numRuns: 400 },
    );
  });

  test("is minimal: with one pixel less on any side an edge shows", () => {
    fc.assert(
      fc.property(passage, settle, drift2, some, some, (at, settle, k, top, height) => {
        const p0 = settleAt(settle, at);
        const pane = paneIn(at, top, height);
        // A pane that is hardly reached shows hardly any of its edges.
        const entered = pane.top + (pane.top > at.viewport ? at.hold : 0);
        fc.pre(entered + 1 < at.hi && at.lo + 1 < at.viewport + at.hold + pane.top + pane.height);
        const over = overscanOf(k, p0, at, pane);
        const end = pane.top + pane.height;
        const ends = [at.lo, at.hi, entered, at.viewport + at.hold + end];
        const holds = [at.viewport, at.viewport + at.hold];
        const crossings = [at.viewport + at.hold + pane.top, end, end + at.hold];
        const corners = [...ends, ...holds, ...crossings].map((p) => Math.min(Math.max(p, at.lo), at.hi));
        for (const side of ["top", "right", "bottom", "left"] as const) {
          const less = { ...over, [side]: over[side] - 1 };
          const worst = Math.max(...corners.map((p) => exposed(p, k, p0, at, pane, less)));
          expect(worst).toBeCloseTo(1, 4);
        }
      }),
    );
  });

  test("of a fixed picture is exactly one viewport, and k (V - H) over a whole passage", () => {
    const at = passageOf({ viewport: 800, scene: 500, hold: 0, before: 5000, after: 5000 });
    const pane = { top: 0, height: 500 };
    for (const y of [0.2, 0.7, 1]) {
      const { top, bottom } = overscanOf({ x: 0, y }, settleAt("middle", at), at, pane);
      expect(top + bottom).toBeCloseTo(y * 300, 9);
    }
    expect(overscanOf({ x: 0, y: 1 }, 0, at, pane)).toMatchObject({ top: 800, bottom: -500 });
  });
});

describe("the settle moment", () => {
  const at = (before: number, after: number) =>
    passageOf({ viewport: 800, scene: 600, hold: 0, before, after });

  test("lies where its name says", () => {
    const moments = (["enter", "top", "middle", "bottom", "leave", 0.25] as const).map((settle) =>
      settleAt(settle, at(2000, 2000)),
    );
    expect(moments).toEqual([0, 800, 700, 600, 1400, 350]);
  });

  test("auto: at the top of the page for what is in view there, the nearest reachable for what ends the page", () => {
    expect(settleAt("auto", at(0, 2000))).toBe(800);
    expect(settleAt("auto", at(300, 2000))).toBe(500);
    expect(settleAt("auto", at(800, 2000))).toBe(700);
    expect(settleAt("auto", at(2000, 0))).toBe(600);
    expect(settleAt("auto", at(100, 0))).toBe(700);
  });
});

describe("what can be reached of a passage", () => {
  test("ends where the page does, with what a scene holds", () => {
    // By hand: 800 px of screen, 600 of scene, 300 of hold.
    const at = (before: number, after: number) =>
      passageOf({ viewport: 800, scene: 600, hold: 300, before, after });
    expect([at(2000, 2000).lo, at(300, 2000).lo, at(0, 0).lo]).toEqual([0, 500, 800]);
    expect([at(2000, 2000).hi, at(2000, 100).hi, at(2000, 0).hi]).toEqual([1700, 1000, 900]);
    expect([at(2000, 2000).length, at(0, 50).lo <= at(0, 50).hi]).toEqual([1700, true]);
  });

  test("of a slide: what is deep in it slides as far as its reel travels, and stands as placed in the middle", () => {
    fc.assert(
      fc.property(even(0, 3), even(0.1, 1), fc.integer({ min: 2, max: 6 }), (depth, share, count) => {
        const inner = { name: "x", text: "x", depth, place: { left: "10%", top: 0 } };
        const slides = Array.from({ length: count }, (_, index) => ({
          name: `s${index}`,
          layers: index === 0 ? [inner] : [],
        }));
        const reel = {
          name: "r",
          reel: { width: `${100 * share}%` },
          place: { left: 0, width: "100%", top: 0, height: "50%" },
        };
        const scene = { name: "a", height: "100vh", hold: "100vh", layers: [{ ...reel, layers: slides }] };
        const viewport = { width: 1000, height: 800 };
        const layout = layoutPage(
          { format: "lumbit/1", title: "t", lang: "en", scenes: [scene] } as unknown as Page,
          viewport,
          { layer: () => ({ width: 100, height: 40 }) },
        );
        const width = 1000 * share;
        const travel = Math.max(0, count * width - 1000);
        const left = (scroll: number) =>
          poseAt(layout, scroll).scenes[0]?.layers.find(({ name }) => name === "x")?.left ?? Number.NaN;
        // On the screen it moves as much less than its slide as it is deep.
        expect(left(800) - left(0)).toBeCloseTo(-travel / (1 + depth), 6);
      }),
    );
  });
});

describe("a page", () => {
  const natural: Natural = { layer: () => ({ width: 300, height: 40 }) };
  const page = (...scenes: Scene[]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
  const viewport = { width: 1000, height: 800 };

  test("stands as placed at its settle moment, at any viewport", () => {
    const sizes = fc.record({
      width: fc.integer({ min: 320, max: 3840 }),
      height: fc.integer({ min: 568, max: 2160 }),
    });
    fc.assert(
      fc.property(sizes, depth, fc.integer({ min: 20, max: 300 }), (viewport, depth, height) => {
        const scene: Scene = {
          name: "a",
          height: `${height}vh`,
          layers: [{ name: "x", text: "x", depth, place: { left: "10%", top: "20%" } }],
        };
        const layout = layoutPage(
          page({ name: "before", height: "150vh", layers: [] }, scene, {
            name: "after",
            height: "150vh",
            layers: [],
          }),
          viewport,
          natural,
        );
        const laidOut = layout.scenes[1];
        if (!laidOut) throw new Error("the scene is missing");
        const scroll = laidOut.top - viewport.height + laidOut.settle;
        const pose = poseAt(layout, scroll).scenes[1];
        expect(pose?.layers[0]?.top).toBeCloseTo((pose?.top ?? 0) + laidOut.height * 0.2, 5);
        expect(pose?.layers[0]?.left).toBeCloseTo(viewport.width * 0.1, 5);
      }),
    );
  });

  const around = (scene: Scene) =>
    page({ name: "before", height: "150vh", layers: [] }, scene, {
      name: "after",
      height: "150vh",
      layers: [],
    });
  const share = even(0, 1);

  test("comes nearer as the camera does: what is 1 + depth away is as much larger as it is nearer", () => {
    fc.assert(
      fc.property(even(-0.3, 8), share, (depth, at) => {
        const push = 0.4;
        const layers: Scene["layers"] = [{ name: "x", text: "x", depth }];
        const layout = layoutPage(
          around({ name: "a", height: "90vh", settle: "middle", camera: { push }, layers }),
          viewport,
          natural,
        );
        const [, laidOut] = layout.scenes;
        if (!laidOut) throw new Error("the scene is missing");
        const pose = poseAt(layout, laidOut.top - viewport.height + at * laidOut.passage.length);
        const away = 1 + depth;
        expect(pose.scenes[1]?.layers[0]?.scale).toBeCloseTo(away / (away - push * (at - 0.5)), 9);
      }),
    );
  });

  test("a layer that holds stays where it is on the screen, whatever its drift, and goes on after that", () => {
    fc.assert(
      fc.property(
        depth,
        fc.constantFrom("down" as const, "left" as const, 40),
        share,
        (depth, direction, at) => {
          const layers: Scene["layers"] = [
            { name: "x", text: "x", depth, direction, hold: ["entry 60%", "exit 30%"] },
          ];
          const layout = layoutPage(around({ name: "a", height: "90vh", layers }), viewport, natural);
          const [, laidOut] = layout.scenes;
          if (!laidOut) throw new Error("the scene is missing");
          // The scene is 720 px high in a viewport of 800: it has come in at p = 720 and begins to leave at 800.
          const [from, to] = [0.6 * 720, 800 + 0.3 * 720];
          const where = (p: number) => {
            const { left = 0, top = 0 } =
              poseAt(layout, laidOut.top - viewport.height + p).scenes[1]?.layers[0] ?? {};
            return { left, top };
          };
          const [held, later] = [where(from), where(from + at * (to - from))];
          expect(later.left).toBeCloseTo(held.left, 5);
          expect(later.top).toBeCloseTo(held.top, 5);
          const after = where(to + 100);
          const moved = driftOf(
            { name: "x", text: "x", depth, direction },
            { relief: 1, camera: { pan: 0, push: 0, sway: 0 } },
          );
          expect(after.left - held.left).toBeCloseTo(100 * moved.x, 5);
          expect(after.top - held.top).toBeCloseTo(100 * (moved.y - 1), 5);
        },
      ),
    );
  });

  test("tells what ramps make of every part of a pose, on top of what the layer has by itself", () => {
    const half = (property: string, from: number | string, to: number | string) => ({
      property,
      stops: [
        { at: "cover 0%", value: from },
        { at: "cover 100%", value: to },
      ],
    });
    const ramps = [
      ...[half("opacity", 1, 0.2), half("blur", "0px", "8px"), half("rotate", 0, 90), half("scale", 1, 3)],
      ...[half("brightness", 1, 0.4), half("saturation", 1, 0), half("x", 0, "100px"), half("y", 0, "50%")],
    ] as unknown as Scene["layers"][number]["ramps"];
    const look = { opacity: 0.5, blur: "2px", rotate: 10 } as const;
    const place = { left: "200px", top: "100px" } as const;
    const layers: Scene["layers"] = [{ name: "x", text: "x", place, ramps, ...look }];
    const layout = layoutPage(around({ name: "a", height: "90vh", layers }), viewport, natural);
    const [, laidOut] = layout.scenes;
    if (!laidOut) throw new Error("the scene is missing");
    const scene = poseAt(layout, laidOut.top - viewport.height + laidOut.passage.length / 2).scenes[1];
    const pose = scene?.layers[0];
    expect(pose).toMatchObject({ brightness: 0.7, saturation: 0.5, rotate: 55, scale: 2, blur: 6 });
    expect(pose?.opacity).toBeCloseTo(0.3, 9);
    // 300 x 40 px, twice as large about its middle.
    expect(pose?.left).toBeCloseTo(200 + 50 - 150, 6);
    expect((pose?.top ?? 0) - (scene?.top ?? 0)).toBeCloseTo(100 + 10 - 20, 6);
  });

  test("paints far layers first and keeps the document's order among equals", () => {
    const scene: Scene = {
      name: "a",
      layers: [
        { name: "near", text: "x", depth: -0.2 },
        { name: "one", text: "x" },
        { name: "far", text: "x", speed: 0.1 },
        { name: "two", text: "x", speed: 1 },
        { name: "sky", text: "x", depth: "horizon" },
      ],
    };
    const layers = layoutPage(page(scene), viewport, natural).scenes[0]?.layers ?? [];
    expect(layers.toSorted((a, b) => a.order - b.order).map(({ name }) => name)).toEqual([
      "sky",
      "far",
      "one",
      "two",
      "near",
    ]);
  });

  test("moves a layer of depth 1 half as fast as the page, and a horizon not at all", () => {
    const scene: Scene = {
      name: "a",
      height: "200vh",
      layers: [
        { name: "half", text: "x", depth: 1, place: { top: "50px" } },
        { name: "sky", image: "sky.png", alt: "", depth: "horizon" },
      ],
    };
    const layout = layoutPage(page(scene), viewport, natural);
    const at = (scroll: number) =>
      poseAt(layout, scroll).scenes[0]?.layers.map(({ top, height, visible }) => ({ top, height, visible }));
    expect(at(0)).toEqual([
      { top: 50, height: 40, visible: true },
      { top: -1, height: 802, visible: true },
    ]);
    expect(at(400)).toEqual([
      { top: -150, height: 40, visible: false },
      { top: -1, height: 802, visible: true },
    ]);
    expect(poseAt(layout, 1e9).scroll).toBe(800);
    expect(poseAt(layout, -5).scroll).toBe(0);
  });
});
