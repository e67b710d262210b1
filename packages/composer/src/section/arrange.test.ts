import fc from "fast-check";
import type { AnyLayer, Page } from "lumbit/core";
import { expect, test } from "vitest";
import { edited } from "../edit/edit.ts";
import { reorder } from "../edit/layers.ts";
import { arrange, beforeWhich, equalsOf, groupsAround } from "./arrange.ts";

const axis = { from: 72, to: 900 };
const shape = (name: string, speed: number) => ({ name, speed, shape: "rectangle" }) as AnyLayer;
const none: ReadonlySet<string> = new Set();
const depths = fc.array(fc.constantFrom(0, 0.25, 0.5, 1, 1.2), { minLength: 1, maxLength: 12 });

test("a card that is moved up or down among its equals comes to the row that it is moved to, and no other order changes", () => {
  fc.assert(
    fc.property(depths, fc.nat(), fc.integer({ min: -12, max: 12 }), (speeds, pick, by) => {
      const layers = speeds.map((speed, index) => shape(`l${index}`, speed));
      const own = layers[pick % layers.length] as AnyLayer;
      const before = arrange(layers, none, axis, 93);
      const at = beforeWhich(before, own.name, by, layers);
      const page: Page = { format: "lumbit/1", title: "", lang: "en", scenes: [{ name: "s", layers }] };
      const after = edited(
        page,
        at === null ? () => {} : reorder([{ scene: "s", layer: own.name }], at),
      ).page;
      const { cards, rows } = arrange(after.scenes[0]?.layers ?? [], none, axis, 93);
      const names = (list: typeof cards) => list.map(({ layer }) => layer.name);
      const rowIn = (arranged: typeof before) => arranged.rows[names(arranged.cards).indexOf(own.name)] ?? 0;
      const card = before.cards.find(({ layer }) => layer === own);
      const equals = card ? equalsOf(before.cards, card) : [];
      const wanted = rowIn(before) + by;
      const free = equals.map((one) => before.rows[before.cards.indexOf(one)] ?? 0);
      expect(Math.abs(rowIn({ cards, rows }) - wanted)).toBe(
        Math.min(...free.map((row) => Math.abs(row - wanted))),
      );
      const others = (list: string[]) => list.filter((name) => name !== own.name);
      expect(others(names(cards))).toEqual(others(names(before.cards)));
    }),
  );
});

test("what is in a group that is open stands behind its card, at the group's depth, what is painted last first", () => {
  const inner = [shape("low", 0), shape("high", 0)];
  const group = { name: "group", speed: 0.5, layers: inner } as unknown as AnyLayer;
  const layers = [shape("far", 0.25), group, shape("near", 1)];
  const names = (open: ReadonlySet<string>) =>
    arrange(layers, open, axis, 93).cards.map(({ layer }) => layer.name);
  expect(names(none)).toEqual(["near", "group", "far"]);
  expect(names(new Set(["group"]))).toEqual(["near", "group", "high", "low", "far"]);
  const { cards } = arrange(layers, new Set(["group"]), axis, 93);
  expect(cards.filter(({ top }) => top === group)).toHaveLength(3);
  expect(groupsAround(layers, "low")).toEqual(["group"]);
  expect(groupsAround(layers, "near")).toEqual([]);
});
