import type { Finding } from "lumbit/checks";
import { expect, test } from "vitest";
import { changesOf, countOn, heldOn, screensOf, whereToLook } from "./judged.ts";

const finding = (places: [viewport: string, from: number, to: number][]): Finding => ({
  ...{ rule: "contrast", severity: "error", scene: "quay", layer: "title", path: "/scenes/0/layers/1" },
  places: places.map(([viewport, from, to]) => ({ viewport, from, to })),
  ...{ measured: "contrast 2.1", why: "It cannot be read." },
});
const [small, large] = [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
];

test("a screen has as many findings as hold on it, however often each of them does", () => {
  const twice = finding([
    ["390x844", 0, 100],
    ["390x844", 400, 500],
  ]);
  const findings = [twice, finding([["1280x800", 20, 60]]), finding([])];
  expect(heldOn(findings, small)).toEqual([
    { finding: twice, from: 0, to: 100 },
    { finding: twice, from: 400, to: 500 },
  ]);
  expect([small, large, { width: 100, height: 100 }].map((screen) => countOn(findings, screen))).toEqual([
    1, 1, 0,
  ]);
});

test("a finding is looked at on a screen of the desk, if it holds on one", () => {
  const both = finding([
    ["1280x800", 20, 60],
    ["390x844", 0, 100],
  ]);
  expect(whereToLook(both, [small, large])).toEqual({ screen: small, scroll: 50 });
  expect(whereToLook(both, [])).toEqual({ screen: large, scroll: 40 });
  expect(whereToLook(finding([]), [small])).toBeUndefined();
});

test("screens and changes are said in words", () => {
  const named = (count: number) =>
    screensOf(finding(Array.from({ length: count }, (_, at) => [`${at + 1}x9`, 0, 1])));
  expect([named(0), named(2), named(4), named(5)]).toEqual([
    "",
    "1 × 9, 2 × 9",
    "1 × 9, 2 × 9, 3 × 9, 4 × 9",
    "1 × 9, 2 × 9, 3 × 9 and 2 more",
  ]);
  expect(
    changesOf([
      { op: "replace", path: "/scenes/0/layers/2/depth", value: 1.4 },
      { op: "add", path: "/scenes/0/layers/2/place/left", value: "4vw" },
      {
        op: "add",
        path: "/scenes/0/layers/2/shade",
        value: { color: "#001018", opacity: 0.62, blur: "24px" },
      },
      { op: "remove", path: "/scenes/0/layers/2/ramps" },
      { op: "remove", path: "/scenes/0/layers/3" },
    ]),
  ).toBe("depth becomes 1.4, place left becomes 4vw, shade changes, ramps goes, the layer goes");
});
