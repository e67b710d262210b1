import { standingDriftCss } from "./adopt.css.ts";
import { motionConditions } from "./conditions.ts";
import { fixedCss } from "./fixed.css.ts";
import { plainModelCss } from "./model.css.ts";
import { driftingCss } from "./native.css.ts";
import { driftsCss, oversCss, reachesCss, reaching } from "./reach.css.ts";

/** All that scenes need whose layers have a depth and nothing that changes along their way. */
export const plainSceneCss = `${plainModelCss}
@media ${motionConditions.media} {
  [data-lumbit-scene] { scroll-margin-top: calc(var(--lumbit-v) - var(--lumbit-settle)); }
  ${driftsCss('[data-lumbit-driver="native"] [data-lumbit-is~=drifts], [data-lumbit-is~=reach]')}
  ${oversCss("[data-lumbit-is~=reach][data-lumbit-is][data-lumbit-is]")}
  ${reachesCss(reaching)}
  ${fixedCss}
  @supports ${motionConditions.supports} {${driftingCss}${standingDriftCss}}
}
`;
