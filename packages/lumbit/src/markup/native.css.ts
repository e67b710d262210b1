import { backdropOffset, displacement, pushed } from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import { passage, scene, settle, zero } from "./passage.css.ts";
import { variable } from "./properties.ts";
import { driftRange, ownRange, ownReach, ownTimeline } from "./timelines.css.ts";

/** Between keyframes a scale would grow evenly; as a distance from the camera it grows as in the core. */
function nearing(p: Expression): string {
  const push = css.multiply(variable("push", 0), css.subtract(css.number(1), variable("paned")));
  const { distance, nearer } = pushed(
    css,
    { push, speed: variable("speed", 1), length: passage.length, settle },
    p,
  );
  return `perspective(${print(distance)}) translateZ(${print(nearer)})`;
}

/**
 * What moves layers without script by their drift alone. Keyframes are resolved again in every frame, so what they name is
 * registered and computed beforehand.
 */
export const driftingCss = `
/* Without an inset the page's scroll-padding, meant for sticky headers, would shift the timeline. */
[data-lumbit-driver="native"] { view-timeline: --lumbit-scene block; view-timeline-inset: 0px; }
[data-lumbit-driver="native"] [data-lumbit-is~=drifts] {
  --lumbit-enter-x: ${print(displacement(css, variable("kx"), zero, settle))};
  --lumbit-enter-y: ${print(displacement(css, variable("ky"), zero, settle))};
  --lumbit-leave-x: ${print(displacement(css, variable("kx"), passage.length, settle))};
  --lumbit-leave-y: ${print(displacement(css, variable("ky"), passage.length, settle))};
  animation: lumbit-drift linear both;
  animation-duration: auto;
  animation-timeline: --lumbit-scene;
  animation-range: ${driftRange};
}
`;

/** What moves a page without script. */
export const nativeCss = `${driftingCss}
/* A layer that settles by its own passage goes from far before that moment to as far behind it. */
[data-lumbit-driver="native"] [data-lumbit-is~=drifts][data-lumbit-is~=follows] {
  --lumbit-enter-x: ${print(displacement(css, variable("kx"), zero, ownReach))};
  --lumbit-enter-y: ${print(displacement(css, variable("ky"), zero, ownReach))};
  --lumbit-leave-x: ${print(displacement(css, variable("kx"), ownReach, zero))};
  --lumbit-leave-y: ${print(displacement(css, variable("ky"), ownReach, zero))};
  animation-timeline: ${ownTimeline};
  animation-range: ${ownRange};
}
@keyframes lumbit-drift {
  from { translate: var(--lumbit-enter-x) var(--lumbit-enter-y); }
  to { translate: var(--lumbit-leave-x) var(--lumbit-leave-y); }
}
@keyframes lumbit-push {
  from { transform: ${nearing(zero)}; }
  to { transform: ${nearing(passage.length)}; }
}
[data-lumbit-backdrop="native"] {
  animation: lumbit-backdrop linear both;
  animation-duration: auto;
  animation-timeline: scroll();
}
@keyframes lumbit-backdrop {
  to { translate: 0 ${print(backdropOffset(css, variable("speed", 1), css.subtract(value("100cqh"), scene.viewport)))}; }
}
`;
