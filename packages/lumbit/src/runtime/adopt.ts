import { boxedPieces, splitText } from "../core/pieces.ts";
import { type Declarations, motionConditions } from "../markup/index.ts";
import { adoptReel, reelsIn, setStyle } from "./adopt-reel.ts";
import { AttributeError } from "./attribute-error.ts";
import { type LayerStyle, layerStyle, layersIn, sceneStyle } from "./attributes.ts";
import { readCue } from "./cues.ts";
import { rememberAttributes } from "./live.ts";
import { adoptModel } from "./model-sheet.ts";
import { textNodes } from "./pieces.ts";
import { adoptSheet } from "./sheet.ts";

/** Takes scenes from existing markup. Everything is read before anything is written. */
export function adopt(element: HTMLElement, native: boolean, undo: (() => void)[]): HTMLElement[] {
  const scenes = [
    ...(element.matches("[data-lumbit-scene]") ? [element] : []),
    ...element.querySelectorAll<HTMLElement>("[data-lumbit-scene]"),
  ];
  const keyframes = new Set<string>();
  const reels = scenes.flatMap(reelsIn);
  const styled = scenes.flatMap((scene): [HTMLElement, Declarations, LayerStyle["pieces"]?][] => [
    [scene, sceneStyle(scene)],
    ...layersIn(scene).map((layer): [HTMLElement, Declarations, LayerStyle["pieces"]?] => {
      const style = layerStyle(layer, native);
      for (const text of style.keyframes) keyframes.add(text);
      return [layer, style.declarations, style.pieces];
    }),
  ]);
  for (const cued of element.querySelectorAll<HTMLElement>("[data-lumbit-cue]")) readCue(cued);
  for (const scene of scenes)
    if (scene.dataset.lumbitHold !== undefined && scene.childElementCount !== 1)
      throw new AttributeError(
        scene,
        "data-lumbit-hold",
        scene.dataset.lumbitHold,
        "allowed here: a scene that holds has a single element in it, the box that stays on the screen",
      );
  undo.push(adoptModel(element));
  if (keyframes.size > 0)
    undo.push(adoptSheet(element, `@media ${motionConditions.media} {${[...keyframes].join("\n")}}`));
  for (const [styledElement, declarations, pieces] of styled) {
    undo.push(rememberAttributes(styledElement));
    setStyle(styledElement, declarations);
    if (scenes.includes(styledElement)) {
      styledElement.classList.add("lumbit-adopted");
      if (styledElement.dataset.lumbitHold !== undefined) adoptHold(styledElement, undo);
      continue;
    }
    // What is in a group that tilts, or in a slide, moves with it.
    const inGroup = styledElement.parentElement?.closest("[data-lumbit-tilt], [data-lumbit-reel]");
    styledElement.classList.add(inGroup ? "lumbit-ramped" : "lumbit-drifts");
    if (pieces) adoptPieces(styledElement, pieces, undo);
    if (styledElement.dataset.lumbitPane !== undefined) adoptPane(styledElement, undo);
  }
  for (const reel of reels) adoptReel(reel, native, undo);
  return scenes;
}

/** Makes the only element of a scene what stays on the screen while the scene holds. */
function adoptHold(scene: HTMLElement, undo: (() => void)[]): void {
  const held = scene.firstElementChild as HTMLElement;
  undo.push(rememberAttributes(held));
  scene.classList.add("lumbit-track");
  held.classList.add("lumbit-adopted-held");
  // Whatever the page's own style makes of the box; without a hold it comes to the same as staying in place.
  held.style.setProperty("position", "sticky", "important");
  held.style.setProperty("top", "0px", "important");
}

/** Puts the pieces of a text into plain inline boxes, each with its style. */
function adoptPieces(
  text: HTMLElement,
  { kind, style }: NonNullable<LayerStyle["pieces"]>,
  undo: (() => void)[],
): void {
  const before = [...text.childNodes];
  const copies = before.map((node) => node.cloneNode(true));
  text.replaceChildren(...copies);
  undo.push(() => text.replaceChildren(...before));
  const boxes: HTMLElement[] = [];
  for (const node of textNodes(text))
    node.replaceWith(
      ...splitText(node.data, boxedPieces(kind)).map((part) => {
        if (!part.isPiece) return part.text;
        const box = text.ownerDocument.createElement("span");
        box.className = "lumbit-piece lumbit-ramped";
        box.textContent = part.text;
        boxes.push(box);
        return box;
      }),
    );
  if (kind === "lines") text.classList.add("lumbit-lines");
  for (const [index, box] of boxes.entries())
    setStyle(box, { ...style, "--lumbit-late": boxes.length > 1 ? index / (boxes.length - 1) : 0 });
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
