import { edge, groundReach, steep, swing } from "../core/index.ts";
import { css, print } from "./arithmetic.ts";
import { passage, settle } from "./passage.css.ts";
import { variable } from "./properties.ts";

/*
 * Groups and rows in panes. What is in them moves with them, so that they reach past a pane only where they move in it: what
 * stands still has no --lumbit-k.
 */

const k = variable("k", 0);
const reach = groundReach(css, {
  drift: { x: variable("kx", 0), y: variable("ky", 0) },
  settle,
  lo: variable("from", passage.lo.text),
  hi: variable("to", passage.hi.text),
});
const swung = css.add(swing(css, k, variable("sway", "0px")), css.px(edge));
const [across, down] = [reach.x, reach.y].map((length) =>
  print(css.multiply(variable("paned"), css.add(length, swung))),
);

export const groundCss = `
[data-lumbit-is~=group]:is([data-lumbit-is~=reach], [data-lumbit-is~=ground]) { --lumbit-paned: clamp(0, ${print(swing(css, k, css.number(steep)))}, var(--lumbit-clipped, 1)); }
[data-lumbit-is~=pane]:has(> [data-lumbit-is~=arranged]) { container-type: normal; }
[data-lumbit-is~=pane] > [data-lumbit-is~=arranged] { position: relative; width: auto; height: auto; min-height: 100%; box-sizing: border-box; }
/* Its padding takes back what its margin gives, so that what is in a row stands in its pane, and its pane is as large as that. */
[data-lumbit-is~=ground][data-lumbit-is][data-lumbit-is] {
  --lumbit-across: ${across};
  --lumbit-down: ${down};
  margin: calc(0px - var(--lumbit-down)) calc(0px - var(--lumbit-across));
  padding: calc(var(--lumbit-padding, 0px) + var(--lumbit-down)) calc(var(--lumbit-padding, 0px) + var(--lumbit-across));
  min-height: calc(100% + 2 * var(--lumbit-down));
}
`;
