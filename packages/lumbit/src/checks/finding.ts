import type { CheckRule, Viewport } from "../core/index.ts";

/** How much a finding matters: what readers see at once, what some of them notice, what is worth knowing. */
export type Severity = "error" | "warning" | "note";

/** One change of a document, as in a JSON Patch (RFC 6902). */
export type Change = { op: "add" | "replace"; path: string; value: unknown } | { op: "remove"; path: string };

/** Where on a page something was seen: at a viewport, from one scroll position to another, in px. */
export interface Span {
  viewport: string;
  from: number;
  to: number;
}

/** A smaller copy of a picture: its files, and its size in px. */
export interface PictureCopy {
  from: string;
  to: string;
  width: number;
  height: number;
}

/** One thing that is wrong with a page. */
export interface Finding {
  rule: CheckRule;
  severity: Severity;
  scene?: string;
  layer?: string;
  /** A JSON Pointer (RFC 6901) to what it is about. */
  path: string;
  /** Where it holds, by viewport. */
  places: Span[];
  /** The figure, in words, where it is worst. */
  measured: string;
  /** Why it matters, in one sentence. */
  why: string;
  /** What mends it; nothing where that takes another picture, other words or another composition. */
  change?: Change[];
  /** Pictures that the change names and that are to be made for it. */
  copies?: PictureCopy[];
  /** The change takes away what the designer decided: nothing takes it unasked. */
  decided?: true;
}

/** What a rule sees at one viewport. */
export interface Sighting
  extends Pick<Finding, "scene" | "layer" | "path" | "measured" | "change" | "copies" | "decided"> {
  /** The scroll positions between which it holds, in px. */
  from: number;
  to: number;
  /** How bad it is here: the measure and the change are those of the worst viewport. */
  amount: number;
  /** The change, or the whole finding, is right only if the same is seen on every screen. */
  everywhere?: "change" | "finding";
}

/** What can be found, how much each matters and why. */
export const rules = {
  order: {
    severity: "warning",
    why: "What is farther away moves less; seen otherwise, or too alike, the layers fall into one plane.",
  },
  edge: {
    severity: "error",
    why: "A shape that is cut off in the middle of the view shows that it is a flat picture.",
  },
  sharpness: {
    severity: "warning",
    why: "A picture with fewer pixels than its place on the screen looks soft.",
  },
  subject: {
    severity: "warning",
    why: "The part of the picture that matters is out of its frame while the scene is being read.",
  },
  contrast: {
    severity: "error",
    why: "Text with less contrast than WCAG 2.2 asks for cannot be read by many (success criterion 1.4.3).",
  },
  reading: {
    severity: "warning",
    why: "A text that leaves before it can be read might as well not be there.",
  },
  faint: {
    severity: "note",
    why: "Movement below what is noticed costs something and shows nothing.",
  },
  strong: {
    severity: "warning",
    why: "Large movement against the page makes readers lose their place, and some of them ill.",
  },
  room: {
    severity: "warning",
    why: "Without room to scroll nothing moves, so no depth is seen.",
  },
  unseen: {
    severity: "warning",
    why: "A layer that never comes into view is loaded for nothing.",
  },
  alt: {
    severity: "error",
    why: "A file name read aloud tells nobody what a picture shows.",
  },
  headings: {
    severity: "warning",
    why: "Readers who listen find their way by headings, one h1 and no level left out.",
  },
  links: {
    severity: "warning",
    why: "Links are read out of their context: each has to say where it leads.",
  },
  wasted: {
    severity: "note",
    why: "Pixels that no screen shows are loaded for nothing.",
  },
  opposed: {
    severity: "warning",
    why: "Large areas that move against each other make some readers dizzy.",
  },
  blur: {
    severity: "warning",
    why: "A wide blur of a large area is drawn anew in every frame, and scrolling stutters.",
  },
  overflow: {
    severity: "error",
    why: "Words past the side of the screen cannot be read: nothing scrolls sideways.",
  },
  empty: {
    severity: "warning",
    why: "A reader who scrolls through nothing takes the page to have ended.",
  },
  flashing: {
    severity: "error",
    why: "More than three flashes in a second can cause seizures (WCAG 2.2, success criterion 2.3.1).",
  },
  overlap: {
    severity: "warning",
    why: "Letters on letters cannot be read, and who asks for less motion or prints gets both texts at once.",
  },
  still: {
    severity: "warning",
    why: "Who asks for less motion, prints or has no script sees the scene as it was placed, and this not at all.",
  },
  split: {
    severity: "warning",
    why: "Letters apart are read aloud one by one, and nobody finds the word.",
  },
  weight: {
    severity: "warning",
    why: "Heavy pages come late, and pictures that do not fit into memory make scrolling stutter.",
  },
} as const satisfies Record<CheckRule, { severity: Severity; why: string }>;

/** How a viewport is called: its size, and its pointing device where it says one. */
export const viewportName = ({ width, height, pointer }: Viewport): string =>
  `${width}x${height}${pointer ? `:${pointer}` : ""}`;
