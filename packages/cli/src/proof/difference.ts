import { type AnyLayer, allLayers, type Page } from "lumbit/core";
import microdiff from "microdiff";

/** Something that two versions of a page do not share. */
export interface Difference {
  scene?: string;
  layer?: string;
  /** What of it, in words: `depth: 1 → 2`. */
  what: string;
}

/** What differs between a page and another version of it, scenes and layers by their names. */
export function differences(page: Page, other: Page): Difference[] {
  const { scenes: _scenes, ...own } = page;
  const { scenes: _others, ...theirs } = other;
  const ofPage = changes(own, theirs).map((what) => ({ what }));
  return [
    ...ofPage,
    ...paired(page.scenes, other.scenes).flatMap(({ name, one, two }): Difference[] => {
      if (!one || !two) return [{ scene: name, what: one ? "only here" : "only in the other" }];
      const { layers, ...scene } = one;
      const { layers: otherLayers, ...otherScene } = two;
      return [
        ...changes(scene, otherScene).map((what) => ({ scene: name, what })),
        ...paired(allLayers(layers), allLayers(otherLayers)).flatMap(
          ({ name: layer, one, two }): Difference[] =>
            one && two
              ? changes(alone(one), alone(two)).map((what) => ({ scene: name, layer, what }))
              : [{ scene: name, layer, what: one ? "only here" : "only in the other" }],
        ),
      ];
    }),
  ];
}

/** What has the same name in both, in the order of the first. */
function paired<T extends { name: string }>(ones: readonly T[], twos: readonly T[]) {
  const names = new Set([...ones, ...twos].map(({ name }) => name));
  return [...names].map((name) => ({
    name,
    one: ones.find((one) => one.name === name),
    two: twos.find((two) => two.name === name),
  }));
}

/** A layer without those inside it, which are compared by themselves. */
const alone = (layer: AnyLayer): object => ({ ...layer, layers: undefined });

/** One line for each value that differs. */
function changes(one: object, two: object): string[] {
  const plain = (value: object) => JSON.parse(JSON.stringify(value)) as object;
  return microdiff(plain(one), plain(two)).map((difference) => {
    const path = difference.path.join(".");
    const before = difference.type === "CREATE" ? "nothing" : JSON.stringify(difference.oldValue);
    const after = difference.type === "REMOVE" ? "nothing" : JSON.stringify(difference.value);
    return `${path}: ${before} → ${after}`;
  });
}
