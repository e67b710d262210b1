// What slides out of view cost in other engines: node bench/engines.mjs [runs]. Time of all processors spent by the
// browser's processes for the same scroll over reels of 16 slides, as a ratio to reels of 4 in the same run.
import { readdirSync, readFileSync } from "node:fs";
import { createServer } from "node:http";
import { fileURLToPath } from "node:url";
import { runnerImport } from "vite";
import { benchFiles, reelPage, ways } from "./pages.mjs";

const runs = Number(process.argv[2] ?? 3);
const { module } = await runnerImport(fileURLToPath(new URL("../test/engines.ts", import.meta.url)));
const scripts = Object.fromEntries(
  ["scripted.js", "reels.js"].map((name) => [
    name,
    readFileSync(fileURLToPath(import.meta.resolve(`lumbit/browser/${name}`))),
  ]),
);
const sites = new Map();
for (const slides of [4, 16])
  for (const way of ["native", "scripted"])
    sites.set(`${way}-${slides}`, benchFiles(reelPage(32 / slides, slides), ways[way]));
const server = createServer((request, response) => {
  const [, site, file] = request.url.split("/");
  const name = file || "index.html";
  const body = scripts[name] ?? sites.get(site)?.[name];
  const type = name.endsWith(".js") ? "text/javascript" : name.endsWith(".css") ? "text/css" : "text/html";
  response.writeHead(body === undefined ? 404 : 200, { "content-type": type }).end(body);
});
await new Promise((resolve) => server.listen(0, "127.0.0.1", resolve));

/** Seconds of processors that this process's children have spent, those of theirs included. */
function secondsSpent() {
  const processes = new Map();
  for (const pid of readdirSync("/proc").filter((name) => /^\d+$/.test(name))) {
    try {
      const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
      const fields = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
      processes.set(Number(pid), {
        parent: Number(fields[1]),
        ticks: Number(fields[11]) + Number(fields[12]),
      });
    } catch {} // It has ended meanwhile.
  }
  const ours = (pid) => pid === process.pid || (processes.has(pid) && ours(processes.get(pid).parent));
  let ticks = 0;
  for (const { parent, ticks: own } of processes.values()) if (ours(parent)) ticks += own;
  return ticks / 100;
}

const scroll = `for (let y = 0; y < 8000; y += 40) { scrollTo({ top: y, behavior: "instant" }); await new Promise(requestAnimationFrame); }`;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

for (const name of ["chromium", "firefox", "webkit"]) {
  const engine = await module.engineOf(name);
  const spent = new Map([...sites.keys()].map((site) => [site, []]));
  for (let run = 0; run < runs; run++)
    for (const site of sites.keys()) {
      await engine.open(`http://127.0.0.1:${server.address().port}/${site}/`);
      await engine.resize(1280, 800);
      await engine.run("await new Promise((done) => setTimeout(done, 500));");
      const before = secondsSpent();
      await engine.run(scroll);
      spent.get(site).push(secondsSpent() - before);
    }
  await engine.close();
  for (const way of ["native", "scripted"]) {
    const [few, many] = [4, 16].map((slides) => median(spent.get(`${way}-${slides}`)));
    console.log(`${name} ${way}: ${many.toFixed(2)} s, ${(many / few).toFixed(2)} of reels of 4 slides`);
  }
}
server.close();
