import { isText, type Page } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { inPage, walk } from "../walk.ts";

export const check: Check = {
  name: "headings",
  severity: "warning",
  why: "Readers who listen find their way by headings, one h1 and no level left out.",
  scope: "page",
  judge,
};

/** Headings in reading order: a scene's content comes before its layers. */
function judge({ scenes }: Page): Sighting[] {
  const found = scenes.flatMap(({ name, content = [], layers }, index) => [
    ...content.map(({ as }, block) => ({
      name,
      as,
      path: `/scenes/${index}/content/${block}`,
      layer: undefined,
    })),
    ...walk(layers, `/scenes/${index}`).map(({ layer, path }) => ({
      name,
      as: isText(layer) && !layer.hidden ? layer.as : undefined,
      path,
      layer: layer.name,
    })),
  ]);
  const list = found.flatMap(({ as, ...heading }) =>
    as && /^h[1-6]$/.test(as) ? [{ ...heading, level: Number(as[1]) }] : [],
  );
  let before = 0;
  let first = true;
  return list.flatMap(({ name, layer, path, level }): Sighting[] => {
    const again = level === 1 && !first;
    const skips = level > before + 1;
    const wanted = again ? 2 : before + 1;
    const measured = again
      ? "is a second h1"
      : before === 0
        ? `is the first heading, and an h${level}`
        : `is an h${level} behind an h${before}`;
    first = first && level !== 1;
    before = again || skips ? wanted : level;
    return again || skips
      ? [
          {
            ...inPage,
            scene: name,
            ...(layer && { layer }),
            path: `${path}/as`,
            measured,
            change: [{ op: "replace", path: `${path}/as`, value: `h${wanted}` }],
          },
        ]
      : [];
  });
}
