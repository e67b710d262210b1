import { goesRight, type Reel } from "../../../core/index.ts";
import {
  nativeAnimations,
  reelCss,
  rowCss,
  rowWay,
  scriptedAnimations,
  slideCss,
} from "../../../markup/index.ts";
import { partAttributes } from "../../../settings/index.ts";
import type { ElementStyles } from "../../element-styles.ts";
import { mark } from "../../marks.ts";
import { attributesOf } from "../attributes.ts";
import type { Complain } from "../complaints.ts";
import { readJson } from "./json-value.ts";

/** A reel in existing markup: its only element is the row whose elements are the slides. */
export interface AdoptedReel {
  element: HTMLElement;
  row: HTMLElement;
  slides: HTMLElement[];
  settings: Reel;
}

/** The reels of a scene; those that are not made as one are told and left out. */
export function reelsIn(scene: HTMLElement, complain: Complain): AdoptedReel[] {
  return [...scene.querySelectorAll<HTMLElement>("[data-lumbit-reel]")].flatMap((element) => {
    const wrong = (said: string) => {
      complain({ element, name: "data-lumbit-reel", said });
      return [];
    };
    const settings = reelSettings(element, complain);
    if (!settings) return [];
    if (scene.dataset.lumbitHold === undefined)
      return wrong(
        'the reel travels while its scene holds: give the scene a data-lumbit-hold such as "200vh"',
      );
    const row = element.firstElementChild as HTMLElement | null;
    if (!row || element.childElementCount !== 1 || row.childElementCount === 0)
      return wrong("a reel has a single element in it, the row, and the slides are in that");
    return [{ element, row, slides: [...row.children] as HTMLElement[], settings }];
  });
}

/** What an element says of itself as a reel; nothing where that is not to be read. */
export function reelSettings(element: HTMLElement, complain: Complain): Reel | undefined {
  const own = attributesOf(element, partAttributes, complain);
  return own.get("reel") === "" ? {} : readJson(own, "reel");
}

/** Makes a row of existing markup travel while its scene holds, and gives what takes that back. */
export function adoptReel(
  { element, row, slides, settings }: AdoptedReel,
  native: boolean,
  styles: ElementStyles,
): () => void {
  const undo = [
    mark(
      element,
      "reel",
      "adopted-reel",
      ...(settings.narrow === "travel" ? ["travels"] : []),
      ...(goesRight(settings) ? ["backwards"] : []),
    ),
    mark(row, "row", "ramped"),
    ...slides.map((slide) => mark(slide, "slide")),
    ...slides.flatMap((slide) =>
      [...slide.querySelectorAll("[data-lumbit-title]")].map((title) => mark(title, "title")),
    ),
    ...Object.entries({
      "data-lumbit-share": settings.share,
      role: "group",
      "aria-label": element
        .closest("[data-lumbit-scene]")
        ?.querySelector("h1, h2, h3, h4, h5, h6")
        ?.textContent?.trim(),
    }).map(([name, value]) => addAttribute(element, name, value)),
  ];
  // A reel is as high as the page made it, or else as what is in it.
  const animations = native ? nativeAnimations([rowWay], []) : scriptedAnimations([rowWay]);
  styles.set(element, "reel", reelCss(settings, slides.length));
  styles.set(row, "reel", { ...animations, ...rowCss(settings) });
  for (const [index, slide] of slides.entries())
    styles.set(slide, "reel", slideCss(index, slides.length, settings));
  return () => {
    for (const step of undo) step();
    for (const part of [element, row, ...slides]) styles.forget(part);
  };
}

/** Gives an element an attribute that it does not have, and gives what takes it back. */
function addAttribute(element: HTMLElement, name: string, value: string | number | undefined): () => void {
  if (value === undefined || element.hasAttribute(name)) return () => {};
  element.setAttribute(name, String(value));
  return () => element.removeAttribute(name);
}
