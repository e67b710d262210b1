import { between, crop, standingDriftCss } from "./adopt.css.ts";
import { motionConditions } from "./conditions.ts";
import { passageCss, screenCss } from "./model.css.ts";
import { driftingCss } from "./native.css.ts";
import { driftsCss, oversCss } from "./reach.css.ts";

const paned = "[data-lumbit-is~=paned]";

/** All that existing markup needs whose layers have a depth and nothing that changes along their way. */
export const plainCss = `${screenCss}
[data-lumbit-scene] {${passageCss}
}
[data-lumbit-is~=track] { height: auto; }
[data-lumbit-is~=adopted] { overflow-x: clip; }
${paned} { --lumbit-paned: 1; }
@media ${motionConditions.media} {
  [data-lumbit-is~=track]::after { content: ""; display: block; height: var(--lumbit-l); }
  [data-lumbit-scene]:is([data-lumbit-settle], [data-lumbit-jump]) { scroll-margin-top: calc(var(--lumbit-v) - var(--lumbit-settle)); }
  ${driftsCss(`[data-lumbit-driver="native"] [data-lumbit-is~=drifts], ${paned}`)}
  ${oversCss(`${paned}[data-lumbit-is][data-lumbit-is]`)}
  ${paned} { scale: var(--lumbit-cover); }
  ${standingDriftCss}
  @keyframes lumbit-crop ${between(crop)}
  @supports ${motionConditions.supports} {${driftingCss}}
}
`;
