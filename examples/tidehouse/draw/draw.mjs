// Draws the art of the Tidehouse demo into ../art and copies its fonts into ../fonts, or into the folder after --to.
// Everything is seeded: the same pictures on every run. Names draw only those: node draw/draw.mjs neap spring
import { copyFile, mkdir } from "node:fs/promises";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { createCanvas } from "@napi-rs/canvas";
import sharp from "sharp";
import { css } from "./colour.mjs";
import { drawSchool } from "./fish.mjs";
import { drawBoot, drawFloat, drawHelmet, drawLantern, drawShell, drawTicket } from "./gear.mjs";
import { drawFrond } from "./kelp.mjs";
import { seeded } from "./random.mjs";
import { drawFarReef, drawSeaFloor } from "./reef.mjs";
import { drawSpecies } from "./species.mjs";
import { drawDeep, drawPit, drawShelf } from "./tanks.mjs";
import { drawTide } from "./tides.mjs";
import { drawOpenWater, drawShafts } from "./water.mjs";

const ground = [4, 18, 24];

/** A stand of kelp: fronds at shares of the width, each { x, top, size, lean, seed }; `sinks` into the dark below. */
function drawStand(width, height, fronds, look, sinks = false) {
  const canvas = createCanvas(width, height);
  const context = canvas.getContext("2d");
  for (const { x, top, size, lean, seed } of fronds)
    drawFrond(context, seeded(seed), {
      x: x * width,
      bottom: height * 1.02,
      top: top * height,
      size,
      lean,
      look,
    });
  if (sinks) {
    const dark = context.createLinearGradient(0, height * 0.74, 0, height * 0.88);
    dark.addColorStop(0, css(ground, 0));
    dark.addColorStop(1, css(ground));
    context.globalCompositeOperation = "source-atop";
    context.fillStyle = dark;
    context.fillRect(0, 0, width, height);
  }
  return canvas;
}

const farLook = {
  dark: [26, 96, 104],
  light: [50, 132, 130],
  rim: [176, 222, 196],
  rimAlpha: 0.34,
  detail: 0,
};
const midLook = { dark: [9, 58, 66], light: [30, 98, 98], rim: [150, 212, 184], rimAlpha: 0.5, detail: 0.6 };
const nearLook = { dark: [2, 15, 20], light: [10, 46, 48], rim: [148, 206, 172], rimAlpha: 0.62, detail: 1 };

function farFronds() {
  const random = seeded(71);
  return [0.03, 0.1, 0.16, 0.21, 0.29, 0.35, 0.66, 0.74, 0.8, 0.87, 0.93, 0.98].map((x, index) => ({
    x: x + random.around(0, 0.012),
    top: random.between(-0.05, 0.3) + (Math.abs(x - 0.5) < 0.22 ? 0.25 : 0),
    size: random.between(98, 138),
    lean: random.around(0.3, 0.5),
    seed: 700 + index,
  }));
}

/** Snow of the sea: specks of every softness, most of them faint. */
function drawSnow(width, height) {
  const random = seeded(83);
  const canvas = createCanvas(width, height);
  const context = canvas.getContext("2d");
  for (let index = 0; index < 420; index++) {
    const radius = 0.7 + random.next() ** 5 * 6;
    const [x, y] = [random.next() * width, random.next() * height];
    const alpha = (0.5 * random.next()) / (1 + radius * 0.35);
    const glow = context.createRadialGradient(x, y, 0, x, y, radius);
    glow.addColorStop(0, `rgb(226 248 232 / ${alpha})`);
    glow.addColorStop(radius > 3 ? 0.55 : 0.2, `rgb(226 248 232 / ${alpha * 0.6})`);
    glow.addColorStop(1, "rgb(226 248 232 / 0)");
    context.fillStyle = glow;
    context.fillRect(x - radius, y - radius, radius * 2, radius * 2);
  }
  return canvas;
}

