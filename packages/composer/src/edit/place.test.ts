import fc from "fast-check";
import { layoutPage, type Page, type Viewport } from "lumbit/core";
import { expect, test } from "vitest";
import { randomScenes, randomViewport } from "../../../../test/random-scenes.ts";
import { type Shown, shownIn } from "../desk/shown.ts";
import { edited } from "./edit.ts";
import { ungroup } from "./layers.ts";
import { grow, move, outOfGroup, resize, shifted } from "./place.ts";

const pageOf = (scenes: Page["scenes"]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
const natural = { layer: () => ({ width: 320, height: 180 }) };
const shownOn = (page: Page, viewport: Viewport, share: number): Shown[] => {
  const layout = layoutPage(page, viewport, natural);
  const scroll = share * (layout.scrollHeight - viewport.height);
  return page.scenes.flatMap(({ name }) => shownIn(layout, name, scroll));
};
const keyOf = ({ name }: Shown) => `${name.scene}/${name.layer}`;
const by = fc.record({ x: fc.integer({ min: -300, max: 300 }), y: fc.integer({ min: -300, max: 300 }) });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const isShown = ({ pose }: Shown) => pose.width > 0 && pose.height > 0;

test("what is moved stays under the pointer on its screen, at any place of the scroll", () => {
  fc.assert(
    fc.property(randomScenes, randomViewport, share, by, (scenes, viewport, share, by) => {
      const page = pageOf(scenes);
      for (const shown of shownOn(page, viewport, share).filter(isShown)) {
        const { page: next } = edited(page, move([shown], by));
        const after = shownOn(next, viewport, share).find((one) => keyOf(one) === keyOf(shown));
        // In a pane the pane is what is moved.
        const [from, to] = [shown.pane ?? shown.pose, after?.pane ?? after?.pose];
        if (shown.layer.place === undefined && !shown.layer.text) continue;
        expect(Math.abs((to?.left ?? Number.NaN) - from.left - by.x), keyOf(shown)).toBeLessThan(0.5);
        expect(Math.abs((to?.top ?? Number.NaN) - from.top - by.y), keyOf(shown)).toBeLessThan(0.5);
      }
    }),
    { numRuns: 60 },
  );
});

test("a resized layer has its edges under the pointer, and those across where they were", () => {
  const edge = fc.constantFrom(-1 as const, 1 as const);
  fc.assert(
    fc.property(randomScenes, randomViewport, edge, edge, by, (scenes, viewport, x, y, by) => {
      const page = pageOf(scenes);
      for (const shown of shownOn(page, viewport, 0.5).filter(isShown)) {
        const { layer, box } = shown;
        const sized = layer.place?.width !== undefined && layer.place.height !== undefined;
        if (!sized || layer.text || box.width < 20 || box.height < 20) continue;
        const way = { x: Math.max(by.x * x, 10 - box.width) * x, y: Math.max(by.y * y, 10 - box.height) * y };
        const { page: next } = edited(page, resize(shown, { x, y }, way));
        const after = shownOn(next, viewport, 0.5).find((one) => keyOf(one) === keyOf(shown))?.box;
        const edges = ({ left, top, width, height }: Shown["box"]) => [left, top, left + width, top + height];
        const wanted = edges(box);
        wanted[x < 0 ? 0 : 2] = (wanted[x < 0 ? 0 : 2] ?? 0) + way.x;
        wanted[y < 0 ? 1 : 3] = (wanted[y < 0 ? 1 : 3] ?? 0) + way.y;
        for (const [side, value] of edges(after ?? box).entries())
          expect(Math.abs(value - (wanted[side] ?? 0)), `${keyOf(shown)} side ${side}`).toBeLessThan(1);
      }
    }),
    { numRuns: 60 },
  );
});

test("a layer that grows is so many times as large, and its left and top edge come so far, however it was placed", () => {
  const times = fc.double({ min: 0.5, max: 3, noNaN: true });
  fc.assert(
    fc.property(randomScenes, randomViewport, times, by, (scenes, viewport, times, by) => {
      const page = pageOf(scenes);
      for (const shown of shownOn(page, viewport, 0.5).filter(isShown)) {
        const { layer, box, inRow } = shown;
        if (!layer.place || layer.text || inRow || Math.min(box.width, box.height) < 20) continue;
        const { page: next } = edited(page, grow(shown, times, by));
        const after = shownOn(next, viewport, 0.5).find((one) => keyOf(one) === keyOf(shown))?.box;
        const wanted = {
          ...{ left: box.left + by.x, top: box.top + by.y },
          ...{ width: box.width * times, height: box.height * times },
        };
        for (const side of ["left", "top", "width", "height"] as const)
          expect(
            Math.abs((after?.[side] ?? Number.NaN) - wanted[side]),
            `${keyOf(shown)} ${side}`,
          ).toBeLessThan(2);
      }
    }),
    { numRuns: 60 },
  );
});

test("a place keeps its units, its sides and the rule that it stands in", () => {
  const viewport = { width: 1000, height: 500 };
  const stone = { name: "stone", shape: "rectangle", background: "#0a6" } as const;
  const moved = (layer: object) => {
    const page = pageOf([{ name: "sea", layers: [{ ...stone, ...layer }] }]);
    const shown = shownOn(page, viewport, 0);
    return edited(page, move(shown, { x: 20, y: -10 })).page.scenes[0]?.layers[0];
  };
  const size = { width: "10%", height: "10vh" };
  expect(moved({ place: { left: "5vw", bottom: "2rem", ...size } })?.place).toEqual({
    ...{ left: "7vw", bottom: "2.625rem" },
    ...size,
  });
  expect(moved({ place: { center: "both", ...size } })?.place).toEqual({ left: "47%", top: "43%", ...size });
  expect(moved({ place: { left: "calc(50% - 20px)", top: 0, ...size } })?.place).toMatchObject({
    left: "calc(50% + 0px)",
    top: "-2%",
  });
  const media = "(min-width: 900px)";
  const ruled = moved({ place: { left: 0, ...size }, rules: [{ media, place: { left: "1px", ...size } }] });
  expect(ruled?.place).toMatchObject({ left: 0 });
  expect(ruled?.rules?.[0]).toMatchObject({ place: { left: "21px", top: "-2%" } });
  expect(moved({})).toMatchObject({ place: { left: "2%", top: "-2%" }, pane: true });
});

test("a sum of lengths is moved by its pixels", () => {
  const viewport = { width: 1000, height: 500 };
  expect(shifted("calc(50% + 2rem)", 8, 400, viewport)).toBe("calc(50% + 2rem + 8px)");
  expect(shifted("calc(50% - 3px - 2rem)", 8, 400, viewport)).toBe("calc(50% - 2rem + 5px)");
  expect(shifted("calc(4px)", -8, 400, viewport)).toBe("calc(-4px)");
});

test("what is taken out of a group that is as large as that stands where it stood, and is as large", () => {
  const inside = (place: object, index: number) => ({
    ...{ name: `l${index}`, shape: "rectangle", background: "#0a6" },
    place,
  });
  const places = [
    { left: "24px", top: 0, width: "20%", height: "90px" },
    { left: 0, right: "1rem", top: "30px", bottom: "2vh" },
    { right: "2vw", bottom: 0, width: "40px", height: "10%" },
    { center: "both", width: "50px", height: "10px" },
  ];
  fc.assert(
    fc.property(fc.subarray(places, { minLength: 1 }), randomViewport, (chosen, viewport) => {
      const layers = [...chosen, places[0]].map((place, index) => inside(place as object, index));
      const group = { name: "card", depth: 0.5, place: { right: "8%", top: "12vh" }, layers };
      const page = pageOf([{ name: "s", height: "90vh", layers: [group] }] as unknown as Page["scenes"]);
      const [around, ...members] = shownOn(page, viewport, 0);
      if (!around) throw new Error("no group");
      const { page: apart } = edited(page, ungroup(around.name, outOfGroup(around, members)));
      for (const [index, { pose }] of shownOn(apart, viewport, 0).entries())
        for (const side of ["left", "top", "width", "height"] as const)
          expect(Math.abs(pose[side] - (members[index]?.pose[side] ?? Number.NaN))).toBeLessThan(0.5);
    }),
  );
});
