import { type Breach, type Json, objects, withInner } from "./contradictions.ts";
import { plain } from "./plain.ts";
import type { Path } from "./source.ts";

/** Links within the page lead to one of its scenes, or to its top. */
export function linkBreaches(scene: Json, path: Path, scenes: [Json, number][]): Breach[] {
  const names = scenes.map(([{ name }]) => plain(name));
  const blocks = objects(scene.content).map(([block, at]): [Json, Path] => [block, [...path, "content", at]]);
  return [...blocks, ...withInner(objects(scene.layers), [...path, "layers"])].flatMap(
    ([{ href }, at]): Breach[] => {
      const name = typeof href === "string" ? /^#(.+)$/.exec(href)?.[1] : undefined;
      if (name === undefined || name === "top" || names.includes(name)) return [];
      const message = `there is no scene "${name}" on this page, so the link leads nowhere; its scenes are ${names.join(", ")}`;
      return [{ path: [...at, "href"], message }];
    },
  );
}

/** A layer that is a link has a name for those who listen, and no other link in it. */
export function linkedBreaches(layer: Json, path: Path): Breach[] {
  if (!("href" in layer)) return [];
  const breach = (at: Path, message: string): Breach => ({ path: [...at, "href"], message });
  const inside = withInner(objects(layer.layers), [...path, "layers"]);
  const all = [layer, ...inside.map(([inner]) => inner)];
  const isNamed = all.some(({ text, alt }) => text !== undefined || (alt !== undefined && alt !== ""));
  const runs = [layer, ...objects(layer.rules).map(([rule]) => rule)].some((state) =>
    objects(state.ramps).some(([{ pieces }]) => pieces !== undefined),
  );
  const breaches = inside.flatMap(([inner, at]) =>
    "href" in inner ? [breach(at, "the group is a link already; keep one of the two")] : [],
  );
  if (!isNamed && layer.image !== undefined)
    breaches.push(breach(path, 'the link has no name: say in "alt" where it leads'));
  if (!isNamed && layer.layers !== undefined)
    breaches.push(breach(path, "the link has no name: give the group a text, or a picture with an alt"));
  if (runs || (layer.repeat ?? 1) !== 1)
    breaches.push(breach(path, "a text that is a link stays one: leave its pieces and its repeat away"));
  if ("reel" in layer) breaches.push(breach(path, "a reel is no link; give it to what is in its slides"));
  return breaches;
}
