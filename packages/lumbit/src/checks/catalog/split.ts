import { isText, type Page, type TextLayer } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { inPage, walk } from "../walk.ts";

export const check: Check = {
  name: "split",
  severity: "warning",
  why: "Letters apart are read aloud one by one, and nobody finds the word.",
  scope: "page",
  judge,
};

/** Words whose letters are apart: a layer for each letter, or spaces between them. */
function judge({ scenes }: Page): Sighting[] {
  return scenes.flatMap(({ name, layers }, index) => {
    const texts = walk(layers, `/scenes/${index}`).flatMap(({ layer, path }) =>
      isText(layer) && !layer.hidden ? [{ layer, path }] : [],
    );
    const letters = texts.filter(({ layer }) => isLetter(layer.text.trim()));
    const [first] = letters;
    const word = letters.map(({ layer }) => layer.text.trim()).join("");
    const apart: Sighting[] =
      first && letters.length >= 3
        ? [
            {
              ...inPage,
              scene: name,
              layer: first.layer.name,
              path: first.path,
              measured: `"${word}" is ${letters.length} layers of a letter each; one text with pieces moves the same`,
              ...(layers.includes(first.layer) && { change: joined(letters, word) }),
            },
          ]
        : [];
    const spaced = texts.flatMap(({ layer, path }): Sighting[] =>
      /^\S( \S){2,}$/u.test(layer.text.trim())
        ? [
            {
              ...inPage,
              scene: name,
              layer: layer.name,
              path,
              measured: `"${layer.text}" has spaces between its letters`,
              change: [
                { op: "replace", path: `${path}/text`, value: layer.text.replaceAll(" ", "") },
                {
                  op: layer.letterSpacing === undefined ? "add" : "replace",
                  path: `${path}/letterSpacing`,
                  value: "0.3em",
                },
              ],
            },
          ]
        : [],
    );
    return [...apart, ...spaced];
  });
}

/** One text of letters, the first, whose changes go from letter to letter. */
function joined(letters: readonly { layer: TextLayer; path: string }[], word: string): Change[] {
  const [first, ...others] = letters;
  if (!first) return [];
  const { layer, path } = first;
  const inLetters = layer.ramps?.flatMap(({ property }, index) =>
    ["opacity", "color", "letterSpacing", "fontWeight", "axis"].includes(property) ? [`ramps/${index}`] : [],
  );
  const parts = [...(inLetters ?? []), ...(layer.cue ? ["cue"] : [])];
  return [
    { op: "replace", path: `${path}/text`, value: word },
    ...parts.map((part) => ({ op: "add" as const, path: `${path}/${part}/pieces`, value: "letters" })),
    // From the last on: each that is taken out moves those behind it.
    ...others.map(({ path }) => ({ op: "remove" as const, path })).reverse(),
  ];
}

const segmenter = new Intl.Segmenter();
/** Whether a text is one letter as readers see it. */
const isLetter = (text: string) => {
  const [first] = segmenter.segment(text.slice(0, 100));
  return first !== undefined && first.segment === text;
};
