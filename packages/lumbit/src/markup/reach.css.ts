import { backdropHeight, edge, overscan, paneRange, reach, swing } from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import { travelMedia } from "./conditions.ts";
import { along, factor } from "./drift.ts";
import { passage, scene, settle, zero } from "./passage.css.ts";
import { variable } from "./properties.ts";

const drift = { x: variable("kx"), y: variable("ky") };
const driftCss = along(variable("k"));

const pane = { top: variable("t"), height: variable("ph") };
const reachable = { ...passage, lo: variable("from", passage.lo.text), hi: variable("to", passage.hi.text) };
const range = paneRange(css, reachable, pane);
const over = overscan(css, {
  ...{ drift, settle, passage, pane },
  range: { first: variable("plo"), last: variable("phi") },
});
/** What rules put into a pane and take out of it reaches past it only there. */
const ifPaned = (length: Expression) => print(css.multiply(variable("paned"), length));
const overscanned = {
  top: variable("over-top"),
  right: variable("over-right"),
  bottom: variable("over-bottom"),
  left: variable("over-left"),
};
export const reachedBox = reach(
  css,
  { left: zero, top: zero, width: value("100%"), height: pane.height },
  overscanned,
  variable("swing"),
);
/** A slide is a scene on its side, and so is what is in its panes. */
const reachedAcross = reach(
  css,
  { left: zero, top: zero, width: pane.height, height: value("100%") },
  { top: zero, bottom: zero, left: overscanned.top, right: overscanned.bottom },
  variable("swing"),
);

/** More than any rule of a layer's own. */
export const reaching = "[data-lumbit-is~=reach][data-lumbit-is~=reach][data-lumbit-is~=reach]";

export const driftsCss = (selector: string) => `${selector} {
  --lumbit-k: ${print(factor)};
  --lumbit-kx: ${print(driftCss.x)};
  --lumbit-ky: ${print(driftCss.y)};
}`;

export const oversCss = (selector: string) => `${selector} {
  --lumbit-plo: ${print(range.first)};
  --lumbit-phi: ${print(css.max(variable("plo"), range.last))};
  --lumbit-over-top: ${ifPaned(over.top)};
  --lumbit-over-bottom: ${ifPaned(over.bottom)};
  --lumbit-over-left: ${ifPaned(over.left)};
  --lumbit-over-right: ${ifPaned(over.right)};
  --lumbit-swing: ${ifPaned(css.add(swing(css, variable("k"), variable("sway", "0px")), css.px(edge)))};
}`;

export const reachesCss = (selector: string) => `${selector} {
  left: ${print(reachedBox.left)};
  top: ${print(reachedBox.top)};
  width: ${print(reachedBox.width)};
  height: ${print(reachedBox.height)};
}`;

/** Of reels that travel; `live` ones have a script that tells which slide is in view. */
const travelling = (reel: string) => `
  ${reel} { overflow: clip; }
  ${reel} [data-lumbit-is~=slide] ${reaching} {
    left: ${print(reachedAcross.left)};
    top: ${print(reachedAcross.top)};
    width: ${print(reachedAcross.width)};
    height: ${print(reachedAcross.height)};
  }
  ${reel}[data-lumbit-is~=live] [data-lumbit-is~=title] { transition: opacity 0.5s, transform 0.5s; }
  ${reel}[data-lumbit-is~=live] [data-lumbit-is~=slide]:not([data-lumbit-shown]) [data-lumbit-is~=title] { opacity: 0; transform: translateY(0.5em); }
`;

/** What a scene and its pictures in panes need to move, whoever moves them: the hold and the overscan. */
export const reachCss = `
[data-lumbit-is~=track] > [data-lumbit-is~=held] { position: sticky; top: 0; }
[data-lumbit-is~=track]::after { content: ""; display: block; height: var(--lumbit-l); }
[data-lumbit-is~=pane][data-lumbit-is~=pane]:has(> [data-lumbit-is~=group]) { overflow: var(--lumbit-clip, clip); }
/* Links to a scene bring it to its settle moment; to one of existing markup where it asks for that. */
[data-lumbit-scene]:is(:not([data-lumbit-is~=adopted]), [data-lumbit-settle], [data-lumbit-jump]) { scroll-margin-top: calc(var(--lumbit-v) - var(--lumbit-settle)); }
[data-lumbit-scene][data-lumbit-is~=flows] { scroll-margin-top: 0; }
${driftsCss('[data-lumbit-driver="native"] [data-lumbit-is~=drifts], [data-lumbit-is~=reach], [data-lumbit-is~=ground], [data-lumbit-is~=paned]')}
${oversCss("[data-lumbit-is~=reach][data-lumbit-is][data-lumbit-is], [data-lumbit-is~=paned][data-lumbit-is][data-lumbit-is]")}
${reachesCss(reaching)}
/* What is in a group moves with it, and needs no overscan of its own; nor does what is in a slide that is swiped. */
:is([data-lumbit-is~=group], [data-lumbit-is~=slide]) ${reaching} { left: 0; top: 0; width: 100%; height: 100%; }
@media ${travelMedia} {${travelling("[data-lumbit-is~=reel]")}}
${travelling("[data-lumbit-is~=reel][data-lumbit-is~=travels]")}
/* Slides away from the view are skipped where the engine wakes them in time; Firefox leaves what moves in them behind. */
@supports (app-region: drag) {
  @media ${travelMedia} { [data-lumbit-is~=live] [data-lumbit-is~=slide]:not([data-lumbit-near]) { content-visibility: auto; } }
}
[data-lumbit-backdrop] { height: ${print(backdropHeight(css, variable("speed", 1), scene.viewport, value("100cqh")))}; }
`;
