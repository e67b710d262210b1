// What a scene of photographs weighs as it is delivered, beside what somebody makes by hand with the same encoder:
// node bench/pictures.mjs. The photographs are made: ten of 4,000 px and more, with the grain that photographs have.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { createServer } from "node:http";
import { tmpdir } from "node:os";
import { extname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { chromium } from "playwright-core";
import sharp from "sharp";
import { browserPath, chromiumArguments } from "../scripts/browsers.mjs";

const command = fileURLToPath(new URL("../packages/cli/dist/lumbit.mjs", import.meta.url));
const folder = mkdtempSync(join(tmpdir(), "lumbit-pictures-"));
const kept = join(folder, "cache");
mkdirSync(join(folder, "photos"));

/** The same numbers for the same seed (mulberry32). */
function random(seed) {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A photograph: shapes of all sizes, each as strong as it is large, in two tones, and grain. */
async function photograph(seed, width, height) {
  const next = random(seed);
  const sum = new Float32Array(width * height);
  for (let cells = 4; cells <= 1024; cells *= 2) {
    const rows = Math.max(2, Math.round((cells * height) / width));
    const noise = Buffer.from(Array.from({ length: cells * rows }, () => next() * 255));
    const { data } = await sharp(noise, { raw: { width: cells, height: rows, channels: 1 } })
      .resize(width, height, { fit: "fill", kernel: "cubic" })
      .raw()
      .toBuffer({ resolveWithObject: true });
    const strength = 1 / cells ** 0.6;
    const step = data.length / sum.length;
    for (let at = 0; at < sum.length; at++) sum[at] += (data[at * step] / 255 - 0.5) * strength;
  }
  const [dark, light] = [0, 1].map((tone) => [0, 1, 2].map(() => 40 + tone * 130 + next() * 70));
  const pixels = Buffer.alloc(width * height * 3);
  for (let at = 0; at < sum.length; at++) {
    const share = Math.min(1, Math.max(0, 0.5 + 1.3 * sum[at]));
    const grain = (next() + next() + next() - 1.5) * 12;
    for (let channel = 0; channel < 3; channel++)
      pixels[at * 3 + channel] = Math.min(
        255,
        Math.max(0, dark[channel] + (light[channel] - dark[channel]) * share + grain),
      );
  }
  return sharp(pixels, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 92 })
    .toBuffer();
}

const sizes = [
  [4000, 2600],
  [4200, 2800],
  [4000, 3000],
  [5000, 3300],
  [4096, 2730],
  [5640, 3760],
  [4000, 2667],
  [4300, 2860],
  [4000, 2250],
  [4800, 3200],
];
for (const [index, [width, height]] of sizes.entries())
  writeFileSync(join(folder, "photos", `${index}.jpg`), await photograph(index + 1, width, height));
const image = (index) => ({ name: `photo-${index}`, image: `photos/${index}.jpg`, alt: "" });
const page = {
  format: "lumbit/1",
  title: "Photographs",
  lang: "en",
  // The least quality that is tried: that of the pictures made by hand, too.
  pictures: { similarity: 0.5 },
  scenes: [
    {
      name: "first",
      layers: [
        { ...image(0), depth: 1 },
        { ...image(1), depth: 0.5, place: { left: "8%", top: "20vh", width: "36%" } },
        { ...image(2), speed: 1.2, place: { right: "6%", top: "45vh", width: "30vw" } },
      ],
    },
    ...[3, 5, 7].map((index) => ({
      name: `scene-${index}`,
      height: "140vh",
      layers: [
        { ...image(index), depth: 2 },
        { ...image(index + 1), depth: 0.3, place: { left: "20%", top: "30vh", width: "50%" } },
      ],
    })),
    { name: "last", layers: [{ ...image(9), depth: 1 }] },
  ],
};
writeFileSync(join(folder, "page.json"), JSON.stringify(page));

const build = (output, ...more) => {
  const begun = performance.now();
  const { stdout, stderr } = spawnSync(
    process.execPath,
    [command, "build", join(folder, "page.json"), "-o", join(folder, output), ...more],
    {
      env: { ...process.env, XDG_CACHE_HOME: kept },
    },
  );
  if (!existsSync(join(folder, output, "index.html"))) throw new Error(`${stdout}${stderr}`);
  return (performance.now() - begun) / 1000;
};
const first = build("site");
const second = build("again");
build("originals", "--originals");

/** How wide the pictures of the first screen are drawn, as somebody works it out who writes the page by hand. */
const byHand = [
  // Half as fast as the page, the first scene of it: it reaches half a screen past its end and is cut off there.
  ({ width, height }) => Math.max(width, height * (4000 / 2600)) + 2,
  ({ width }) => 0.36 * width,
  ({ width }) => 0.3 * width,
];
async function handmade({ width, height, density }) {
  const bytes = await Promise.all(
    byHand.map(async (drawn, index) => {
      const wide = Math.min(sizes[index][0], Math.ceil(drawn({ width, height }) * density));
      const made = await sharp(join(folder, "photos", `${index}.jpg`))
        .resize(wide)
        .avif({ quality: 40, effort: 1, chromaSubsampling: "4:2:0" })
        .toBuffer();
      return made.byteLength;
    }),
  );
  return bytes.reduce((sum, one) => sum + one, 0);
}

const types = {
  ".html": "text/html",
  ".css": "text/css",
  ".js": "text/javascript",
  ".avif": "image/avif",
  ".webp": "image/webp",
  ".jpg": "image/jpeg",
};
const server = createServer((request, response) => {
  const file = join(folder, request.url.endsWith("/") ? `${request.url}index.html` : request.url);
  if (!existsSync(file)) return response.writeHead(404).end();
  response
    .writeHead(200, { "content-type": types[extname(file)] ?? "application/octet-stream" })
    .end(readFileSync(file));
});
await new Promise((listening) => server.listen(0, "127.0.0.1", listening));
const origin = `http://127.0.0.1:${server.address().port}`;
const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });

/** The bytes of the pictures that the first screen of a site shows, in a browser. */
async function firstScreen(site, { width, height, density }) {
  const context = await browser.newContext({ viewport: { width, height }, deviceScaleFactor: density });
  const tab = await context.newPage();
  await tab.goto(`${origin}/${site}/`, { waitUntil: "load" });
  const shown = await tab.evaluate(() =>
    [...document.images]
      .filter((image) => image.closest("section").getBoundingClientRect().top < innerHeight - 1)
      .map(({ currentSrc }) => currentSrc),
  );
  await context.close();
  return shown.reduce((sum, url) => sum + statSync(join(folder, new URL(url).pathname)).size, 0);
}

const megabytes = (bytes) => `${(bytes / 1024 / 1024).toFixed(2)} MB`;
for (const screen of [
  { width: 390, height: 844, density: 3 },
  { width: 1280, height: 800, density: 1 },
  { width: 2560, height: 1440, density: 2 },
]) {
  const [ours, originals, hand] = [
    await firstScreen("site", screen),
    await firstScreen("originals", screen),
    await handmade(screen),
  ];
  console.log(
    `${screen.width}x${screen.height}@${screen.density}: ${megabytes(ours)}, of by hand (${megabytes(hand)}) ${(ours / hand).toFixed(2)}, of the originals (${megabytes(originals)}) ${(ours / originals).toFixed(3)}`,
  );
}
console.log(
  `a first build ${first.toFixed(1)} s, a second ${second.toFixed(1)} s: ${(second / first).toFixed(3)}`,
);
await browser.close();
server.close();
rmSync(folder, { recursive: true });
