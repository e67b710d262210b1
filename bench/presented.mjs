// What a reader sees: the share of presented frames in which a layer is more than 1 px from where it belongs at the scroll
// position of that very frame. node bench/presented.mjs. The page scrolls by the compositor; both positions are read off the
// frames themselves, in which marks of the page and of a layer with half its speed stand side by side.

import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { chromium } from "playwright-core";
import sharp from "sharp";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";

const scripts = fileURLToPath(new URL("../packages/lumbit/dist/browser", import.meta.url));
const viewport = { width: 600, height: 800 };
const height = 8000;
/** Marks every so many px, each with a color of its own: which it is, its green says. */
const apart = 400;
const marks = (red, left, more) =>
  Array.from(
    { length: height / apart },
    (_, index) =>
      `<b style="position:absolute;left:${left}px;top:${index * apart}px;width:100px;height:40px;background:rgb(${red},${index * 10},40)" ${more}></b>`,
  ).join("");

/** Moves layers as a script by hand does: at every scroll event. */
const loop = `const layers = [...document.querySelectorAll("[data-lumbit-depth]")]; const scene = document.querySelector("section");
addEventListener("scroll", () => { const p = innerHeight - scene.getBoundingClientRect().top; for (const layer of layers) layer.style.translate = "0 " + 0.5 * (p - (innerHeight + ${height}) / 2) + "px"; }); dispatchEvent(new Event("scroll"));`;
const mount = (driver) =>
  `import { mount } from "/markup.js"; mount(document.querySelector("main"), { driver: "${driver}" });`;
const busy =
  "setInterval(() => { const end = performance.now() + 8; while (performance.now() < end); }, 16);";

const page = (script) =>
  `<!doctype html><style>body{margin:0}section{position:relative;height:${height}px;overflow:clip}.gap{height:800px}</style><div class="gap"></div><main><section data-lumbit-scene data-lumbit-settle="middle">${marks(250, 0, "")}${marks(120, 200, 'data-lumbit-depth="1"')}</section></main><div class="gap"></div><script type="module">${script}</script>`;
let script = "";
const server = createServer((request, response) => {
  const isScript = request.url?.endsWith(".js");
  response.writeHead(200, { "content-type": isScript ? "text/javascript" : "text/html" });
  response.end(isScript ? readFileSync(join(scripts, request.url)) : page(script));
});
await new Promise((done) => server.listen(0, "127.0.0.1", done));
const url = `http://127.0.0.1:${server.address().port}/`;
const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });

/** Where the first whole mark of a column is in a picture, and which it is. */
function markIn({ data, info }, column, red) {
  let top;
  for (let y = 0; y < info.height; y++) {
    const at = (y * info.width + column) * info.channels;
    const is = Math.abs(data[at] - red) < 6 && Math.abs(data[at + 2] - 40) < 12;
    if (is && top === undefined && y > 0) top = { y, index: Math.round(data[at + 1] / 10) };
    if (!is && top && y - top.y >= 38) return top;
    if (!is) top = undefined;
  }
  return undefined;
}

/** The share of frames in which the layer is off, in percent, and how far it is off at most. */
async function measured(own) {
  script = own;
  const tab = await browser.newPage({ viewport });
  await tab.goto(url);
  await tab.waitForTimeout(400);
  const session = await tab.context().newCDPSession(tab);
  const frames = [];
  session.on("Page.screencastFrame", ({ data, sessionId }) => {
    frames.push(Buffer.from(data, "base64"));
    session.send("Page.screencastFrameAck", { sessionId }).catch(() => {});
  });
  await session.send("Page.startScreencast", { format: "png", everyNthFrame: 1 });
  // By the wheel: Chromium's own scroll gestures never end on pages with scroll-driven animations.
  await tab.mouse.move(300, 400);
  for (let scrolled = 0; scrolled < 6000; scrolled += 50) {
    await tab.mouse.wheel(0, 50);
    await tab.waitForTimeout(25);
  }
  await session.send("Page.stopScreencast");
  await tab.close();
  const errors = [];
  for (const png of frames) {
    const raw = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const [still, layer] = [markIn(raw, 50, 250), markIn(raw, 250, 120)];
    if (!still || !layer) continue;
    // p of the frame, and where the layer belongs in it.
    const top = still.y - still.index * apart;
    const p = viewport.height - top;
    if (p <= 0 || p >= viewport.height + height) continue;
    const belongs = top + layer.index * apart + 0.5 * (p - (viewport.height + height) / 2);
    errors.push(Math.abs(layer.y - belongs));
  }
  return {
    frames: errors.length,
    off: (100 * errors.filter((error) => error > 1).length) / errors.length,
    most: Math.max(...errors),
  };
}

for (const [name, own] of [
  ["native", mount("native")],
  ["scripted", mount("scripted")],
  ["the plain loop", loop],
])
  for (const [load, more] of [
    ["idle", ""],
    ["half busy", busy],
  ]) {
    const { frames, off, most } = await measured(`${own}\n${more}`);
    console.log(
      `${name}, main thread ${load}: ${off.toFixed(0)} % of ${frames} frames are off by more than 1 px, ${most.toFixed(1)} px at most`,
    );
  }
await browser.close();
server.close();
