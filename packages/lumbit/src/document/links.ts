import { runsOf } from "../core/index.ts";
import { isSafeLink } from "../settings/index.ts";
import { type Breach, type Json, objects, withInner } from "./contradictions.ts";
import { plain } from "./plain.ts";
import type { Path } from "./source.ts";

/** A link of a page, and where it stands in its file. */
export interface Link {
  href: string;
  at: Path;
}

/** Every link of a page: of layers, content, and words in them. */
export const linksOf = ({ scenes }: { scenes: unknown }): Link[] =>
  objects(scenes).flatMap(([scene, index]) => linksIn(scene, ["scenes", index]));

/** Links within the page lead to one of its scenes, or to its top; those of words are such as may be published. */
export function linkBreaches(scene: Json, path: Path, scenes: [Json, number][]): Breach[] {
  const names = scenes.map(([{ name }]) => plain(name));
  return [
    ...blocksOf(scene, path).flatMap(([block, at]) => inlineBreaches(block, at)),
    ...linksIn(scene, path).flatMap(({ href, at }): Breach[] => {
      if (at.at(-1) !== "href" && !isSafeLink(href))
        return [
          {
            path: at,
            message: `"${href}" is no link to publish: an address with https, mailto or tel, or a #scene`,
          },
        ];
      const name = /^#(.+)$/.exec(href)?.[1];
      if (name === undefined || name === "top" || names.includes(name)) return [];
      const message = `there is no scene "${name}" on this page, so the link leads nowhere; its scenes are ${names.join(", ")}`;
      return [{ path: at, message }];
    }),
  ];
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
  if (!isNamed && layer.image !== undefined)
    breaches.push(breach(path, 'the link has no name: say in "alt" where it leads'));
  if (!isNamed && layer.layers !== undefined)
    breaches.push(breach(path, "the link has no name: give the group a text, or a picture with an alt"));
  if (isSplit(layer) || (layer.repeat ?? 1) !== 1)
    breaches.push(breach(path, "a text that is a link stays one: leave its pieces and its repeat away"));
  if ("reel" in layer) breaches.push(breach(path, "a reel is no link; give it to what is in its slides"));
  return breaches;
}
