import { adoptCss } from "../../../markup/index.ts";
import { layerAttributes, sceneAttributes } from "../../../settings/index.ts";
import type { ElementStyles } from "../../element-styles.ts";
import { movingModel } from "../../model-sheets.ts";
import { adoptSheets } from "../../sheet.ts";
import type { Complain } from "../complaints.ts";
import { AdoptedParts } from "./adopted-parts.ts";
import { layerStyle, lookOf, wholeSceneStyle } from "./layer-style.ts";
import { rulesOf } from "./rules.ts";
import { complaints } from "./words.ts";

/** What some markup needs besides layers that have a depth and nothing that changes along their way. */
export const more = {
  rows: { scene: sceneAttributes, layer: layerAttributes },
  rulesOf,
  layerStyle,
  lookOf,
  sceneStyle: wholeSceneStyle,
  complaints,
  /** Whether the camera nears a scene, by itself or under one of its rules. */
  isPushed: (scene: HTMLElement) =>
    scene.dataset.lumbitPush !== undefined || /"push"/.test(scene.dataset.lumbitRules ?? ""),
  /** Gives the tree of an element the style of all that markup may have, and gives what takes it back. */
  adoptStyle: (element: Element): (() => void) => adoptSheets(element, ...movingModel, adoptCss),
  partsIn: (element: HTMLElement, styles: ElementStyles, complain: Complain) =>
    new AdoptedParts(element, styles, complain),
};

export type More = typeof more;
