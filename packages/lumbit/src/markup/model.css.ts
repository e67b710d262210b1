import {
  automaticSettle,
  columnDefaults,
  contentOrder,
  leastReached,
  listIndent,
  mostReached,
  passageLength,
} from "../core/index.ts";
import { css, print } from "./arithmetic.ts";
import { arranged } from "./arranged.ts";
import { columnCss } from "./column.ts";
import { groundCss } from "./ground.css.ts";
import { paperCss } from "./paper.ts";
import { passage, scene } from "./passage.css.ts";
import { declare } from "./rule-css.ts";
import type { Declarations } from "./tree.ts";

/** What is in groups with a mark. */
const inside = (mark: string, declarations: Declarations): string =>
  declare(`[data-lumbit-is~=${mark}] > *, [data-lumbit-is~=${mark}] > picture > *`, declarations);

/**
 * The width of the screen over its height, as a number. Lengths are divided by lengths where that can be done, which Firefox
 * cannot; WebKit takes angles of lengths in units of the screen for others.
 */
export const wideCss =
  "--lumbit-wide: tan(atan2(100vw, 100vh)); @supports (width: calc(1px * (100vw / 100vh))) { --lumbit-wide: (100vw / 100vh); }";

/** What a scene and whatever else has a passage computes of it. */
export const passageCss = `
  --lumbit-length: ${print(passageLength(css, scene))};
  --lumbit-lo: ${print(leastReached(css, scene))};
  --lumbit-hi: ${print(mostReached(css, scene, passage))};
  --lumbit-auto: ${print(automaticSettle(css, passage))};`;

/** What all scenes have of the screen. */
export const screenCss = `
:root { --lumbit-v: 100vh; }
[data-lumbit-scene] { --lumbit-sideways: 1; ${wideCss} }`;

/** What of it plain scenes need. */
export const plainModelCss = `${screenCss}
[data-lumbit-is~=scene] {
  position: relative;
  isolation: isolate;
  height: var(--lumbit-h);
  overflow: clip;
  break-inside: avoid;
  print-color-adjust: exact;
}
[data-lumbit-scene], [data-lumbit-is~=flows] [data-lumbit-is~=stage] > *, [data-lumbit-is~=slide] {
${passageCss}
}
[data-lumbit-is~=stage] { position: absolute; inset: 0; container-type: size; pointer-events: none; }
[data-lumbit-is~=stage] > *, [data-lumbit-is~=group] > * { pointer-events: auto; }
[data-lumbit-is~=fixed] { position: absolute; inset: 0; clip-path: inset(0); }
[data-lumbit-is~=layer], [data-lumbit-is~=pane] { position: absolute; margin: 0; }
:is(img, video)[data-lumbit-is~=layer], [data-lumbit-backdrop] { display: block; max-width: none; object-fit: cover; }
/* A picture that is a link is the link, and the picture all of it. */
a[data-lumbit-is~=layer] { display: block; text-decoration: none; object-fit: cover; }
a[data-lumbit-is~=layer] > :is(img, video), a[data-lumbit-is~=layer] > picture > img { display: block; width: 100%; height: 100%; max-width: none; object-fit: inherit; object-position: inherit; border-radius: inherit; }
[data-lumbit-is~=layer]:is([alt=""], video[aria-hidden]), [data-lumbit-is~=pane]:has(> :is([alt=""], video[aria-hidden]), > picture > [alt=""]) { pointer-events: none; user-select: none; }
:is(h1, h2, h3, h4, h5, h6, p):is([data-lumbit-is~=layer], [data-lumbit-block]) {
  font-size: 1rem;
  font-weight: 400;
  line-height: 1.3;
  text-align: start;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
:is(h1, h2, h3, h4, h5, h6):is([data-lumbit-is~=layer], [data-lumbit-block]) { text-wrap: balance; }
[data-lumbit-is~=fill] { left: 0; top: 0; width: 100%; height: 100%; --lumbit-t: 0px; --lumbit-ph: var(--lumbit-h); }
/* Whether a layer reaches past what clips it. */
[data-lumbit-is~=reach] { --lumbit-paned: var(--lumbit-clipped, 1); }`;

