// How long it takes from the command to the first picture of the demo on both stages: node bench/open.mjs [runs].
// The browser is running already; beside it, what the same browser takes for the built page of the demo.
import { spawn, spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { chromium } from "playwright-core";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";

const runs = Number(process.argv[2] ?? 5);
const root = fileURLToPath(new URL("..", import.meta.url));
const command = join(root, "packages/cli/dist/lumbit.mjs");
const demo = join(root, "examples/tidehouse/page.json");
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });
// As whoever works here has it: the command opens one more tab.
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
await context.newPage();
const isShown = () => document.querySelector('[data-lumbit-layer="far-reef"]')?.complete;
/** Until something holds; asked without a script of the tool's in the page, which would be part of what is measured. */
async function until(holds) {
  while (!(await holds().catch(() => false))) await new Promise((done) => setTimeout(done, 20));
}

/** Seconds until both stages show a picture. */
async function composer() {
  const begun = performance.now();
  const server = spawn(process.execPath, [command, "compose", demo, "--no-open", "--port", "0"], {
    env: { ...process.env, NO_COLOR: "1" },
  });
  let printed = "";
  const url = await new Promise((done) =>
    server.stdout.on("data", (data) => {
      printed += data;
      const found = /http:\S+/.exec(printed);
      if (found) done(found[0]);
    }),
  );
  const page = await context.newPage();
  await page.goto(url, { waitUntil: "commit" });
  // At their places, where they can be seen.
  await until(() => page.evaluate(() => document.querySelectorAll(".stages iframe").length === 2));
  for (const stage of page.frames().slice(1)) await until(() => stage.evaluate(isShown));
  const seconds = (performance.now() - begun) / 1000;
  await page.close();
  server.kill();
  return seconds;
}

const site = join(mkdtempSync(join(tmpdir(), "lumbit-open-")), "site");
spawnSync(process.execPath, [command, "build", demo, "-o", site]);
async function plain() {
  const begun = performance.now();
  const page = await context.newPage();
  await page.goto(pathToFileURL(join(site, "index.html")).href, { waitUntil: "commit" });
  await until(() => page.evaluate(isShown));
  const seconds = (performance.now() - begun) / 1000;
  await page.close();
  return seconds;
}

const times = { composer: [], plain: [] };
for (let run = 0; run < runs; run++) {
  times.composer.push(await composer());
  times.plain.push(await plain());
}
const [opened, page] = [median(times.composer), median(times.plain)];
console.log(`from the command to the first picture on both stages: ${opened.toFixed(2)} s`);
console.log(`of the built page in the same browser (${page.toFixed(2)} s): ${(opened / page).toFixed(1)}`);
await browser.close();
