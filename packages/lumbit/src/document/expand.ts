import { termsOf } from "../core/index.ts";
import { foundInWords, meant } from "../faults/in-words.ts";
import { copies as copiesSettings } from "../settings/index.ts";
import { type Breach, isObject, type Json } from "./contradictions.ts";
import { plain } from "./plain.ts";
import { holds } from "./schema.ts";
import { type Path, pointer } from "./source.ts";

/** A page file with its parts and copies written out. */
export interface Expanded {
  document: unknown;
  /** Whether more comes of it than any page has, of which only the first is written out. */
  isCutOff: boolean;
  /** Where what stands at a path of it is written. */
  origin(path: Path): Path;
  /** What is wrong with parts and copies, at paths of the page file. */
  breaches: Breach[];
}

/** So many scenes, layers and blocks may come of a page file; they are more than any page has. */
const most = 20_000;

/** What is written of one scene, layer or block, and where. */
interface Written {
  at: Path;
  own: ReadonlyMap<string, { value: unknown; at: Path }>;
  layers?: readonly Entry[] | undefined;
  /** Whether its layers are called by its name too, because there may be others of them. */
  several?: boolean;
  /** Whether it is a part: a scene may have its layers from there, or none. */
  isPart?: true;
  /** The parts that it stands in. */
  within: readonly string[];
}

/** One of a list, or what stands there in its place. */
type Entry = Written | { at: Path; value: unknown };

const isWritten = (entry: Entry): entry is Written => "own" in entry;