/**
 * The model in CSS: the formulas of the core, printed, over whatever viewport the reader has. A scene sets
 * --lumbit-h (its height H), --lumbit-l (its hold L), --lumbit-before and --lumbit-after (the page above and below it) and --lumbit-settle
 * (p0); a layer sets --lumbit-speed and its direction (--lumbit-ux, --lumbit-uy); a pane sets its distance from the
 * scene's top (--lumbit-t) and its height (--lumbit-ph). p is the position in the passage, --lumbit-v is V.
 *
 * V is the large viewport, which does not change while a phone's toolbars slide: movement is tied to the scene's
 * top edge alone, so nothing jumps. For the same reason the timeline's range starts at one large viewport before
 * that edge reaches the top, not where the `cover` range does.
 */
export const modelCss = `${plainModelCss}
[data-lumbit-is~=track] { height: auto; }
[data-lumbit-is~=held] { position: relative; isolation: isolate; height: var(--lumbit-h); overflow: clip; }
[data-lumbit-is~=flows], [data-lumbit-is~=flows] > [data-lumbit-is~=held] { height: auto; }
[data-lumbit-is~=target] { position: absolute; left: 0; pointer-events: none; }
[data-lumbit-is~=content] {
  position: relative;
  z-index: ${contentOrder};
  display: grid;
  gap: var(--lumbit-gap, ${columnDefaults.gap});
  width: var(--lumbit-content, ${columnCss});
  margin-inline: auto;
}
[data-lumbit-is~=content] > * { margin: 0; }
[data-lumbit-is~=content] > ul { padding-inline-start: ${listIndent}; }
picture:has(> [data-lumbit-is~=layer]), a[data-lumbit-is~=layer] > picture { display: contents; }
/* What a picture is chosen from stands nowhere: in a row it would take a gap. */
picture:has(> [data-lumbit-is~=layer]) > source, a[data-lumbit-is~=layer] > picture > source { display: none; }
[data-lumbit-is~=content] > ul { font-size: 1rem; line-height: 1.3; }
[data-lumbit-is~=pane] { overflow: var(--lumbit-clip, clip); container-type: size; }
/* What runs inside a pane can be scrolled there by a reader for whom it stands still. */
[data-lumbit-is~=pane]:has(> [data-lumbit-is~=group]) { overflow: var(--lumbit-clip, auto); }
[data-lumbit-is~=group] { container-type: size; }
${inside("arranged", { ...arranged.row.member, direction: "var(--lumbit-written, ltr)" })}
/* Percentages of what is in a row are of the box around the row. */
${declare("[data-lumbit-is~=arranged]", { ...arranged.row.group, left: "auto", top: "auto", width: "auto", height: "auto", direction: "ltr", "container-type": "normal" })}
/* What is in a group that is as large as that is all in one cell of it. */
${declare("[data-lumbit-is~=fit]", arranged.fit.group)}
${inside("fit", arranged.fit.member)}
/* A row goes to the left on pages of every script; what is in its slides is written as the page is. */
[dir="ltr"] { --lumbit-written: ltr; }
[dir="rtl"] { --lumbit-written: rtl; }
[data-lumbit-is~=reel] { direction: ltr; overflow: auto hidden; scroll-snap-type: x mandatory; }
[data-lumbit-is~=row] { --lumbit-v: 100cqw; display: flex; gap: var(--lumbit-slide-gap); width: max-content; }
/* Where the page says nothing of their height. */
:where([data-lumbit-is~=row], [data-lumbit-is~=row] > [data-lumbit-is~=slide]) { height: 100%; }
/* A slide goes through its reel as a scene goes through the viewport, on its side. */
[data-lumbit-is~=row] > [data-lumbit-is~=slide] {
  --lumbit-h: var(--lumbit-slide);
  --lumbit-l: 0px;
  --lumbit-settle: calc(var(--lumbit-length) / 2);
  --lumbit-from: initial;
  --lumbit-to: initial;
  --lumbit-sway: 0px;
  position: relative;
  flex: none;
  direction: var(--lumbit-written, ltr);
  width: var(--lumbit-h);
  overflow: clip;
  scroll-snap-align: center;
}
[data-lumbit-is~=reach], [data-lumbit-is~=group] { left: 0; top: 0; width: 100%; height: 100%; }
[data-lumbit-is~=backdrop] { position: absolute; inset: 0; z-index: -1; overflow: clip; container-type: size; }
[data-lumbit-backdrop] { position: absolute; left: 0; top: 0; width: 100%; height: 100%; }
:is(main, [data-lumbit-is~=page]):has(> [data-lumbit-is~=backdrop]) { position: relative; isolation: isolate; }
${groundCss}${paperCss}`;
