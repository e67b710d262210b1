import type { Pieces } from "../core/index.ts";
import { boxedPieces, textParts } from "../core/pieces.ts";
import { type Declarations, motionConditions } from "../markup/index.ts";
import { type AdoptedReel, adoptReel, reelsIn, setStyle } from "./adopt-reel.ts";
import { AttributeError } from "./attribute-error.ts";
import { type AttributeRule, type Attributes, attributesOf, holding, rulesOf } from "./attribute-rules.ts";
import { readCues } from "./attribute-value.ts";
import { type LayerStyle, layerStyle, layersIn, sceneStyle } from "./attributes.ts";
import { rememberAttributes } from "./live.ts";
import { adoptModel } from "./model-sheet.ts";
import { textNodes } from "./pieces.ts";
import { adoptSheet } from "./sheet.ts";

/** Scenes that were taken from existing markup. */
export interface Adopted {
  scenes: HTMLElement[];
  /** Brings their style up to date where other rules hold than before. */
  restyle(): void;
}

/** An element that gets a style from its attributes, under the rules that hold. */
interface Styled {
  element: HTMLElement;
  read(attributes: Attributes): LayerStyle;
  rules: AttributeRule[];
  pieces: HTMLElement[];
}

/** Existing markup that was read and judged. */
export interface Markup {
  element: HTMLElement;
  native: boolean;
  scenes: HTMLElement[];
  reels: AdoptedReel[];
  /** Every scene and layer with its style, by itself and under each of its rules. */
  states: ReadonlyMap<Styled, LayerStyle[]>;
}

/**
 * Reads the scenes of existing markup. Nothing is changed.
 *
 * @throws AttributeError when an attribute has a wrong value
 */
export function readMarkup(element: HTMLElement, native: boolean): Markup {
  const scenes = [
    ...(element.matches("[data-lumbit-scene]") ? [element] : []),
    ...element.querySelectorAll<HTMLElement>("[data-lumbit-scene]"),
  ];
  const ofScene = (attributes: Attributes) => ({ declarations: sceneStyle(attributes), keyframes: [] });
  const ofLayer = (attributes: Attributes) => layerStyle(attributes, native);
  const reels = scenes.flatMap(reelsIn);
  const styled = scenes.flatMap((scene): Styled[] =>
    [scene, ...layersIn(scene)].map((own) => ({
      element: own,
      read: own === scene ? ofScene : ofLayer,
      rules: rulesOf(own),
      pieces: [],
    })),
  );
  const states = new Map(
    styled.map((entry) => {
      const { element, read, rules } = entry;
      return [entry, [[], ...rules.map((rule) => [rule])].map((own) => read(attributesOf(element, own)))];
    }),
  );
  for (const cued of element.querySelectorAll<HTMLElement>("[data-lumbit-cue]"))
    readCues(attributesOf(cued, []));
  for (const scene of scenes)
    if (scene.dataset.lumbitHold !== undefined && scene.childElementCount !== 1)
      throw new AttributeError(
        scene,
        "data-lumbit-hold",
        "a scene that holds has a single element in it, the box that stays on the screen",
      );
  return { element, native, scenes, reels, states };
}

/** What takes scenes from markup that was read. */
export const adopter = (markup: Markup) => (undo: (() => void)[]) => adopt(markup, undo);

function adopt({ element, native, scenes, reels, states }: Markup, undo: (() => void)[]): Adopted {
  undo.push(adoptModel(element));
  const keyframes = new Set([...states.values()].flat().flatMap((style) => style.keyframes));
  if (keyframes.size > 0)
    undo.push(adoptSheet(element, `@media ${motionConditions.media} {${[...keyframes].join("\n")}}`));
  for (const [entry, ownStates] of states) {
    const { element: own } = entry;
    undo.push(rememberAttributes(own));
    if (scenes.includes(own)) {
      own.classList.add("lumbit-adopted");
      if (own.dataset.lumbitHold !== undefined) adoptHold(own, undo);
      continue;
    }
    // What is in a group that tilts, or in a slide, moves with it.
    const inGroup = own.parentElement?.closest("[data-lumbit-tilt], [data-lumbit-reel]");
    own.classList.add(inGroup ? "lumbit-ramped" : "lumbit-drifts");
    const kind = ownStates.find(({ pieces }) => pieces)?.pieces?.kind;
    if (kind) entry.pieces = adoptPieces(own, kind, undo);
    if (own.parentElement && ownStates.some(({ paned }) => paned))
      undo.push(rememberAttributes(own.parentElement));
  }
  const stylers = [...states.keys()].map(styler);
  const restyle = () => {
    for (const style of stylers) style();
  };
  restyle();
  for (const reel of reels) adoptReel(reel, native, undo);
  return { scenes, restyle };
}

/** What writes the style of an element, and of its pieces, and takes back what it wrote before. */
function styler({ element, read, rules, pieces }: Styled): () => void {
  let written: LayerStyle | undefined;
  let takePane: (() => void) | undefined;
  return () => {
    if (written && rules.length === 0) return;
    const style = read(attributesOf(element, holding(rules)));
    if (style.paned) takePane ??= givePane(element);
    else {
      takePane?.();
      takePane = undefined;
    }
    changeStyle(element, written?.declarations, style.declarations);
    for (const piece of pieces) changeStyle(piece, written?.pieces?.style, style.pieces?.style);
    written = style;
  };
}

function changeStyle(element: HTMLElement, before: Declarations = {}, after: Declarations = {}): void {
  for (const name of Object.keys(before)) if (after[name] === undefined) element.style.removeProperty(name);
  setStyle(element, after);
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

/** Puts the pieces of a text into plain inline boxes. */
function adoptPieces(text: HTMLElement, kind: Pieces, undo: (() => void)[]): HTMLElement[] {
  const before = [...text.childNodes];
  const copies = before.map((node) => node.cloneNode(true));
  text.replaceChildren(...copies);
  undo.push(() => text.replaceChildren(...before));
  const boxes: HTMLElement[] = [];
  for (const node of textNodes(text))
    node.replaceWith(
      ...textParts(node.data, boxedPieces(kind)).map((part) => {
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
    setStyle(box, { "--lumbit-late": boxes.length > 1 ? index / (boxes.length - 1) : 0 });
  return boxes;
}

/**
 * Makes the box around a picture its pane, and gives what makes it a plain box again. A box that was as high as the
 * picture keeps the picture's proportions.
 */
function givePane(picture: HTMLElement): (() => void) | undefined {
  const pane = picture.parentElement;
  if (!pane) return undefined;
  const { position, aspectRatio } = pane.style;
  const before = pane.getBoundingClientRect();
  pane.classList.add("lumbit-adopted-pane");
  if (getComputedStyle(pane).position === "static") pane.style.position = "relative";
  picture.classList.add("lumbit-reach");
  if (Math.abs(pane.getBoundingClientRect().height - before.height) > 0.5)
    pane.style.aspectRatio = `${before.width} / ${before.height}`;
  return () => {
    pane.classList.remove("lumbit-adopted-pane");
    picture.classList.remove("lumbit-reach");
    Object.assign(pane.style, { position, aspectRatio });
  };
}
