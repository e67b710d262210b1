import { runsOf } from "../core/index.ts";
import { isSafeLink } from "../settings/index.ts";
import { type Breach, type Json, objects, withInner } from "./contradictions.ts";
import { plain } from "./plain.ts";
import type { Path } from "./source.ts";

/** Links within the page lead to one of its scenes, or to its top. */
export function linkBreaches(scene: Json, path: Path, scenes: [Json, number][]): Breach[] {
  const names = scenes.map(([{ name }]) => plain(name));
  const blocks = objects(scene.content).map(([block, at]): [Json, Path] => [block, [...path, "content", at]]);
  const nowhere = (href: unknown, at: Path): Breach[] => {
    const name = typeof href === "string" ? /^#(.+)$/.exec(href)?.[1] : undefined;
    if (name === undefined || name === "top" || names.includes(name)) return [];
    const message = `there is no scene "${name}" on this page, so the link leads nowhere; its scenes are ${names.join(", ")}`;
    return [{ path: at, message }];
  };
  return [...blocks, ...withInner(objects(scene.layers), [...path, "layers"])].flatMap(([block, at]) => [
    ...nowhere(block.href, [...at, "href"]),
    ...wordsIn(block, at).flatMap(({ text, at }) =>
      linksIn(text).flatMap((href) =>
        isSafeLink(href)
          ? nowhere(href, at)
          : [
              {
                path: at,
                message: `"${href}" is no link to publish: an address with https, mailto or tel, or a #scene`,
              },
            ],
      ),
    ),
  ]);
}

/** The words of a block or a layer, and where they are. */
const wordsIn = ({ text, list }: Json, at: Path): { text: string; at: Path }[] => [
  ...(typeof text === "string" ? [{ text, at: [...at, "text"] }] : []),
  ...(Array.isArray(list) ? list : []).flatMap((item, index) =>
    typeof item === "string" ? [{ text: item, at: [...at, "list", index] }] : [],
  ),
];

/** Where the links in a text lead. */
const linksIn = (text: string): string[] =>
  runsOf(text).flatMap(({ href }) => (href === undefined ? [] : [href]));

/** A text with links in it is one text, and no link itself. */
export function inlineBreaches(block: Json, path: Path): Breach[] {
  if (!wordsIn(block, path).some(({ text }) => linksIn(text).length > 0)) return [];
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
