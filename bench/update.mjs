// What `update` of a mounted scene costs, one depth in each frame, and `mount` of markup: node bench/update.mjs [runs]. Main
// thread, without what the same frames take in which nothing is changed, as ratios to a hand-written page in which a script
// sets one custom property on one element.
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

const scene = (layers) => `<!doctype html><body style="margin: 0"><div id="scene"></div><script type="module">
import { mount } from "/scene.js";
const [first] = ${JSON.stringify(benchPage(1, layers))}.scenes;
const live = mount(document.getElementById("scene"), { scene: first });
// What changes scenes is loaded for the first change.
live.update(first);
window.step = (step) => {
  live.update({ ...first, layers: first.layers.with(0, { ...first.layers[0], depth: 0.1 + step / 100 }) });
};
</script></body>`;
const plain = `<!doctype html><style>div { position: absolute; width: 180px; height: 120px; translate: 0 var(--y); }</style><body>${Array.from(
  { length: 20 },
  (_, index) =>
    `<div style="left: ${(index * 37) % 80}%; top: ${(index * 53) % 80}%; background: teal"></div>`,
).join("")}<script>
const first = document.querySelector("div");
window.step = (step) => first.style.setProperty("--y", step + "px");
</script></body>`;
/** A page in which a step does this instead. */
const doing = (step, page) => `${page}<script type="module">window.step = (step) => {${step}};</script>`;
/** The one property that an update of the scene comes to. */
const property =
  "document.querySelector('[data-lumbit-layer]').style.setProperty('--lumbit-speed', String(1 / (1.1 + step / 100)))";
const markup = (
  layers,
) => `<!doctype html><style>section { position: relative; height: 1200px } i { position: absolute; width: 180px; height: 120px; background: teal }</style>
<body><section data-lumbit-scene>${Array.from({ length: layers }, (_, index) => `<i data-lumbit-depth="${(index % 9) / 3}" style="left: ${(index * 37) % 80}%; top: ${(index * 53) % 80}%"></i>`).join("")}</section>
<script type="module">import { mount } from "/markup.js"; window.go = () => mount(document.body); window.step = () => {};</script></body>`;
const pages = {
  ...{ "by hand": plain, "by hand, nothing": doing("", plain) },
  ...Object.fromEntries(
    [20, 200].flatMap((layers) => [
      [`${layers}`, scene(layers)],
      [`${layers}, property`, doing(property, scene(layers))],
      [`${layers}, nothing`, doing("", scene(layers))],
      [`markup-${layers}`, markup(layers)],
    ]),
  ),
};

const dist = fileURLToPath(new URL("../packages/lumbit/dist/", import.meta.url));
const server = createServer(({ url = "" }, response) => {
  const script = url.endsWith(".js");
  const body = script ? readFileSync(dist + url.slice(1)) : pages[decodeURIComponent(url.slice(1))];
  response.writeHead(200, { "content-type": script ? "text/javascript" : "text/html" }).end(body);
});
await new Promise((resolve) => server.listen(0, "127.0.0.1", resolve));
const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });

async function opened(kind) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://127.0.0.1:${server.address().port}/${kind}`);
  await page.waitForFunction("window.step");
  await page.waitForTimeout(400);
  return page;
}

/** Milliseconds of an update, and layouts that scripts forced in all of them. */
async function updates(kind) {
  const page = await opened(kind);
  const { total, script, forced } = await traced(page, () =>
    page.evaluate(
      (count) =>
        new Promise((done) => {
          let step = 0;
          requestAnimationFrame(function next() {
            if (step === count) return done();
            window.step(step++);
            requestAnimationFrame(next);
          });
        }),
      steps,
    ),
  );
  await page.close();
  return { each: total / steps, script: script / steps, forced };
}

/** Layouts that mounting markup forces. */
async function mounting(kind) {
  const page = await opened(kind);
  const { forced } = await traced(page, () =>
    page.evaluate("new Promise((done) => setTimeout(() => done(void go())))"),
  );
  await page.close();
  return forced;
}

/** Tasks of more than 50 ms that mounting markup makes of the main thread, on a processor a quarter as fast. */
async function longTasks(kind) {
  const page = await opened(kind);
  const session = await page.context().newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: 4 });
  const tasks = await page.evaluate(async () => {
    let tasks = 0;
    new PerformanceObserver((list) => {
      tasks += list.getEntries().length;
    }).observe({ type: "longtask" });
    setTimeout(() => window.go());
    await new Promise((done) => setTimeout(done, 2500));
    return tasks;
  });
  await page.close();
  return tasks;
}

const kinds = Object.keys(pages).filter((kind) => !kind.startsWith("markup"));
const results = Object.fromEntries(kinds.map((kind) => [kind, []]));
for (let run = 0; run < runs; run++) for (const kind of kinds) results[kind].push(await updates(kind));
const medianOf = (kind, figure) => median(results[kind].map((result) => result[figure]));
for (const kind of kinds)
  console.log(
    `${kind.padEnd(16)} ${medianOf(kind, "each").toFixed(2)} ms a frame, ${medianOf(kind, "script").toFixed(2)} of it script, ${medianOf(kind, "forced")} forced layouts`,
  );
/** What is done in a frame, without what the frame takes by itself: animations that go on, layers that are put together. */
const own = (kind, figure = "each") =>
  medianOf(kind, figure) - medianOf(`${kind.split(",")[0]}, nothing`, figure);
for (const layers of [20, 200])
  console.log(
    `an update among ${layers} layers ${own(`${layers}`).toFixed(2)} ms, ${(own(`${layers}`) / own("by hand")).toFixed(1)} times by hand, ${(own(`${layers}`) / own(`${layers}, property`)).toFixed(1)} times that property alone`,
  );
console.log(
  `an update among 200 layers is ${(own("200") / own("20")).toFixed(2)} times one among 20, its script ${(own("200", "script") / own("20", "script")).toFixed(2)} times`,
);
for (const layers of [20, 200])
  console.log(`mounting markup of ${layers} layers forces ${await mounting(`markup-${layers}`)} layouts`);
const tasks = [];
for (let run = 0; run < runs; run++) tasks.push(await longTasks("markup-20"));
console.log(`long tasks of mounting 20 layers on a processor a quarter as fast: ${median(tasks)}`);
await browser.close();
server.close();
