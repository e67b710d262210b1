import {
  allLayers,
  isGroup,
  isImage,
  isText,
  type Layer,
  type Page,
  type TextLayer,
} from "../../core/index.ts";
import type { Change, Sighting } from "../finding.ts";

const everywhere = { from: 0, to: 0, amount: 1 };

/** Alternative texts that tell nothing: file names, and words for "picture". */
export function alt({ scenes, page }: Page): Sighting[] {
  const sightings = scenes.flatMap(({ name, layers }, index) =>
    walk(layers, `/scenes/${index}`).flatMap(({ layer, path }): Sighting[] =>
      isImage(layer) && tellsNothing(layer.alt)
        ? [{ ...everywhere, scene: name, layer: layer.name, path: `${path}/alt`, ...empty(layer.alt, path) }]
        : [],
    ),
  );
  const backdrop = page?.backdrop?.alt ?? "";
  return tellsNothing(backdrop)
    ? [...sightings, { ...everywhere, path: "/page/backdrop/alt", ...empty(backdrop, "/page/backdrop") }]
    : sightings;
}

const empty = (text: string, path: string): Pick<Sighting, "measured" | "change"> => ({
  measured: `"${text}" says nothing of what is seen`,
  change: [{ op: "replace", path: `${path}/alt`, value: "" }],
});

const tellsNothing = (text: string) =>
  /\.(webp|avif|png|jpe?g|gif|svg)$/i.test(text.trim()) ||
  /^(an? )?(image|picture|photo|photograph|graphic|layer|background)( \d+)?$/i.test(text.trim());

const walk = (layers: readonly Layer[], path: string): { layer: Layer; path: string }[] =>
  layers.flatMap((layer, index) => {
    const own = { layer, path: `${path}/layers/${index}` };
    return isGroup(layer) ? [own, ...walk(layer.layers as readonly Layer[], own.path)] : [own];
  });

/** Headings in reading order: a scene's content comes before its layers. */
export function headings({ scenes }: Page): Sighting[] {
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
            ...everywhere,
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

/** Links whose words do not say where they lead, or say the same of two places. */
export function links({ scenes }: Page): Sighting[] {
  const seen = new Map<string, string>();
  return scenes.flatMap(({ name, content = [] }, index) =>
    content.flatMap((block, at): Sighting[] => {
      if (block.href === undefined) return [];
      const words = block.text.trim().toLowerCase();
      const other = seen.get(words);
      seen.set(words, block.href);
      const vague = /^(click )?(here|more|read more|link|this|go)$/.test(words);
      if (!vague && (other === undefined || other === block.href)) return [];
      return [
        {
          ...everywhere,
          scene: name,
          path: `/scenes/${index}/content/${at}/text`,
          measured: vague
            ? `"${block.text}" does not say where it leads`
            : `"${block.text}" leads to ${other} and to ${block.href}`,
          ...named(block.href, [...seen.keys()], scenes, `/scenes/${index}/content/${at}/text`),
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
  const value = heading?.replaceAll(/\s+/g, " ").trim();
  return value && !taken.includes(value.toLowerCase())
    ? { change: [{ op: "replace" as const, path, value }] }
    : {};
}

/** Words whose letters are apart: a layer for each letter, or spaces between them. */
export function split({ scenes }: Page): Sighting[] {
  return scenes.flatMap(({ name, layers }, index) => {
    const texts = walk(layers, `/scenes/${index}`).flatMap(({ layer, path }) =>
      isText(layer) && !layer.hidden ? [{ layer, path }] : [],
    );
    const letters = texts.filter(({ layer }) => graphemes(layer.text.trim()) === 1);
    const [first] = letters;
    const word = letters.map(({ layer }) => layer.text.trim()).join("");
    const apart: Sighting[] =
      first && letters.length >= 3
        ? [
            {
              ...everywhere,
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
              ...everywhere,
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
const graphemes = (text: string) => [...segmenter.segment(text)].length;
