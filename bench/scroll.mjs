// Measures what scrolling costs the main thread: node bench/scroll.mjs [runs]. Ratios to a baseline of the same run.
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { fileURLToPath } from "node:url";
import { chromium } from "playwright-core";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";
import { benchFiles, benchPage, reelPage, swayPage, ways } from "./pages.mjs";
import { traced } from "./trace.mjs";

const runs = Number(process.argv[2] ?? 5);
const distance = 10_000;
const scripts = Object.fromEntries(
  ["scripted.js", "sway.js", "reels.js"].map((name) => [
    name,
    readFileSync(fileURLToPath(import.meta.resolve(`lumbit/browser/${name}`))),
  ]),
);
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

const sites = new Map();
const server = createServer((request, response) => {
  const [, site, file = "index.html"] = request.url.split("/");
  const body = scripts[file] ?? sites.get(site)?.[file || "index.html"];
  const type = file.endsWith(".js") ? "text/javascript" : file.endsWith(".css") ? "text/css" : "text/html";
  response.writeHead(body === undefined ? 404 : 200, { "content-type": type }).end(body);
});
await new Promise((resolve) => server.listen(0, "127.0.0.1", resolve));

const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });

/** Scrolls a page once by wheel events. */
async function scrollOnce(page) {
  await page.mouse.move(640, 400);
  for (let step = 0; step < distance / 100; step++) {
    await page.mouse.wheel(0, 100);
    await page.waitForTimeout(12);
  }
}

/** Moves the pointer about in circles. */
async function circle(page) {
  for (let step = 0; step < 150; step++) {
    await page.mouse.move(640 + 400 * Math.cos(step / 10), 400 + 300 * Math.sin(step / 10));
    await page.waitForTimeout(12);
  }
}

/** Opens a page, has it acted upon and reads off the trace what the main thread did. */
async function measure(url, act) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(url);
  await page.waitForTimeout(300);
  const sums = await traced(page, act);
  const scrolled = await page.evaluate(() => scrollY);
  await page.close();
  return { ...sums, scrolled };
}

/** Medians over the runs, the ways taking turns so that a slow moment of the machine hits all of them. */
async function compare(rows, act = scrollOnce) {
  const results = new Map(rows.map(({ name }) => [name, []]));
  for (let run = 0; run < runs; run++)
    for (const { name, page, way } of rows) {
      const key = name.replaceAll(/\W/g, "-");
      sites.set(key, benchFiles(page, ways[way]));
      results.get(name).push(await measure(`http://127.0.0.1:${server.address().port}/${key}/`, act));
    }
  return rows.map(({ name }) => {
    const all = results.get(name);
    return {
      name,
      ...Object.fromEntries(
        Object.keys(all[0]).map((key) => [key, median(all.map((result) => result[key]))]),
      ),
    };
  });
}

/** What the main thread did, a row a way, with the ratios that a row is judged by. */
const profile = (rows, ratios) =>
  Object.fromEntries(
    rows.map(({ name, scrolled, ...row }) => [
      name,
      Object.fromEntries(
        Object.entries({ ...row, ...ratios({ name, ...row }) }).map(([key, value]) => [
          key,
          Number(value.toFixed(key in row ? 1 : 2)),
        ]),
      ),
    ]),
  );

const usual = benchPage(20, 10);
const scrolling = Object.keys(ways).filter((way) => !way.startsWith("sway"));
const table = await compare(scrolling.map((way) => ({ name: way, page: usual, way })));
const by = (name) => table.find((row) => row.name === name).total;
console.log(`20 scenes, 200 layers, ${distance} px by wheel, medians of ${runs} runs, ms of the main thread`);
console.table(
  profile(table, ({ total }) => ({
    "of plain loop": total / by("plain loop"),
    "of static": total / by("static"),
  })),
);

const ramped = benchPage(20, 10, true);
const ramps = await compare(
  ["plain loop", "native", "scripted"].map((way) => ({ name: way, page: ramped, way })),
);
const rampCost = (name) => ramps.find((row) => row.name === name).total;
console.log("The same with an opacity ramp on every layer, of a plain loop that writes it too:");
for (const way of ["native", "scripted"])
  console.log(`  ${way} ${(rampCost(way) / rampCost("plain loop")).toFixed(2)}`);

const reels = await compare(
  [4, 16].flatMap((slides) =>
    ["native", "scripted"].map((way) => ({
      name: `${way} ${slides}`,
      page: reelPage(32 / slides, slides),
      way,
    })),
  ),
);
const reelCost = (name) => reels.find((row) => row.name === name).total;
console.log("Reels of 16 slides, of reels of 4 (10 layers a slide, two slides in view):");
for (const way of ["native", "scripted"])
  console.log(`  ${way} ${(reelCost(`${way} 16`) / reelCost(`${way} 4`)).toFixed(2)}`);

const sways = await compare(
  ["sway loop", "sway"].map((way) => ({ name: way, page: swayPage(20, 10), way })),
  circle,
);
console.log("A camera that sways with the pointer, of a plain pointer loop:");
console.log(`  ${(sways[1].total / sways[0].total).toFixed(2)}`);

const long = benchPage(200, 10);
const lengths = await compare(
  ["static", "native", "scripted"].flatMap((way) => [
    { name: `${way}, 200 layers`, page: usual, way },
    { name: `${way}, 2000 layers`, page: long, way },
  ]),
);
console.log("2000 layers of which 200 are near the view, of 200:");
console.table(
  profile(lengths, ({ name, total }) => ({
    "of 200": total / lengths.find((row) => row.name === `${name.split(",")[0]}, 200 layers`).total,
  })),
);
await browser.close();
server.close();
