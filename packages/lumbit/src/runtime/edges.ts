import { type Scroller, scrollerOf } from "./scroller.ts";

/** Tells a scene what is above and below it in what is scrolled. */
export function measureAround(scene: HTMLElement, scroller: Scroller): void {
  const top = scroller.topOf(scene);
  const after = scroller.scrollHeight() - top - scene.getBoundingClientRect().height;
  setLengths(scene, { before: Math.max(0, top), after: Math.max(0, after) });
}

/** Tells a scene where it lies in what is scrolled: the page above and below it, the viewport, its height. */
export function measureEdges(scene: HTMLElement): void {
  const scroller = scrollerOf(scene);
  spread(scene, scroller);
  measureAround(scene, scroller);
  setLengths(scene, { v: scroller.viewport() });
  // The height of a built scene is what its style says; that of existing markup is what it turned out to be.
  const held = scene.querySelector(":scope > .lumbit-adopted-held") ?? scene;
  if (!scene.classList.contains("lumbit-scene"))
    setLengths(scene, { h: held.getBoundingClientRect().height });
  for (const pane of scene.querySelectorAll<HTMLElement>(".lumbit-adopted-pane")) {
    const box = pane.getBoundingClientRect();
    const slide = pane.closest(".lumbit-slide");
    const lengths = slide
      ? { t: box.left - slide.getBoundingClientRect().left, ph: box.width }
      : { t: box.top - scene.getBoundingClientRect().top, ph: box.height };
    setLengths(pane, lengths);
  }
}

function setLengths(element: HTMLElement, lengths: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(lengths))
    element.style.setProperty(`--lumbit-${name}`, `${value}px`);
}

/** Lays a scene whose width is full from edge to edge of what scrolls it, whatever container it sits in. */
function spread(scene: HTMLElement, scroller: Scroller): void {
  const container = scene.parentElement;
  const full = getComputedStyle(scene).getPropertyValue("--lumbit-width").trim() === "full";
  // Part of the style, so that whoever takes that back takes back this too.
  const isWide = scene.style.getPropertyValue("--lumbit-wide") !== "";
  if (!full && isWide) {
    Object.assign(scene.style, { width: "", maxWidth: "", marginLeft: "", marginRight: "" });
    scene.style.removeProperty("--lumbit-wide");
  }
  if (!full || !container) return;
  scene.style.setProperty("--lumbit-wide", "1");
  const { paddingLeft, paddingRight } = getComputedStyle(container);
  const left = container.getBoundingClientRect().left + container.clientLeft;
  const { left: from, width } = scroller.across();
  const before = left + Number.parseFloat(paddingLeft) - from;
  const after = from + width - (left + container.clientWidth - Number.parseFloat(paddingRight));
  Object.assign(scene.style, {
    width: "auto",
    maxWidth: "none",
    marginLeft: `${-before}px`,
    marginRight: `${-after}px`,
  });
}
