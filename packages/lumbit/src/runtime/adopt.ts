import type { Declarations } from "../markup/index.ts";
import { layerStyle, layersIn, sceneStyle } from "./attributes.ts";
import { rememberAttributes } from "./live.ts";
import { adoptModel } from "./model-sheet.ts";

/** Takes scenes from existing markup. Everything is read before anything is written. */
export function adopt(element: HTMLElement, native: boolean, undo: (() => void)[]): HTMLElement[] {
  const scenes = [
    ...(element.matches("[data-lumbit-scene]") ? [element] : []),
    ...element.querySelectorAll<HTMLElement>("[data-lumbit-scene]"),
  ];
  const styled = scenes.flatMap((scene): [HTMLElement, Declarations][] => [
    [scene, sceneStyle(scene)],
    ...layersIn(scene).map((layer): [HTMLElement, Declarations] => [layer, layerStyle(layer, native)]),
  ]);
  undo.push(adoptModel(element));
  for (const [styledElement, declarations] of styled) {
    undo.push(rememberAttributes(styledElement));
    for (const [name, value] of Object.entries(declarations))
      if (value !== undefined) styledElement.style.setProperty(name, String(value));
    if (scenes.includes(styledElement)) {
      styledElement.classList.add("lumbit-adopted");
      continue;
    }
    styledElement.classList.add("lumbit-drifts");
    if (styledElement.dataset.lumbitPane !== undefined) adoptPane(styledElement, undo);
  }
  return scenes;
}

/** Makes the box around a picture its pane. A box that was as high as the picture keeps the picture's proportions. */
function adoptPane(picture: HTMLElement, undo: (() => void)[]): void {
  const pane = picture.parentElement;
  if (!pane) return;
  undo.push(rememberAttributes(pane));
  const before = pane.getBoundingClientRect();
  pane.classList.add("lumbit-adopted-pane");
  if (getComputedStyle(pane).position === "static") pane.style.position = "relative";
  picture.classList.add("lumbit-reach");
  if (Math.abs(pane.getBoundingClientRect().height - before.height) > 0.5)
    pane.style.aspectRatio = `${before.width} / ${before.height}`;
}
