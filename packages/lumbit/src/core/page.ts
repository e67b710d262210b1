import type { CheckSetting } from "./check-rule.ts";
import type { Depth, Motion } from "./depth.ts";
import type { Camera } from "./drift.ts";
import type { Rule } from "./rules.ts";
import type { Scene } from "./scene.ts";
import type { Length } from "./units.ts";

/** A font file shipped with the page, in the descriptors of `@font-face`. */
export interface FontFace {
  family: string;
  src: string;
  /** One weight, or the range of a variable font: `"100 900"`. */
  weight?: string;
  style?: "normal" | "italic";
}

/** A picture behind all scenes of the page. */
export type Backdrop = Motion & { image: string; alt: string; subject?: readonly [x: number, y: number] };

/** What the whole page looks like. */
export interface PageLook {
  background?: string;
  color?: string;
  fontFamily?: string;
  /** The width of the column for content and column scenes; `"720px"` by default. */
  column?: Length;
  /** Least space on both sides of the column; `"1.25rem"` by default. */
  margin?: Length;
  /** Space between blocks of content; `"1rem"` by default. */
  gap?: Length;
  relief?: number;
  camera?: Camera;
  /** How pale layers behind the surface become: what is lost of the opacity of one infinitely far, 0..1. */
  haze?: number;
  /** The depth that is sharp, and the blur radius of a layer infinitely farther. */
  focus?: { depth: Depth; blur: Length };
  backdrop?: Backdrop;
  rules?: readonly Rule<{ relief?: number; camera?: Camera }>[];
}

/**
 * The page as plain data: the shape of the page file, of what `mount` takes and of what the static output is made from.
 * Its unions are written so that a contradiction (both depth and speed; left, right and width) does not compile.
 */
export interface Page {
  format: "lumbit/1";
  title: string;
  lang: string;
  page?: PageLook;
  fonts?: readonly FontFace[];
  scenes: readonly Scene[];
  checks?: readonly CheckSetting[];
}
