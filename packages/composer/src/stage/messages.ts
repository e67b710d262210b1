import type { Patch } from "immer";
import type { Assets } from "lumbit";
import type { Page } from "lumbit/core";

/** Where the reader is: how much of a scene's passage is over, so that screens of any size show the same moment. */
export interface Moment {
  scene: string;
  share: number;
}

/** What a stage is told. */
export type ToStage =
  | { kind: "show"; page: Page; assets: Assets }
  | { kind: "patch"; patches: readonly Patch[] }
  | { kind: "scroll"; to: Moment };

/** What a stage tells. */
export type FromStage = { kind: "scrolled"; to: Moment } | { kind: "shown" };
