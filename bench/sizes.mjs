// What pages load of the library, compressed: with their own script, as bundlers make it, and later, when their markup or
// scenes ask for it; the one-file builds; and what it takes
// to build scenes that stand still.
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { gzipSync } from "node:zlib";
import { rolldown } from "rolldown";
import { printed } from "../packages/lumbit/scripts/printed.mjs";
import { withoutMeanings } from "../packages/lumbit/scripts/without-meanings.mjs";
import { loadedBy } from "../scripts/loaded.mjs";

const kB = (bytes) => `${(bytes / 1000).toFixed(1).padStart(6)} kB`;

const uses = {
  markup: 'import { mount } from "lumbit/markup"; mount(document.body);',
  scene: 'import { mount } from "lumbit/scene"; mount(document.body, { scene: globalThis.scene });',
};
for (const [name, code] of Object.entries(uses)) {
  const { first, later } = await loadedBy(code);
  console.log(`\nlumbit/${name}\n${kB(first)}  what it begins with`);
  for (const [part, bytes] of later.sort((a, b) => b[1] - a[1]).filter(([, bytes]) => bytes > 400))
    console.log(`${kB(bytes)}  later: ${part}`);
  const file = new URL(`../packages/lumbit/dist/browser/${name}.js`, import.meta.url);
  console.log(`${kB(gzipSync(readFileSync(file), { level: 9 }).length)}  as one file`);
}

/** What moves and changes a scene that stands already. */
const moving =
  /(markup|core|settings)\/(ramp|reel|motion|moment|settle|overscan|drift)\.ts|markup\/(native|reach|fixed)\.css\.ts|runtime\/(enliven|edges|scroller|driver|restartable|mounted|parts|spread|ems|lines|kept-orders|kept-sheets)\.ts/;

/** The first load of scenes with nothing in place of that. It does not run. */
const hollow = {
  name: "hollow",
  load(id) {
    if (!moving.test(id)) return;
    const exported = readFileSync(id, "utf8").matchAll(/^export (?:async )?(?:const|function|class) (\w+)/gm);
    return {
      code: [...exported].map(([, own]) => `export const ${own} = undefined;`).join("\n"),
      moduleType: "js",
    };
  },
};
const bundle = await rolldown({
  input: fileURLToPath(new URL("../packages/lumbit/src/runtime/scene.ts", import.meta.url)),
  platform: "browser",
  plugins: [hollow, printed(), withoutMeanings()],
  logLevel: "silent",
});
const { output } = await bundle.generate({ minify: true });
const least = output
  .filter(({ code, isDynamicEntry }) => code && !isDynamicEntry)
  .map(({ code }) => code)
  .join("\n");
console.log(`\na scene that stands still and cannot change: ${kB(gzipSync(least, { level: 9 }).length)}`);
