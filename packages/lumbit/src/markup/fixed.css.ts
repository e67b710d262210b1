import { css, print } from "./arithmetic.ts";
import { scene, settle } from "./passage.css.ts";
import { driftsCss, oversCss, reachedBox, reachesCss, reaching } from "./reach.css.ts";

const fixed = `[data-lumbit-is~=fixed] ${reaching}`;
/** What fixes the pictures at the horizon, in every browser, whatever else moves or does not. */
export const fixedCss = `
${driftsCss(fixed)}
${oversCss(fixed)}
${reachesCss(fixed)}
${fixed} { position: fixed; top: ${print(css.add(css.subtract(scene.viewport, settle), reachedBox.top))}; }
`;
