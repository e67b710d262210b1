import {
  either,
  type Grammar,
  map,
  number,
  object,
  pattern,
  type Setting,
  type Settings,
} from "./grammar.ts";
import { pageGrammar, page as pageSettings } from "./page.ts";
import { block, scene } from "./scene.ts";
import { length, namePattern } from "./values.ts";

/** So many are made of one at most. */
const mostCopies = 200;

const part: Setting = {
  grammar: pattern(namePattern, "the name of a part"),
  meaning: "The part that it is: it has the settings of that, and its own instead where it gives some.",
};

/** What is there several times. */
export const copies = {
  times: {
    grammar: number({ least: 1, most: mostCopies, whole: true }, `how many there are, 1 to ${mostCopies}`),
    meaning: "How many there are; as many as `each` has without it.",
  },
  across: {
    grammar: length('how much farther to the right each stands: a length such as "14%" or "-6vw"'),
    meaning: "How much farther to the right each stands than the one before.",
    otherwise: "0",
  },
  down: {
    grammar: length('how much lower each stands: a length such as "4%" or "-2vh"'),
    meaning: "How much lower each stands than the one before.",
    otherwise: "0",
  },
  depth: {
    grammar: number({ least: -10, most: 100 }, "how much deeper each is, a number from -10 to 100"),
    meaning: "How much deeper each is than the one before.",
    otherwise: "0",
  },
  delay: {
    grammar: number(
      { least: 0, most: 10_000 },
      "how much later each cue begins, in milliseconds, 0 to 10000",
    ),
    meaning: "How much later the cue of each begins than that of the one before, in milliseconds.",
    otherwise: "0",
  },
  each: {
    grammar: {
      ...{ form: "list", least: 1, most: mostCopies, again: true },
      allowed: "a list of settings, those of the first one first",
      get of(): Grammar {
        return settingsOfPart;
      },
    },
    meaning: "What each has of its own, the first one first.",
  },
} as const satisfies Record<string, Setting>;

/** Of a page file: what it shares with others. */
export const sharedSetting: Setting = {
  grammar: pattern(/^[^\\/:?#\0]+\.json$/i, 'the name of a file beside the page file, such as "house.json"'),
  meaning:
    "The file in which it has what it shares with other pages: `parts`, `page`, `fonts` and all else but `title` and `scenes`. What the page says itself stands instead.",
};

const uses: Settings = {
  part,
  copies: {
    grammar: object(copies, "what its copies are: times, across, down, depth, delay, each"),
    meaning: "Makes several of it, called by its name and a number.",
  },
};

const optional = ({ required: _, ...setting }: Setting): Setting => setting;

const known = new Map<Grammar, Grammar>();

/** A grammar with the parts and copies that may stand in it. */
function written(grammar: Grammar): Grammar {
  const before = known.get(grammar);
  if (before) return before;
  const made: Grammar =
    grammar.form === "list"
      ? {
          ...{ form: "list", least: grammar.least, most: grammar.most, allowed: grammar.allowed },
          ...(grammar.again && { again: true }),
          get of() {
            return written(grammar.of);
          },
        }
      : grammar.form === "object"
        ? { ...grammar, settings: writtenSettings(grammar.settings) }
        : grammar;
  known.set(grammar, made);
  return made;
}

function writtenSettings(settings: Settings): Settings {
  const own = Object.entries(settings).map(([key, setting]): [string, Setting] => [
    key,
    { ...setting, grammar: written(setting.grammar) },
  ]);
  const made: Record<string, Setting> = Object.fromEntries(own);
  if (settings === pageSettings) return { ...made, parts, shared: sharedSetting };
  if (settings === block) return { ...made, part };
  // It may have its layers from its part.
  if (settings === scene) return { ...made, ...uses, layers: optional(made.layers as Setting) };
  return "shape" in settings && "name" in settings ? { ...made, ...uses } : made;
}

const partOf = (settings: Settings, allowed: string): Grammar => {
  const { name: _, ...rest } = writtenSettings(settings);
  return object(
    Object.fromEntries(Object.entries(rest).map(([key, setting]) => [key, optional(setting)])),
    allowed,
  );
};

const layer = scene.layers.grammar.form === "list" ? scene.layers.grammar.of : undefined;
const settingsOfPart: Grammar = either(
  [
    partOf(layer?.form === "object" ? layer.settings : {}, "settings of a layer"),
    partOf(scene, "settings of a scene"),
    partOf(block, "settings of a block of content"),
  ],
  "settings of a layer, a scene or a block of content, without a name",
);

/** What is composed once, by its name. */
export const parts: Setting = {
  grammar: map(
    namePattern,
    settingsOfPart,
    "parts by their names, each with the settings of a layer, a scene or a block of content, without a name",
  ),
  meaning: "What is composed once and used by its name: settings of layers, scenes or blocks of content.",
};

/** A page file as it is written: with parts, and with what is there several times. */
export const writtenGrammar: Grammar = written(pageGrammar);
