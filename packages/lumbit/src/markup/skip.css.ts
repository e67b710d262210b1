import { orderSteps } from "../core/index.ts";

/**
 * Skips stages far from the view, for pages of many layers: browsers advance the animations of all of them in each
 * frame. Only where the engine wakes a skipped box a screen and a half early, as Chromium does (a property of its own
 * tells it from the others, which wake it when it already shows). It does so only where nothing around a stage clips
 * its height, so here the stages clip, a pixel later than their scenes would, since they do not snap to whole pixels
 * as these do. A jump over more than that shows the new scenes one frame late. A skipped stage is stacked as one: not
 * where a rule carries a layer across the content.
 */
export const skipCss = `
@supports (app-region: drag) {
  [data-lumbit-is~=scene], [data-lumbit-is~=held] { overflow-y: visible; }
  [data-lumbit-is~=stage] { overflow: clip; overflow-clip-margin: 1px; }
  :not([data-lumbit-is~=crossed]) > [data-lumbit-is~=stage] { content-visibility: auto; }
  :not([data-lumbit-is~=crossed]) > [data-lumbit-is~=content] ~ [data-lumbit-is~=stage] { z-index: ${orderSteps}; }
}
`;
