import { type Breach, isObject, type Json, objects, settingsBreaches } from "./contradictions.ts";
import { plain } from "./plain.ts";
import type { Path } from "./source.ts";

/** What contradicts itself in a scene and in its content, its layers apart. */
export function sceneBreaches(scene: Json, path: Path): Breach[] {
  const breaches: Breach[] = [];
  for (const [layer, index] of objects(scene.layers))
    if ("reel" in layer && !("hold" in scene))
      breaches.push({
        path: [...path, "layers", index, "reel"],
        message: 'the reel travels while its scene holds: give the scene a "hold" such as "200vh"',
      });
  if ([scene, ...objects(scene.rules).map(([rule]) => rule)].some((settings) => "hold" in settings))
    for (const [layer, index] of objects(scene.layers)) {
      if ("hold" in layer)
        breaches.push({
          path: [...path, "layers", index, "hold"],
          message: "the scene holds already, and all that is in it with it; remove one of the two",
        });
      if ("settle" in layer)
        breaches.push({
          path: [...path, "layers", index, "settle"],
          message: 'in a scene that holds a layer has no passage of its own: give the scene the "settle"',
        });
      for (const [key, entry] of [
        ["travel", layer.travel],
        ...objects(layer.ramps).map(([ramp, at]) => [`ramps ${at}`, ramp] as const),
      ] as const)
        if (isObject(entry) && entry.of === "layer")
          breaches.push({
            path: [
              ...path,
              "layers",
              index,
              ...key.split(" ").map((part) => (/^\d+$/.test(part) ? Number(part) : part)),
              "of",
            ],
            message: 'in a scene that holds a layer has no passage of its own: leave "of" away, or "page"',
          });
    }
  const rules = objects(scene.rules).map(([rule, at]): [Json, Path] => [rule, [...path, "rules", at]]);
  for (const [{ height }, at] of "content" in scene ? [] : [[scene, path] as const, ...rules])
    if (height === "auto")
      breaches.push({
        path: [...at, "height"],
        message: 'a scene without "content" has no height of its own; give it a length',
      });
  for (const [block, index] of objects(scene.content)) {
    const at = [...path, "content", index];
    const kind = ["text", "list"].filter((key) => key in block);
    if (kind.length !== 1)
      breaches.push({ path: at, message: 'a block of content is one "text" or one "list"' });
    if ("href" in block && "as" in block)
      breaches.push({
        path: [...at, "as"],
        message: '"as" and "href" are both given: a link is no heading; make two blocks',
      });
    breaches.push(...settingsBreaches(block, at));
    for (const [rule, ruleIndex] of objects(block.rules))
      breaches.push(...settingsBreaches(rule, [...at, "rules", ruleIndex]));
  }
  return breaches;
}

/** Links lead to blocks as they do to layers: no two of a scene have one name. */
export function blockNameBreaches({ content }: Json, layers: [Json, Path][], path: Path): Breach[] {
  const taken = new Set(layers.map(([{ name }]) => name));
  return objects(content).flatMap(([{ name }, index]) => {
    if (name === undefined) return [];
    if (taken.has(name))
      return [
        {
          path: [...path, index, "name"],
          message: `"${plain(name)}" is the name of a layer or of another block of this scene; give it one of its own`,
        },
      ];
    taken.add(name);
    return [];
  });
}

/** Only what comes last is a footer. */
export const footerBreaches = (scenes: [Json, number][]): Breach[] =>
  scenes.flatMap(([{ as }, index]) =>
    as === "footer" && index < scenes.length - 1
      ? [
          {
            path: ["scenes", index, "as"],
            message: "the footer is the last scene of a page; bring it to the end",
          },
        ]
      : [],
  );