const pictures = {
  "open-water": { draw: () => drawOpenWater(1920, 1080), quality: 90 },
  shafts: { draw: () => drawShafts(1280, 720), quality: 60, alpha: 60 },
  "far-reef": { draw: () => drawFarReef(2200, 900), quality: 72, soften: 1.6 },
  "far-kelp": {
    draw: () => drawStand(2460, 1605, farFronds(), farLook),
    quality: 60,
    alpha: 40,
    soften: 1.4,
  },
  school: { draw: () => drawSchool(1900, 1100), quality: 78 },
  snow: { draw: () => drawSnow(2400, 1600), quality: 50, alpha: 60 },
  "mid-kelp": {
    draw: () =>
      drawStand(
        1100,
        1900,
        [
          { x: 0.36, top: 0.2, size: 200, lean: 0.5, seed: 301 },
          { x: 0.5, top: 0.02, size: 230, lean: 0.7, seed: 302 },
          { x: 0.64, top: 0.32, size: 200, lean: 0.3, seed: 303 },
        ],
        midLook,
      ),
    quality: 72,
  },
  "near-kelp-left": {
    draw: () =>
      drawStand(
        1500,
        2700,
        [
          { x: 0.2, top: 0.12, size: 400, lean: 0.5, seed: 401 },
          { x: 0.46, top: 0.2, size: 360, lean: 0.45, seed: 402 },
          { x: 0.3, top: 0.3, size: 440, lean: 0.7, seed: 403 },
        ],
        nearLook,
        true,
      ),
    quality: 74,
  },
  "near-kelp-right": {
    draw: () =>
      drawStand(
        1500,
        2700,
        [
          { x: 0.78, top: 0.12, size: 400, lean: -0.4, seed: 511 },
          { x: 0.56, top: 0.34, size: 360, lean: -0.4, seed: 502 },
          { x: 0.72, top: 0.2, size: 440, lean: -0.7, seed: 513 },
        ],
        nearLook,
        true,
      ),
    quality: 74,
  },
  neap: { draw: () => drawTide(1210, 1650, "neap"), quality: 72 },
  spring: { draw: () => drawTide(1210, 1650, "spring"), quality: 74 },
  shelf: { draw: () => drawShelf(1920, 1200), quality: 74 },
  pit: { draw: () => drawPit(1920, 1200), quality: 76 },
  deep: { draw: () => drawDeep(1920, 1200), quality: 78 },
  ...Object.fromEntries(
    // What has fine lines is larger.
    Object.entries({ bass: 1100, star: 1320, anemone: 1320, jelly: 1320, comb: 1100 }).map(
      ([name, width]) => [name, { draw: () => drawSpecies(width, (width * 13) / 11, name), quality: 74 }],
    ),
  ),
  helmet: { draw: () => drawHelmet(900, 980), quality: 80 },
  boot: { draw: () => drawBoot(720, 640), quality: 80 },
  lantern: { draw: () => drawLantern(460, 760), quality: 80 },
  float: { draw: () => drawFloat(380, 420), quality: 80 },
  shell: { draw: () => drawShell(360, 300), quality: 80 },
  ticket: { draw: () => drawTicket(420, 240), quality: 80 },
  "sea-floor": { draw: () => drawSeaFloor(2800, 1000, ground), quality: 76 },
};

const { values, positionals: wanted } = parseArgs({
  options: { to: { type: "string" } },
  allowPositionals: true,
});
const home = values.to ?? fileURLToPath(new URL("..", import.meta.url));
for (const folder of ["art", "fonts"]) await mkdir(join(home, folder), { recursive: true });
for (const [name, { draw, quality, alpha = 85, soften }] of Object.entries(pictures)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const canvas = draw();
  let picture = sharp(canvas.data(), {
    raw: { width: canvas.width, height: canvas.height, channels: 4, premultiplied: true },
  });
  if (soften) picture = picture.blur(soften);
  const { size } = await picture
    .webp({ quality, alphaQuality: alpha, effort: 6, smartSubsample: true })
    .toFile(join(home, "art", `${name}.webp`));
  console.log(`${name}.webp  ${canvas.width} x ${canvas.height}  ${(size / 1024).toFixed(0)} kB`);
}

for (const [font, file] of [
  ["newsreader", "newsreader-latin-opsz-normal"],
  ["figtree", "figtree-latin-wght-normal"],
]) {
  const source = import.meta.resolve(`@fontsource-variable/${font}/files/${file}.woff2`);
  await copyFile(new URL(source), join(home, "fonts", `${font}.woff2`));
}
