import { dequal } from "dequal/lite";
import type { Page } from "lumbit/core";
import { expand } from "lumbit/document";
import { isObject } from "./json.ts";

type Json = Record<string, unknown>;

/** A scene, layer or block that is written with a part or copies, and what comes of it. */
interface Use {
  written: Json;
  made: readonly Json[];
  make(written: Json): readonly Json[];
}

/**
 * What to write for a page, where its file says parts and copies: what is still as they make it stays written so, with
 * settings of its own where those are all that has changed. What they cannot say any more is written out. What the page
 * has from a file that it shares with others is not written, but what it has instead.
 */
export function folded(file: unknown, page: Page, common: unknown): unknown {
  const { $schema, parts: own, shared, scenes } = file as Json;
  const theirs = common as Json | undefined;
  const parts = (own ?? theirs?.parts) ? { ...(theirs?.parts as Json), ...(own as Json) } : undefined;
  const known = list(scenes).map((scene) => usesIn(scene, parts));
  const inAll = known.flatMap(({ inside }) => inside);
  // What is called the same in another scene is something else; one with a new name may be any of them.
  const inside = ({ name }: Json) => known.find(({ names }) => names.includes(name))?.inside ?? inAll;
  return {
    ...($schema !== undefined && { $schema }),
    ...ownOf(page as unknown as Json, file as Json, theirs),
    ...(own !== undefined && { parts: own }),
    ...(shared !== undefined && { shared }),
    scenes: fold(
      list(page.scenes),
      known.flatMap(({ own }) => own),
      inside,
    ),
  };
}

/** The settings of a page that it does not have from what it shares; those in settings too. */
function ownOf(page: Json, file: Json, theirs: Json | undefined): Json {
  if (!theirs) return page;
  const own = (page: Json, file: Json, theirs: Json) =>
    Object.entries(page).filter(([key, value]) => key in file || !dequal(value, theirs[key]));
  return Object.fromEntries(
    own(page, file, theirs).map(([key, value]) => {
      const common = theirs[key];
      return [
        key,
        isObject(value) && isObject(common)
          ? Object.fromEntries(own(value, Object(file[key]), common))
          : value,
      ];
    }),
  );
}

const list = (value: unknown): Json[] => (Array.isArray(value) ? value : []);

/** A scene as a use, what comes of it, and the uses in it. */
function usesIn(scene: Json, parts: unknown): { own: Use[]; names: unknown[]; inside: Use[] } {
  const scenesOf = (scene: Json) =>
    (expand({ parts, scenes: [scene] }).document as { scenes: readonly Json[] }).scenes;
  const layersOf = (layer: Json) => list(scenesOf({ layers: [layer] })[0]?.layers);
  const blocksOf = (block: Json) => list(scenesOf({ layers: [], content: [block] })[0]?.content);
  const use =
    (make: Use["make"]) =>
    (written: Json): Use[] =>
      "part" in written || "copies" in written ? [{ written, made: make(written), make }] : [];
  const inner = (layers: unknown): Json[] => list(layers).flatMap((layer) => [layer, ...inner(layer.layers)]);
  return {
    own: use(scenesOf)(scene),
    names: scenesOf(scene).map(({ name }) => name),
    inside: [...inner(scene.layers).flatMap(use(layersOf)), ...list(scene.content).flatMap(use(blocksOf))],
  };
}

/** Entries of a list, as they are written; `inside` says which uses may be in one of them. */
function fold(
  entries: readonly Json[],
  uses: readonly Use[],
  inside: (entry: Json) => readonly Use[] = () => uses,
): Json[] {
  const written: Json[] = [];
  for (let at = 0; at < entries.length; ) {
    const found = uses
      .map((use) => ({ use, written: asWritten(use, entries.slice(at, at + use.made.length)) }))
      .find((one) => one.written);
    if (found?.written) {
      written.push(found.written);
      at += found.use.made.length;
      continue;
    }
    const entry = entries[at++] as Json;
    const { layers, content, ...own } = entry;
    written.push({
      ...own,
      ...(content !== undefined && { content: fold(list(content), inside(entry)) }),
      ...(layers !== undefined && { layers: fold(list(layers), inside(entry)) }),
    });
  }
  return written;
}

/** How a use is written of which these are to come; nothing where it cannot be. */
function asWritten({ written, made, make }: Use, wanted: readonly Json[]): Json | undefined {
  if (made.length === 0 || wanted.length < made.length) return undefined;
  if (dequal(made, wanted)) return written;
  if (made.some(({ name }, index) => name === undefined || name !== wanted[index]?.name)) return undefined;
  const own = made.map((one, index) => changed(one, wanted[index] as Json, `${one.name}-`));
  if (own.includes(undefined)) return undefined;
  const copies = written.copies as { each?: readonly Json[] } | undefined;
  const adapted = copies
    ? {
        ...written,
        copies: {
          ...copies,
          each: own.map((own, index) => withOwn(copies.each?.[index] ?? {}, own as Json)),
        },
      }
    : withOwn(written, own[0] as Json);
  return dequal(make(adapted), wanted) ? adapted : undefined;
}

/** The settings in which one differs from another; nothing where it lacks some, or has other layers. */
function changed(before: Json, after: Json, prefix: string): Json | undefined {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  const own: Json = {};
  for (const key of keys.filter((key) => !dequal(before[key], after[key]))) {
    if (after[key] === undefined) return undefined;
    if (key !== "layers") {
      own[key] = after[key];
      continue;
    }
    const [were, are] = [list(before.layers), list(after.layers)];
    if (were.length !== are.length) return undefined;
    own.layers = [];
    for (const [index, layer] of were.entries()) {
      const one = are[index] as Json;
      if (dequal(layer, one)) continue;
      const name = String(layer.name);
      const changes = one.name === name ? changed(layer, one, prefix) : undefined;
      if (!changes) return undefined;
      const called = name.startsWith(prefix) ? name.slice(prefix.length) : name;
      (own.layers as Json[]).push({ name: called, ...changes });
    }
  }
  return own;
}

/** What is written, with settings of its own on top of those that it has already. */
function withOwn(written: Json, own: Json): Json {
  if (!own.layers) return { ...written, ...own };
  const before = list(written.layers);
  const changes = list(own.layers);
  const layers = before.map((layer) => {
    const change = changes.find(({ name }) => name === layer.name);
    return change ? withOwn(layer, change) : layer;
  });
  const more = changes.filter(({ name }) => !before.some((layer) => layer.name === name));
  return { ...written, ...own, layers: [...layers, ...more] };
}
