import { expect, test } from "vitest";
import { hasUnknownEdges } from "./automatic.ts";
import type { Page } from "./page.ts";
import type { Scene } from "./scene.ts";

const page = (...scenes: Scene[]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
const flow = (more: Partial<Scene> = {}): Scene => ({
  name: "flow",
  content: [{ text: "Tide" }],
  layers: [],
  ...more,
});
const deep: Scene = { name: "deep", layers: [{ name: "a", shape: "ellipse", background: "#034", depth: 1 }] };

test("only a height that can matter is unknown", () => {
  expect(hasUnknownEdges(page(flow(), deep))).toBe(true);
  expect(hasUnknownEdges(page(deep, flow()))).toBe(true);
  expect(hasUnknownEdges(page(deep, deep))).toBe(false);
  // Where nothing moves, and where a screen lies between, it does not.
  expect(hasUnknownEdges(page(flow(), { ...deep, layers: [] }))).toBe(false);
  expect(hasUnknownEdges(page(flow({ minHeight: "100vh" }), deep))).toBe(false);
  expect(hasUnknownEdges(page(flow({ minHeight: "1200px" }), deep))).toBe(true);
});

test("a rule that makes a scene lower counts", () => {
  const lower = { media: "(max-width: 600px)", minHeight: "50vh" } as const;
  expect(hasUnknownEdges(page(flow({ minHeight: "100vh", rules: [lower] }), deep))).toBe(true);
});
