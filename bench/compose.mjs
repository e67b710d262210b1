// What one step of a depth drag costs on four stages: node bench/compose.mjs [runs]. Main thread of all frames, as
// ratios to a hand-written page of four frames in which a script sets one custom property on one element.
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

/** Layers of one scene on the screen: those under the hand and all others. */
const stage = (layers) => `<!doctype html><body><script type="module">
import { mountPage } from "/lumbit.js";
let page = ${JSON.stringify(benchPage(1, layers))};
const live = mountPage(document, page, { pictures: {}, fonts: {} });
parent.steps.push((step) => {
  const [scene] = page.scenes;
  const [first, ...others] = scene.layers;
  page = { ...page, scenes: [{ ...scene, layers: [{ ...first, depth: 0.1 + step / 100 }, ...others] }] };
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
const frames = { plain, 50: stage(50), 200: stage(200) };
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
  const { total, forced } = await traced(page, () =>
    page.evaluate(async (count) => {
      for (let step = 0; step < count; step++) {
        for (const frame of window.steps) frame(step);
        await new Promise(requestAnimationFrame);
      }
    }, steps),
  );
  await page.close();
  return { each: total / steps, forced };
}

const times = { plain: [], 50: [], 200: [] };
let forcedLayouts = 0;
for (let run = 0; run < runs; run++)
  for (const kind of Object.keys(times)) {
    const { each, forced } = await drag(kind);
    times[kind].push(each);
    if (kind !== "plain") forcedLayouts += forced;
  }
const [hand, few, many] = ["plain", 50, 200].map((kind) => median(times[kind]));
console.log(
  `a step on four stages: ${few.toFixed(2)} ms of 50 layers, ${many.toFixed(2)} ms of 200, ${hand.toFixed(2)} ms by hand`,
);
console.log(`200 layers, of 50: ${(many / few).toFixed(2)}`);
console.log(
  `50 layers, of one property by hand: ${(few / hand).toFixed(2)}; 200 layers: ${(many / hand).toFixed(2)}`,
);
console.log(`forced layouts: ${forcedLayouts}`);
await browser.close();
server.close();
