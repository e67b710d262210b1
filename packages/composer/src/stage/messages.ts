import type { Patch } from "immer";
import type { Assets } from "lumbit";
import type { Page, PageLayout } from "lumbit/core";
import type { Screen } from "../desk/screens.ts";
import type { Blobs } from "../home/home.ts";

/** Where the reader is: how much of a scene's passage is over, so that screens of any size show the same moment. */
export interface Moment {
  scene: string;
  share: number;
}

/** Where a page is begun: in the middle of its first scene with layers. */
export function firstMoment({ scenes }: Page): Moment {
  const first = scenes.find(({ layers }) => layers.length > 0) ?? scenes[0];
  return { scene: first?.name ?? "", share: 0.5 };
}

/** A page as it stands on a stage. */
export interface Stands {
  layout: PageLayout;
  scroll: number;
  /** How many changes of the page it has been told of. */
  changes: number;
}

/** What a stage is told. */
export type ToStage =
  | { kind: "show"; page: Page; assets: Assets; blobs: Blobs; as: Screen["as"]; at: Moment; changes: number }
  | { kind: "patch"; patches: readonly Patch[]; changes: number }
  | { kind: "scroll"; to: Moment }
  | { kind: "scrollBy"; y: number };

/** What a stage tells: where it was scrolled to by hand, and how the page stands on it. */
export type FromStage =
  | { kind: "scrolled"; to: Moment }
  | { kind: "shown" }
  | { kind: "at"; scroll: number }
  | ({ kind: "stands" } & Stands);
