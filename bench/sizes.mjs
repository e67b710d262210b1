// What the one-file builds for pages consist of: compressed size by what it is for, from their source maps; and the size
// of builds in which whatever is for some pages alone is taken out.
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { gzipSync } from "node:zlib";
import { eachMapping, TraceMap } from "@jridgewell/trace-mapping";
import { rolldown } from "rolldown";
import { printed } from "../packages/lumbit/scripts/printed.mjs";
import { withoutMeanings } from "../packages/lumbit/scripts/without-meanings.mjs";

/** What is for some pages alone, by its files; all else every page needs. */
const parts = [
  ["the scripted driver", /runtime\/(scripted|scroller|position|edges)\.ts/],
  ["ramps", /(markup|core|settings)\/(ramp|moment)\.ts|core\/easing\.ts/],
  ["reels", /\/reel\.ts/],
  ["sway and tilt", /(runtime|markup)\/(sway|tilt)\.ts/],
  ["cues", /\/(cues?|events)\.ts/],
  ["texts in pieces and lines", /\/(pieces|lines|text|words)\.ts/],
  ["films, backgrounds", /\/(videos|background)\.ts/],
  [
    "building scenes from objects",
    /markup\/(elements|layer|place|row|stage|scene|look|line|header|target)\.ts|runtime\/(build|mount-scene|followed-scene)\.ts|core\/(row|place|links|target)\.ts/,
  ],
  ["reading and judging", /runtime\/adopt\/(attribute|unknown|obstacles)|settings\//],
];

/** What a page of layers at depths does without. */
const forSome =
  /runtime\/(scripted|scroller|position|edges|sway|tilt|cues|events|videos|lines|pieces|reel)\.ts|(markup|core)\/(ramp|reel|sway|tilt|easing|cue)\.ts|adopt\/(reel|text|background|obstacles|unknown)\.ts|settings\/(ramp|cue|fault)\.ts/;

/** The compressed size of an entry that has nothing in place of such files. It does not run. */
async function least(name) {
  const hollow = {
    name: "hollow",
    load(id) {
      if (!forSome.test(id)) return;
      const exported = readFileSync(id, "utf8").matchAll(
        /^export (?:async )?(?:const|function|class) (\w+)/gm,
      );
      return {
        code: [...exported].map(([, own]) => `export const ${own} = undefined;`).join("\n"),
        moduleType: "js",
      };
    },
  };
  const input = fileURLToPath(new URL(`../packages/lumbit/src/runtime/${name}.ts`, import.meta.url));
  const plugins = [hollow, printed(), withoutMeanings()];
  const bundle = await rolldown({ input, platform: "browser", plugins, logLevel: "silent" });
  const { output } = await bundle.generate({ minify: true });
  return gzipSync(output[0].code, { level: 9 }).length;
}

for (const name of ["markup", "scene"]) {
  const file = new URL(`../packages/lumbit/dist/browser/${name}.js`, import.meta.url);
  const code = readFileSync(file, "utf8");
  const compressed = gzipSync(code, { level: 9 }).length;
  const lines = code.split("\n");
  const found = [];
  eachMapping(new TraceMap(readFileSync(`${file.pathname}.map`, "utf8")), (one) => found.push(one));
  const bytes = new Map();
  for (const [index, { generatedLine, generatedColumn, source }] of found.entries()) {
    const next = found[index + 1];
    const end =
      next?.generatedLine === generatedLine ? next.generatedColumn : lines[generatedLine - 1].length;
    const part = parts.find(([, files]) => files.test(source ?? ""))?.[0] ?? "what every page needs";
    bytes.set(part, (bytes.get(part) ?? 0) + end - generatedColumn);
  }
  console.log(`\n${name}.js: ${(compressed / 1000).toFixed(1)} kB compressed`);
  const all = [...bytes.values()].reduce((sum, own) => sum + own, 0);
  for (const [part, own] of [...bytes].sort((a, b) => b[1] - a[1]))
    console.log(`${((compressed * own) / all / 1000).toFixed(1).padStart(6)} kB  ${part}`);
  console.log(`without what is for some pages alone: ${((await least(name)) / 1000).toFixed(1)} kB`);
}
