import fc from "fast-check";
import { intersects } from "lumbit/internal";
import { expect, test } from "vitest";
import { arrangeStages } from "./arrange.ts";

const laptop = { width: 1280, height: 800 };
const telephone = { width: 390, height: 844 };
const wide = { width: 1920, height: 1080 };
/** How wide a screen is drawn in its box, which has its name below it. */
const drawn = (screen: typeof laptop, box: { width: number; height: number } | undefined) =>
  screen.width * Math.min((box?.width ?? 0) / screen.width, ((box?.height ?? 0) - 28) / screen.height, 1);

test("a telephone is as high as the desk, with two stages and with three", () => {
  const desk = { width: 820, height: 390 };
  for (const screens of [
    [laptop, telephone],
    [laptop, telephone, wide],
    [laptop, wide, telephone],
  ]) {
    const boxes = arrangeStages(screens, desk);
    const at = screens.indexOf(telephone);
    expect(drawn(telephone, boxes[at])).toBeGreaterThan(0.85 * (390 - 28) * (390 / 844));
    expect(drawn(laptop, boxes[0])).toBeGreaterThan(300);
  }
  const [alone] = arrangeStages([laptop], desk);
  expect(alone).toEqual({ left: 0, top: 0, ...desk });
});

test("stages of any screens stand on the desk, and none over another", () => {
  const side = fc.integer({ min: 240, max: 3840 });
  fc.assert(
    fc.property(
      fc.array(fc.record({ width: side, height: side }), { minLength: 1, maxLength: 4 }),
      fc.record({ width: fc.integer({ min: 300, max: 2400 }), height: fc.integer({ min: 160, max: 1400 }) }),
      (screens, desk) => {
        const boxes = arrangeStages(screens, desk);
        expect(boxes).toHaveLength(screens.length);
        for (const [index, box] of boxes.entries()) {
          expect(box.left + box.width).toBeLessThanOrEqual(desk.width + 0.01);
          expect(box.top + box.height).toBeLessThanOrEqual(desk.height + 0.01);
          expect(drawn(screens[index] ?? laptop, box)).toBeGreaterThan(0);
          for (const other of boxes.slice(index + 1)) expect(intersects(box, other)).toBe(false);
        }
      },
    ),
  );
});
