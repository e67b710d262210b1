// What pages load of the library, compressed: with their own script, as bundlers make it, and later, when their markup or
// scenes ask for it; and the one-file builds.
import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
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