/** Writes the parts and copies of a parsed page file out, however wrong the rest of it is. */
export function expand(document: unknown): Expanded {
  if (!isObject(document)) return { document, isCutOff: false, origin: (path) => path, breaches: [] };
  const { parts: given, ...rest } = document;
  const parts = isObject(given) ? given : {};
  const breaches: Breach[] = [];
  const breach = (path: Path, message: string) => void breaches.push({ path, message });
  const origins = new Map<string, Path>();
  let made = 0;
  if (given !== undefined && !isObject(given))
    breach(["parts"], "parts are an object: their names, each with its settings");
  for (const [name, part] of Object.entries(parts))
    if (!isObject(part)) breach(["parts", name], "a part is an object of settings");
    else if ("name" in part)
      breach(["parts", name, "name"], "a part is called by its key; leave its name away");

  /** What is written, with the settings of the part that it is. */
  function withPart(written: Written): Written {
    const part = written.own.get("part");
    if (!part) return written;
    const own = without(written, "part");
    const name = plain(part.value);
    if (!Object.hasOwn(parts, name) || typeof part.value !== "string") {
      const names = Object.keys(parts);
      breach(
        part.at,
        `there is no part "${name}"; ${names.length ? `parts: ${names.join(", ")}` : 'the page has no "parts"'}`,
      );
      return own;
    }
    if (written.within.includes(name)) {
      breach(part.at, `the part "${name}" is made of itself: ${[...written.within, name].join(", ")}`);
      return own;
    }
    const base = withPart(
      without(writtenAt(parts[name], ["parts", name], [...written.within, name]), "name"),
    );
    return { ...overlaid(base, own), several: base.layers !== undefined, isPart: true };
  }

  /** One, or all that it is there as. */
  function copiesOf(one: Written): Written[] {
    const given = one.own.get("copies");
    if (!given) return [one];
    const alone = without(one, "copies");
    const { value, at } = given;
    if (!isObject(value)) {
      breach(at, foundInWords(value, `an object with ${Object.keys(copiesSettings).join(", ")}`));
      return [alone];
    }
    const known: Json = {};
    for (const [key, entry] of Object.entries(value)) {
      const path = [...at, key];
      if (!Object.hasOwn(copiesSettings, key)) {
        const keys = Object.keys(copiesSettings).join(", ");
        breach(
          path,
          `unknown key "${plain(key)}"${meant(plain(key), Object.keys(copiesSettings))} here: ${keys}`,
        );
        continue;
      }
      const { grammar } = copiesSettings[key as keyof typeof copiesSettings];
      // Settings of one are judged where they come to be.
      const isRight =
        key === "each"
          ? Array.isArray(entry) && entry.length > 0 && entry.every(isObject)
          : holds(grammar, entry);
      if (isRight) known[key] = entry;
      else breach(path, foundInWords(entry, grammar.allowed));
    }
    const each = (known.each ?? []) as Json[];
    const {
      times = each.length,
      across = 0,
      down = 0,
      depth = 0,
      delay = 0,
    } = known as Record<string, never>;
    if (!("times" in value || "each" in value))
      breach(at, 'say how many there are: "times", or settings of "each"');
    if (each.length > times)
      breach(
        [...at, "each"],
        `there are ${times}, and settings for ${each.length}; take ${each.length - times} away`,
      );
    const told = (message: string) => breach(at, message);
    return Array.from({ length: times }, (_, index) => {
      const own = withPart(
        writtenAt(each[index] ?? {}, index in each ? [...at, "each", index] : one.at, one.within),
      );
      const moved =
        index === 0
          ? alone
          : shifted(alone, { across, down, depth, delay }, index, index === 1 ? told : () => {});
      const name = {
        value: `${plain(one.own.get("name")?.value)}-${index + 1}`,
        at: one.own.get("name")?.at ?? one.at,
      };
      const copy = overlaid(moved, own);
      return { ...copy, several: true, own: new Map([...copy.own, ["name", name]]) };
    });
  }

  function putList(
    entries: readonly Entry[],
    what: "scene" | "layer",
    path: Path,
    prefix: string,
  ): unknown[] {
    const list: unknown[] = [];
    for (const entry of entries) {
      if (!isWritten(entry)) {
        origins.set(pointer([...path, list.length]), entry.at);
        list.push(entry.value);
        continue;
      }
      for (const one of copiesOf(withPart(entry))) {
        if (++made === most)
          breach(one.at, `more than ${most} scenes and layers come of this page's parts and copies`);
        if (made >= most) return list;
        list.push(put(one, what, [...path, list.length], prefix));
      }
    }
    return list;
  }

  function put(one: Written, what: "scene" | "layer" | "block", path: Path, prefix: string): Json {
    const object: Json = {};
    origins.set(pointer(path), one.at);
    for (const [key, { value, at }] of one.own) {
      origins.set(pointer([...path, key]), at);
      object[key] = key === "name" && typeof value === "string" ? prefix + value : value;
    }
    if (one.layers) {
      const inner = what === "scene" ? "" : one.several ? `${plain(object.name)}-` : prefix;
      const layers = putList(one.layers, "layer", [...path, "layers"], inner);
      object.layers = layers;
      // What comes behind the last.
      origins.set(pointer([...path, "layers", layers.length]), [...one.at, "layers", one.layers.length]);
    } else if (what === "scene" && one.isPart) object.layers = [];
    if (what === "scene" && Array.isArray(object.content)) {
      const { at = [] } = one.own.get("content") ?? {};
      object.content = object.content.map((block, index) => {
        const here = [...path, "content", index];
        const entry = entryAt(block, [...at, index], []);
        return isWritten(entry) ? put(withPart(entry), "block", here, "") : block;
      });
    }
    return object;
  }

  const scenes = Array.isArray(rest.scenes)
    ? putList(
        rest.scenes.map((scene, index) => entryAt(scene, ["scenes", index], [])),
        "scene",
        ["scenes"],
        "",
      )
    : rest.scenes;
  return {
    document: "scenes" in rest ? { ...rest, scenes } : rest,
    isCutOff: made >= most,
    breaches,
    origin(path) {
      for (let length = path.length; length > 0; length--) {
        const at = origins.get(pointer(path.slice(0, length)));
        if (at) return [...at, ...path.slice(length)];
      }
      return path;
    },
  };
}

const entryAt = (value: unknown, at: Path, within: readonly string[]): Entry =>
  isObject(value) ? writtenAt(value, at, within) : { value, at };

function writtenAt(value: unknown, at: Path, within: readonly string[]): Written {
  const { layers, ...own } = isObject(value) ? value : {};
  const listed = Array.isArray(layers);
  return {
    ...{ at, within },
    own: new Map(
      Object.entries(listed || layers === undefined ? own : { ...own, layers }).map(([key, value]) => [
        key,
        { value, at: [...at, key] },
      ]),
    ),
    ...(listed && {
      layers: layers.map((layer, index) => entryAt(layer, [...at, "layers", index], within)),
    }),
  };
}

