import type { Assets } from "lumbit";
import type { Page } from "lumbit/core";
import type { Fault } from "lumbit/document";
import type { Screen } from "../desk/screens.ts";
import type { Judged } from "../findings/judged.ts";
import type { StepName } from "../hints/hints.ts";
import type { Blobs, Kept } from "../home/home.ts";
import type { Moment, Stands } from "../stage/messages.ts";
import type { History } from "./history.ts";

/** How a page is on its way to where it is kept. */
export type Saving = "saved" | "saving" | "unreachable" | { problem: string };

/** The page under work, and how somebody looks at it. */
export interface State {
  name: string;
  /** The page on the stages: the last one without faults. */
  page: Page;
  assets: Assets;
  /** Files that a stage cannot reach by their addresses, by their paths. */
  blobs: Blobs;
  /** The page file. */
  text: string;
  faults: readonly Fault[];
  /** What is wrong with the text that is being typed. */
  typed: readonly Fault[];
  history: History;
  saving: Saving;
  /** What is wrong with files that the page names. */
  missing: readonly string[];
  /** What the person is to know, until they have read it. */
  notice?: string | undefined;
  /** Whether a hand is on something: what is shown is not in the text yet. */
  dragging: boolean;
  /** Another program's version, where it and this one have both changed. */
  other?: Kept | undefined;
  scene: string;
  /** A text of the scene whose words are being written on the large stage. */
  writing?: string | undefined;
  /** The layers of the scene that are selected, the last one last. */
  selected: readonly string[];
  moment: Moment;
  /** The first steps that somebody has done here. */
  done: readonly StepName[];
  /** The screens that the page is shown on, the large one first. */
  screens: readonly Screen[];
  /** What was found wrong with the page, once it has been judged. */
  judged?: Judged | undefined;
  /** What stands beside the stages: what is selected, what is wrong, or the page file. */
  beside: "caption" | "findings" | "text";
  /** How the page stands on the large stage, once it has told. */
  stands?: Stands | undefined;
}
