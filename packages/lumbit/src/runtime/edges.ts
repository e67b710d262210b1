import { type Scroller, scrollerOf } from "./scroller.ts";

/** Tells a scene where it lies in what is scrolled: the page above and below it, the viewport, its height. */
export function measureEdges(scene: HTMLElement): void {
  const scroller = scrollerOf(scene);
  if (scene.dataset.lumbitWidth === "full") spread(scene, scroller);
  const top = scroller.topOf(scene);
  const { height } = scene.getBoundingClientRect();
  const edges = { v: scroller.viewport(), before: top, after: scroller.scrollHeight() - top - height };
  // The height of a built scene is what its style says; that of existing markup is what it turned out to be.
  const held = scene.querySelector(":scope > .lumbit-adopted-held")?.getBoundingClientRect().height;
  const known = scene.classList.contains("lumbit-scene") ? edges : { ...edges, h: held ?? height };
  for (const [name, value] of Object.entries(known))
    scene.style.setProperty(`--lumbit-${name}`, `${Math.max(0, value)}px`);
  for (const pane of scene.querySelectorAll<HTMLElement>(".lumbit-adopted-pane")) {
    const box = pane.getBoundingClientRect();
    pane.style.setProperty("--lumbit-t", `${box.top - scene.getBoundingClientRect().top}px`);
    pane.style.setProperty("--lumbit-ph", `${box.height}px`);
  }
}

/** Lays a scene from edge to edge of what scrolls it, whatever container it sits in. */
function spread(scene: HTMLElement, scroller: Scroller): void {
  const container = scene.parentElement;
  if (!container) return;
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