/** One with settings of its own: they stand instead, and layers called the same have theirs. */
function overlaid(base: Written, over: Written): Written {
  const called = (entry: Entry) => (isWritten(entry) ? entry.own.get("name")?.value : undefined);
  const changed = (base.layers ?? []).map((layer) => {
    const own = (over.layers ?? []).find((one) => called(one) !== undefined && called(one) === called(layer));
    return own && isWritten(own) && isWritten(layer) ? overlaid(layer, own) : layer;
  });
  const more = (over.layers ?? []).filter(
    (one) => !(base.layers ?? []).some((layer) => called(one) !== undefined && called(layer) === called(one)),
  );
  return {
    ...base,
    at: over.at,
    own: new Map([...base.own, ...over.own]),
    ...((base.layers || over.layers) && { layers: [...changed, ...more] }),
  };
}

function without(written: Written, key: string): Written {
  const own = new Map(written.own);
  own.delete(key);
  return { ...written, own };
}

interface Shift {
  across: string | 0;
  down: string | 0;
  depth: number;
  delay: number;
}

/** One copy: so many times farther across, down and deep, and later. */
function shifted(one: Written, by: Shift, times: number, breach: (message: string) => void): Written {
  const own = new Map(one.own);
  const set = (key: string, change: (value: unknown) => unknown) => {
    const { value, at } = own.get(key) ?? { value: undefined, at: one.at };
    own.set(key, { value: change(value), at });
  };
  if (by.across !== 0 || by.down !== 0) {
    const place = own.get("place")?.value;
    for (const [length, start, end] of [
      [by.across, "left", "right"],
      [by.down, "top", "bottom"],
    ] as const)
      if (length !== 0 && !(isObject(place) && (start in place || end in place)))
        breach(
          `"${start === "left" ? "across" : "down"}" moves copies from where the first stands: give it a place with "${start}" or "${end}"`,
        );
    set("place", (value) => movedPlace(value, by, times));
    const rules = own.get("rules")?.value;
    if (Array.isArray(rules))
      set("rules", () =>
        rules.map((rule) =>
          isObject(rule) && isObject(rule.place)
            ? { ...rule, place: movedPlace(rule.place, by, times) }
            : rule,
        ),
      );
  }
  if (by.depth !== 0) {
    if (own.has("speed"))
      breach('copies go deeper by their depth: give the first a "depth" instead of a "speed"');
    set("depth", (value = 0) => (typeof value === "number" ? tidy(value + by.depth * times) : value));
  }
  if (by.delay !== 0) {
    if (!isObject(own.get("cue")?.value)) breach('"delay" is of cues: give the first a "cue"');
    set("cue", (value) =>
      isObject(value) ? { ...value, delay: Number(value.delay ?? 0) + by.delay * times } : value,
    );
  }
  return { ...one, own };
}

function movedPlace(place: unknown, { across, down }: Shift, times: number): unknown {
  if (!isObject(place)) return place;
  const moved = { ...place };
  for (const [key, length, sign] of [
    ["left", across, 1],
    ["right", across, -1],
    ["top", down, 1],
    ["bottom", down, -1],
  ] as const)
    if (key in place && length !== 0) moved[key] = sum(place[key], length, sign * times);
  return moved;
}

/** A length and a multiple of another one; as it is where it is none. */
function sum(length: unknown, more: string, times: number): unknown {
  const [own, added] = [termsOf(plain(length)), termsOf(more)];
  if (!own || !added) return length;
  const units = new Map<string, number>();
  for (const { value, unit } of [...own, ...added.map(({ value, unit }) => ({ value: value * times, unit }))])
    units.set(unit, tidy((units.get(unit) ?? 0) + value));
  const terms = [...units].filter(([, value]) => value !== 0);
  const [first, ...others] = terms.map(([unit, value]) => ({ unit, value }));
  if (!first) return 0;
  const start = `${first.value}${first.unit}`;
  if (others.length === 0) return start;
  const rest = others.map(({ unit, value }) => `${value < 0 ? "-" : "+"} ${Math.abs(value)}${unit}`);
  return `calc(${start} ${rest.join(" ")})`;
}

/** Without what adding in binary leaves behind. */
const tidy = (value: number): number => Number(value.toFixed(4));
