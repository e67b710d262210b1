import { allLayers, isGroup, isMarkup } from "./kinds.ts";
import { linksIn } from "./links.ts";
import type { Page } from "./page.ts";
import { statesOf } from "./rules.ts";

/** Whether a page has anything that could move. */
export const hasLayers = ({ page, scenes }: Page): boolean =>
  page?.backdrop !== undefined || scenes.some(({ layers }) => layers.length > 0);

/** Whether anything of a page comes in by a cue. */
export const hasCues = ({ scenes }: Page): boolean =>
  scenes.some(({ content = [], layers }) =>
    [...content, ...allLayers(layers).flatMap(statesOf)].some(({ cue }) => cue !== undefined),
  );

/** Whether a page has links at its top that tell where the reader is. */
export const hasHeaderLinks = ({ page }: Page): boolean => page?.header?.links !== undefined;

/** Whether anything in a page's layers is focused by keyboard: links, or what a piece of markup has. */
export const hasFocus = ({ scenes }: Page): boolean =>
  scenes.some(({ layers }) =>
    allLayers(layers).some((layer) => isMarkup(layer) || linksIn(layer).length > 0),
  );

/** Whether a film plays on a page. */
export const hasVideos = ({ page, scenes }: Page): boolean =>
  page?.backdrop?.video !== undefined ||
  scenes.some(({ layers }) => allLayers(layers).some(({ video }) => video !== undefined));

/** Whether a ramp of a page runs over the lines of a text. */
export const hasLines = ({ scenes }: Page): boolean =>
  scenes.some(({ layers }) =>
    allLayers(layers).some((layer) =>
      [layer, ...(layer.rules ?? [])].some(({ ramps = [] }) =>
        ramps.some((ramp) => "pieces" in ramp && ramp.pieces === "lines"),
      ),
    ),
  );

/** Whether anything of a page moves with the pointer. */
export const hasSway = ({ page, scenes }: Page): boolean =>
  [page, ...scenes].some((own) => [own, ...(own?.rules ?? [])].some((settings) => settings?.camera?.sway)) ||
  scenes.some(({ layers }) => layers.some((layer) => isGroup(layer) && layer.tilt !== undefined));
