import { allLayers, isText, type Page, plainText } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { inPage } from "../walk.ts";

export const check: Check = {
  name: "links",
  severity: "warning",
  why: "Links are read out of their context: each has to say where it leads.",
  scope: "page",
  judge,
};

/** Links whose words do not say where they lead, or say the same of two places. */
function judge({ scenes }: Page): Sighting[] {
  const seen = new Map<string, string>();
  return scenes.flatMap(({ name, content = [], layers }, index) =>
    [
      ...content.map((block, at) => ({ ...block, path: `/scenes/${index}/content/${at}` })),
      ...layers.map((layer, at) => ({ ...layer, path: `/scenes/${index}/layers/${at}` })),
    ].flatMap((block): Sighting[] => {
      if (block.href === undefined || block.text === undefined) return [];
      const words = plainText(block.text).trim().toLowerCase();
      const other = seen.get(words);
      seen.set(words, block.href);
      const vague = /^(click )?(here|more|read more|link|this|go)$/.test(words);
      if (!vague && (other === undefined || other === block.href)) return [];
      return [
        {
          ...inPage,
          scene: name,
          path: `${block.path}/text`,
          measured: vague
            ? `"${block.text}" does not say where it leads`
            : `"${block.text}" leads to ${other} and to ${block.href}`,
          ...named(block.href, [...seen.keys()], scenes, `${block.path}/text`),
        },
      ];
    }),
  );
}

/** Says of a link to a scene what the scene's first heading says. */
function named(href: string, taken: readonly string[], scenes: Page["scenes"], path: string) {
  const target = scenes.find(({ name }) => href === `#${name}`);
  const texts = [...(target?.content ?? []), ...allLayers(target?.layers ?? []).filter(isText)];
  const heading = texts.find(({ as }) => as?.startsWith("h"))?.text;
  const value = heading && plainText(heading).replaceAll(/\s+/g, " ").trim();
  return value && !taken.includes(value.toLowerCase())
    ? { change: [{ op: "replace" as const, path, value }] }
    : {};
}
