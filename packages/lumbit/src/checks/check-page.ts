import type { Viewport } from "../core/index.ts";
import type { Finding } from "./finding.ts";
import { findingsFrom, type Judged, seenAt } from "./judge.ts";
import { offers, withCopies } from "./offer.ts";

/** The screens that a page is judged on: telephones both ways, tablets, laptops, desks, a very wide one. */
export const defaultViewports: readonly Viewport[] = [
  { width: 320, height: 568 },
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 768, height: 1024 },
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
  { width: 2560, height: 1080 },
  { width: 2560, height: 1440 },
];

export interface CheckInput extends Judged {
  /** `defaultViewports` without it. */
  viewports?: readonly Viewport[];
}

/**
 * Everything that is wrong with a page, over all viewports and everything that can be scrolled: one finding for each
 * check and thing that it is about, the gravest first, with the change that mends it where there is one. What the page
 * file silences with a reason is left out.
 */
export function checkPage({ viewports = defaultViewports, ...judged }: CheckInput): Finding[] {
  const seen = viewports.map((viewport) => seenAt(judged, viewport));
  const trials = offers(judged.page, findingsFrom(judged.page, seen));
  let step = trials.next();
  while (!step.done) {
    const { page, copies } = step.value;
    const pictures = withCopies(judged.pictures ?? new Map(), copies);
    const again = viewports.map((viewport, index) =>
      seenAt({ ...judged, page, pictures }, viewport, seen[index]),
    );
    step = trials.next(findingsFrom(page, again));
  }
  return step.value;
}
