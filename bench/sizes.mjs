// What the one-file builds for pages consist of: compressed size by what it is for, from their source maps.
import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { eachMapping, TraceMap } from "@jridgewell/trace-mapping";

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
}
