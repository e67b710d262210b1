import type { Declarations } from "../markup/index.ts";
import { scrollerOf } from "./scroller.ts";
import type { StyleWriter } from "./style-writer.ts";

/** Lays scenes whose width is full from edge to edge of what scrolls them, whatever containers they sit in. */
export function spreadFull(scenes: readonly HTMLElement[], styles: StyleWriter): void {
  const spread = scenes.map((scene) => [scene, across(scene)] as const);
  for (const [scene, declarations] of spread) styles.set(scene, "width", declarations);
  styles.write();
}

function across(scene: HTMLElement): Declarations {
  const container = scene.parentElement;
  const isFull = getComputedStyle(scene).getPropertyValue("--lumbit-width").trim() === "full";
  if (!isFull || !container) return {};
  const { box } = scrollerOf(scene);
  const page = scene.ownerDocument.scrollingElement ?? scene.ownerDocument.documentElement;
  const from = box ? box.getBoundingClientRect().left + box.clientLeft : 0;
  const { clientWidth: width } = box ?? page;
  const { paddingLeft, paddingRight } = getComputedStyle(container);
  const left = container.getBoundingClientRect().left + container.clientLeft;
  const before = left + Number.parseFloat(paddingLeft) - from;
  const after = from + width - (left + container.clientWidth - Number.parseFloat(paddingRight));
  return {
    width: "auto",
    "max-width": "none",
    "margin-left": `${-before}px`,
    "margin-right": `${-after}px`,
  };
}
