import { allLayers } from "./kinds.ts";
import type { AnyLayer } from "./layer.ts";
import type { Page } from "./page.ts";
import type { Block } from "./scene.ts";
import { runsOf } from "./words.ts";

/** Where the links of a page lead: of its header, of layers and content, and of words in them. */
export function hrefsOf({ page, scenes }: Pick<Page, "page" | "scenes">): string[] {
  const { href, links = [] } = page?.header ?? {};
  const blocks = scenes.flatMap(({ content = [], layers }) => [...content, ...allLayers(layers)]);
  return [href, ...links.map((link) => link.href)]
    .filter((href) => href !== undefined)
    .concat(blocks.flatMap(linksIn));
}

/** Where a block or layer leads, and the words in it. */
export const linksIn = ({ href, text, ...block }: AnyLayer | Block): string[] =>
  [
    href,
    ...[text ?? "", ...("list" in block ? (block.list ?? []) : [])].flatMap((words) =>
      runsOf(words).map((run) => run.href),
    ),
  ].filter((href) => href !== undefined);

/** The scene, and the layer or block in it, that a link within its page leads to. */
export const targetIn = (href: string): { scene: string; name?: string } | undefined => {
  const [, scene, name] = /^#([^/]+)(?:\/(.+))?$/.exec(href) ?? [];
  return scene === undefined || scene === "top" ? undefined : { scene, ...(name !== undefined && { name }) };
};

/** The layers of a scene that links lead to, by their names; `hrefs` are the links of its page and of others to it. */
export const linkedLayers = (scene: string, hrefs: readonly string[]): string[] => [
  ...new Set(
    hrefs.flatMap((href) => {
      const target = targetIn(href);
      return target?.scene === scene && target.name !== undefined ? [target.name] : [];
    }),
  ),
];
