import { matchesMedia } from "./media.ts";
import type { Page } from "./page.ts";
import { applyRulesWhere } from "./rules.ts";
import type { Viewport } from "./units.ts";

/** A page with the rules that hold at a viewport applied to it: the page as that viewport has it. */
export const applyRules = (page: Page, viewport: Viewport): Page =>
  applyRulesWhere(page, (media) => matchesMedia(media, viewport) === true);
