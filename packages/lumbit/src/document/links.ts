import { runsOf, targetIn } from "../core/index.ts";
import { isSafeLink } from "../settings/index.ts";
import { type Breach, isObject, type Json, objects, withInner } from "./contradictions.ts";
import { plain } from "./plain.ts";
import type { Path } from "./source.ts";

/** A link of a page, and where it stands in its file. */
export interface Link {
  href: string;
  at: Path;
}

/** Every link of a page: of its header, of layers, content, and words in them. */
export const linksOf = ({ page, scenes }: { page?: unknown; scenes: unknown }): Link[] => [
  ...headerLinks(page),
  ...objects(scenes).flatMap(([scene, index]) => linksIn(scene, ["scenes", index])),
];

/** The links at the top of a page. */
function headerLinks(look: unknown): Link[] {
  const header = isObject(look) && isObject(look.header) ? look.header : {};
  const own: [Json, Path][] = [
    [header, ["page", "header"]],
    ...objects(header.links).map(([link, at]): [Json, Path] => [link, ["page", "header", "links", at]]),
  ];
  return own.flatMap(([{ href }, at]) => (typeof href === "string" ? [{ href, at: [...at, "href"] }] : []));
}

/** Links within the page lead to one of its scenes, to what is in it, or to its top. */
export const headerBreaches = (look: unknown, scenes: [Json, number][]): Breach[] =>
  headerLinks(look).flatMap((link) => strayBreaches(link, scenes));

/** The same of a scene; links in words are such as may be published. */
export function linkBreaches(scene: Json, path: Path, scenes: [Json, number][]): Breach[] {
  return [
    ...blocksOf(scene, path).flatMap(([block, at]) => inlineBreaches(block, at)),
    ...linksIn(scene, path).flatMap((link): Breach[] =>
      link.at.at(-1) !== "href" && !isSafeLink(link.href)
        ? [
            {
              path: link.at,
              message: `"${link.href}" is no link to publish: an address with https, mailto or tel, or a #scene`,
            },
          ]
        : strayBreaches(link, scenes),
    ),
  ];
}

function strayBreaches({ href, at }: Link, scenes: [Json, number][]): Breach[] {
  const nowhere = /^#./.test(href) ? leadsNowhere(href, scenes, "on this page") : undefined;
  return nowhere ? [{ path: at, message: nowhere }] : [];
}

/** What is not there of what a fragment such as `#scene/name` leads to, on a page with these scenes. */
export function leadsNowhere(
  fragment: string,
  scenes: readonly (readonly [Json, number])[],
  where: string,
): string | undefined {
  const target = targetIn(fragment);
  if (!target) return undefined;
  const scene = scenes.find(([{ name }]) => name === target.scene)?.[0];
  if (!scene)
    return `there is no scene "${target.scene}" ${where}, so the link leads nowhere; its scenes are ${scenes.map(([{ name }]) => plain(name)).join(", ")}`;
  const names = blocksOf(scene, []).flatMap(([{ name }]) => (typeof name === "string" ? [name] : []));
  if (target.name === undefined || names.includes(target.name)) return undefined;
  return `there is no layer or block "${target.name}" in the scene "${target.scene}", so the link leads nowhere; there are ${names.join(", ") || "none with a name"}`;
}

/** The blocks and layers of a scene, and where they are. */
const blocksOf = (scene: Json, path: Path): [Json, Path][] => [
  ...objects(scene.content).map(([block, at]): [Json, Path] => [block, [...path, "content", at]]),
  ...withInner(objects(scene.layers), [...path, "layers"]),
];

const linksIn = (scene: Json, path: Path): Link[] =>
  blocksOf(scene, path).flatMap(([block, at]) => [
    ...(typeof block.href === "string" ? [{ href: block.href, at: [...at, "href"] }] : []),
    ...linkedWords(block, at),
  ]);

/** The links in the words of a block or a layer. */
const linkedWords = ({ text, list }: Json, at: Path): Link[] =>
  [
    { words: text, at: [...at, "text"] },
    ...(Array.isArray(list) ? list : []).map((words, index) => ({ words, at: [...at, "list", index] })),
  ].flatMap(({ words, at }) =>
    typeof words === "string"
      ? runsOf(words).flatMap(({ href }) => (href === undefined ? [] : [{ href, at }]))
      : [],
  );

/** A text with links in it is one text, and no link itself. */
function inlineBreaches(block: Json, path: Path): Breach[] {
  if (linkedWords(block, path).length === 0) return [];
  const breaches: Breach[] = [];
  if ("href" in block)
    breaches.push({
      path: [...path, "href"],
      message: "there is a link in its words already; keep one of the two",
    });
  if (isSplit(block) || (block.repeat ?? 1) !== 1)
    breaches.push({
      path: [...path, "text"],
      message: "a text with links in it stays one: leave its pieces and its repeat away",
    });
  return breaches;
}

/** Whether ramps of a text run over its pieces. */
const isSplit = (layer: Json): boolean =>
  [layer, ...objects(layer.rules).map(([rule]) => rule)].some((state) =>
    objects(state.ramps).some(([{ pieces }]) => pieces !== undefined),
  );

/** A layer that is a link has a name for those who listen, and no other link in it. */
export function linkedBreaches(layer: Json, path: Path): Breach[] {
  if (!("href" in layer)) return [];
  const breach = (at: Path, message: string): Breach => ({ path: [...at, "href"], message });
  const inside = withInner(objects(layer.layers), [...path, "layers"]);
  const all = [layer, ...inside.map(([inner]) => inner)];
  const isNamed = all.some(({ text, alt }) => text !== undefined || (alt !== undefined && alt !== ""));
  const breaches = inside.flatMap(([inner, at]) =>
    "href" in inner ? [breach(at, "the group is a link already; keep one of the two")] : [],
  );
  if (!isNamed && (layer.image ?? layer.shape ?? layer.markup) !== undefined)
    breaches.push(breach(path, 'the link has no name: say in "alt" where it leads'));
  if (!isNamed && layer.layers !== undefined)
    breaches.push(breach(path, "the link has no name: give the group a text, or a picture with an alt"));
  if (isSplit(layer) || (layer.repeat ?? 1) !== 1)
    breaches.push(breach(path, "a text that is a link stays one: leave its pieces and its repeat away"));
  return breaches;
}
