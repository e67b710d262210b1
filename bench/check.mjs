// Measures what judging a page costs: node bench/check.mjs [runs]. The ratio tells how it grows with the layers.
import { checkPage } from "lumbit/checks";
import { benchPage } from "./pages.mjs";

const runs = Number(process.argv[2] ?? 5);
const natural = { layer: () => ({ width: 300, height: 40 }) };
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
/** A text over the shapes of every scene, so that contrast is judged too. */
const withTexts = (page) => ({
  ...page,
  page: { color: "#fff" },
  scenes: page.scenes.map((scene) => ({
    ...scene,
    layers: [...scene.layers.slice(1), { name: "text", text: "High water at six", fontSize: "30px" }],
  })),
});
const pages = { 250: withTexts(benchPage(25, 10)), 500: withTexts(benchPage(50, 10)) };
const times = { 250: [], 500: [] };
for (let run = 0; run < runs; run++)
  for (const [layers, page] of Object.entries(pages)) {
    const start = performance.now();
    checkPage({ page, natural });
    times[layers].push(performance.now() - start);
  }
console.log(`50 scenes, 500 layers, 8 viewports: ${median(times[500]).toFixed(0)} ms (median of ${runs})`);
console.log(`of 25 scenes and 250 layers: ${(median(times[500]) / median(times[250])).toFixed(2)}`);
