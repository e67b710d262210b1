// What one step of a depth drag costs on four stages: node bench/compose.mjs [runs]. Of all threads, and of the main
// thread of all frames, as ratios to a hand-written page of four frames in which a script sets one custom property on one
// element; beside it the one property that a depth comes down to, set by hand among the same layers.
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { fileURLToPath } from "node:url";
import { chromium } from "playwright-core";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";
import { benchPage } from "./pages.mjs";
import { traced } from "./trace.mjs";

const runs = Number(process.argv[2] ?? 5);
const steps = 120;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** Layers of one scene on the screen, away from where depths make no difference: those under the hand and all others. */
const stage = (layers, byHand = false) => `<!doctype html><body><script type="module">
import { mountPage } from "/lumbit.js";
let page = ${JSON.stringify({ ...benchPage(0, 0), scenes: [...benchPage(1, layers).scenes, { name: "after", height: "100vh", layers: [] }] })};
const live = mountPage(document, page, { pictures: {}, fonts: {} });
scrollTo(0, 30);
const element = document.querySelector('[data-lumbit-layer="layer-0"]');
parent.steps.push(${byHand} ? (step) => element.style.setProperty("--lumbit-speed", 1 / (2 + step / 100)) : (step) => {
  const [scene, after] = page.scenes;
  const [first, ...others] = scene.layers;
  page = { ...page, scenes: [{ ...scene, layers: [{ ...first, depth: 1 + step / 100 }, ...others] }, after] };
  live.update(page);
});
</script></body>`;
const plain = `<!doctype html><style>div { position: absolute; width: 180px; height: 120px; translate: 0 var(--y); }</style><body>${Array.from(
  { length: 50 },
  (_, index) =>
    `<div style="left: ${(index * 37) % 80}%; top: ${(index * 53) % 80}%; background: teal"></div>`,
).join("")}<script>
const first = document.querySelector("div");
parent.steps.push((step) => first.style.setProperty("--y", step + "px"));
</script></body>`;
const frames = {
  ...{ plain, 50: stage(50), 200: stage(200) },
  ...{ "property-50": stage(50, true), "property-200": stage(200, true) },
};
const desk = (kind) => `<!doctype html><style>iframe { width: 640px; height: 400px; border: 0; }</style>
<script>window.steps = [];</script>${`<iframe src="/frame/${kind}"></iframe>`.repeat(4)}`;

const dist = fileURLToPath(new URL("../packages/lumbit/dist/", import.meta.url));
const server = createServer(({ url = "" }, response) => {
  const script = url.endsWith(".js");
  const body = script
    ? readFileSync(dist + url.slice(1))
    : url.startsWith("/frame/")
      ? frames[url.slice("/frame/".length)]
      : desk(url.slice(1));
  response.writeHead(200, { "content-type": script ? "text/javascript" : "text/html" }).end(body);
});
await new Promise((resolve) => server.listen(0, "127.0.0.1", resolve));
const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });

/** Milliseconds of a step, and layouts that scripts forced in all of them. */
async function drag(kind) {
  const page = await browser.newPage({ viewport: { width: 1300, height: 840 } });
  await page.goto(`http://127.0.0.1:${server.address().port}/${kind}`);
  await page.waitForFunction("steps.length === 4");
  await page.waitForTimeout(500);
  const { total, everywhere, forced } = await traced(page, () =>
    page.evaluate(async (count) => {
      for (let step = 0; step < count; step++) {
        for (const frame of window.steps) frame(step);
        await new Promise(requestAnimationFrame);
      }
    }, steps),
  );
  // What stood while others changed moves again a second later: work of the drag, but of none of its steps.
  const { everywhere: afterwards } = await traced(page, () => page.waitForTimeout(3500));
  await page.close();
  return { main: total / steps, all: everywhere / steps, afterwards: afterwards / 4, forced };
}

const times = Object.fromEntries(Object.keys(frames).map((kind) => [kind, []]));
for (let run = 0; run < runs; run++)
  for (const kind of Object.keys(frames)) times[kind].push(await drag(kind));
for (const threads of ["all", "main"]) {
  const each = (kind) => median(times[kind].map((one) => one[threads]));
  console.log(`${threads === "all" ? "all threads" : "the main thread"}, ms of a step on four stages:`);
  for (const kind of Object.keys(frames))
    console.log(`  ${kind}: ${each(kind).toFixed(2)}, ${(each(kind) / each("plain")).toFixed(2)} of by hand`);
  for (const kind of ["", "property-"])
    console.log(
      `  200 layers, of 50, ${kind || "a depth"}: ${(each(`${kind}200`) / each(`${kind}50`)).toFixed(2)}`,
    );
}
console.log("once after the drag, all threads, ms of each stage:");
for (const kind of Object.keys(frames))
  console.log(`  ${kind}: ${median(times[kind].map(({ afterwards }) => afterwards)).toFixed(0)}`);
const forced = Object.entries(times).flatMap(([kind, runs]) => (kind === "plain" ? [] : runs));
console.log(`forced layouts: ${forced.reduce((sum, one) => sum + one.forced, 0)}`);
await browser.close();
server.close();
