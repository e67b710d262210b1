import type { Reel } from "../core/index.ts";
import {
  type Declarations,
  keyframesCss,
  motionConditions,
  nativeAnimations,
  reelCss,
  rowCss,
  rowWay,
  scriptedAnimations,
  slideCss,
  slideWay,
  swipeMedia,
} from "../markup/index.ts";
import { layerSettings } from "../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";
import { attributesOf } from "./attribute-rules.ts";
import { readValue } from "./attribute-value.ts";
import { rememberAttributes } from "./live.ts";
import { adoptSheet } from "./sheet.ts";

/** A reel in existing markup: its only element is the row whose elements are the slides. */
export interface AdoptedReel {
  element: HTMLElement;
  row: HTMLElement;
  slides: HTMLElement[];
  settings: Reel;
}

/** The reels of a scene, read and judged. */
export function reelsIn(scene: HTMLElement): AdoptedReel[] {
  return [...scene.querySelectorAll<HTMLElement>("[data-lumbit-reel]")].map((element) => {
    const wrong = (message: string) => new AttributeError(element, "data-lumbit-reel", message);
    const own = attributesOf(element, []);
    const settings = own.get("reel") === "" ? {} : (readValue(own, "reel", layerSettings.reel.grammar) ?? {});
    if (scene.dataset.lumbitHold === undefined)
      throw wrong(
        'the reel travels while its scene holds: give the scene a data-lumbit-hold such as "200vh"',
      );
    const row = element.firstElementChild as HTMLElement | null;
    if (!row || element.childElementCount !== 1 || row.childElementCount === 0)
      throw wrong("a reel has a single element in it, the row, and the slides are in that");
    return { element, row, slides: [...row.children] as HTMLElement[], settings };
  });
}

/** Makes a row of existing markup travel while its scene holds. */
export function adoptReel(
  { element, row, slides, settings }: AdoptedReel,
  native: boolean,
  undo: (() => void)[],
) {
  for (const part of [element, row, ...slides]) undo.push(rememberAttributes(part));
  undo.push(adoptSheet(element, adoptedCss));
  element.classList.add("lumbit-reel", "lumbit-adopted-reel");
  row.classList.add("lumbit-row", "lumbit-ramped");
  if (settings.share !== undefined) element.dataset.lumbitShare = String(settings.share);
  // Where it is swiped it can be scrolled by the keyboard.
  if (!element.hasAttribute("tabindex")) element.tabIndex = 0;
  if (!element.hasAttribute("role")) element.setAttribute("role", "group");
  setStyle(element, reelCss(settings, slides.length));
  setStyle(row, { ...(native ? nativeAnimations([rowWay], []) : scriptedAnimations([rowWay])), ...rowCss });
  for (const [index, slide] of slides.entries()) {
    slide.classList.add("lumbit-slide");
    setStyle(slide, slideCss(index, slides.length));
    for (const title of slide.querySelectorAll("[data-lumbit-title]")) {
      undo.push(rememberAttributes(title));
      title.classList.add("lumbit-title");
    }
  }
}

export function setStyle(element: HTMLElement, declarations: Declarations): void {
  for (const [name, value] of Object.entries(declarations))
    if (value !== undefined) element.style.setProperty(name, String(value));
}

const adoptedCss = `.lumbit-adopted-reel { container-type: inline-size; }
@media ${swipeMedia} {
  .lumbit-adopted:has(.lumbit-adopted-reel) { --lumbit-l: 0px !important; }
  .lumbit-adopted-reel :is(.lumbit-row, .lumbit-ramped) { --lumbit-enter-x: 0px !important; --lumbit-leave-x: 0px !important; }
}
@media ${motionConditions.media} {${keyframesCss([rowWay, slideWay]).join("\n")}}`;
