// Draws the pictures of the starter page as SVG: dusk over the tide mill. Seeded, the same on every run.
import { writeFileSync } from "node:fs";

let state = 20;
const random = (low = 0, high = 1) => {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return low + (high - low) * (state / 4294967296);
};
const n = (value) => Number(value.toFixed(1));

/** A ridge line across the picture: sums of a few waves, jagged by `rough`. */
function ridge(width, height, base, waves, rough) {
  const phases = waves.map(() => random(0, 6.28));
  let path = `M0 ${height}`;
  for (let x = 0; x <= width; x += 12) {
    const y = waves.reduce(
      (sum, [tall, long], index) => sum + tall * Math.sin((x / long) * 6.28 + phases[index]),
      base,
    );
    path += `L${x} ${n(y + random(-rough, rough))}`;
  }
  return `${path}L${width} ${height}Z`;
}

const svg = (width, height, body) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${body}</svg>\n`;
const gradient = (id, ...stops) =>
  `<linearGradient id="${id}" x2="0" y2="1">${stops.map(([at, colour]) => `<stop offset="${at}" stop-color="${colour}"/>`).join("")}</linearGradient>`;

function sky() {
  let body = `<defs>${gradient("s", [0, "#3f4d6b"], [0.32, "#8d7f93"], [0.52, "#d9a48c"], [0.68, "#f3cf9f"], [1, "#f6e2bd"])}`;
  body += `<radialGradient id="g"><stop offset="0" stop-color="#fff4d6"/><stop offset=".14" stop-color="#ffe9bd" stop-opacity=".85"/><stop offset="1" stop-color="#ffd9a0" stop-opacity="0"/></radialGradient></defs>`;
  body += `<rect width="1600" height="1000" fill="url(#s)"/><circle cx="1060" cy="560" r="420" fill="url(#g)"/><circle cx="1060" cy="560" r="46" fill="#fff8e6"/>`;
  for (let index = 0; index < 9; index++) {
    const [x, y, long] = [random(-100, 1500), 120 + index * 46 + random(-14, 14), random(260, 720)];
    body += `<path d="M${n(x)} ${n(y)}q${n(long / 2)} ${n(-random(6, 16))} ${n(long)} 0q${n(-long / 2)} ${n(random(4, 9))} ${n(-long)} 0" fill="#fff3dc" opacity="${n(random(0.12, 0.3))}"/>`;
  }
  return svg(1600, 1000, body);
}

function hills() {
  let body = `<defs>${gradient("a", [0, "#a98c93"], [1, "#e2bb9d"])}${gradient("b", [0, "#86778a"], [1, "#cda592"])}</defs>`;
  body += `<path d="${ridge(
    2000,
    500,
    150,
    [
      [60, 1300],
      [34, 620],
      [12, 210],
    ],
    2,
  )}" fill="url(#a)"/>`;
  body += `<path d="${ridge(
    2000,
    500,
    250,
    [
      [46, 900],
      [28, 430],
      [9, 160],
    ],
    2,
  )}" fill="url(#b)"/>`;
  return svg(2000, 500, body);
}

function mill() {
  const spokes = Array.from({ length: 12 }, (_, index) => {
    const angle = (index / 12) * 6.2832;
    return `M0 0L${n(Math.cos(angle) * 92)} ${n(Math.sin(angle) * 92)}`;
  }).join("");
  const paddles = Array.from(
    { length: 18 },
    (_, index) => `<path d="M-8 -106h16v22h-16z" transform="rotate(${index * 20})"/>`,
  ).join("");
  let body = `<defs>${gradient("m", [0, "#4d4a5e"], [1, "#6f5f6b"])}</defs><path d="${ridge(
    2000,
    600,
    330,
    [
      [26, 1500],
      [14, 500],
      [4, 120],
    ],
    1.5,
  )}" fill="url(#m)"/>`;
  body += `<g fill="#3d3c50"><path d="M700 350V150l96-74 96 74v26h170v-40l70-50 70 50v230z"/><path d="M664 350v-96h60v96zM796 76v-34h10v34z"/>`;
  body += `<g transform="translate(648 318)"><circle r="92" fill="none" stroke="#343347" stroke-width="12"/><path d="${spokes}" stroke="#343347" stroke-width="6"/>${paddles}</g></g>`;
  body += `<g fill="#ffd98f"><path d="M760 176h22v34h-22zM812 176h22v34h-22zM786 256h22v34h-22zM960 214h18v28h-18zM1010 214h18v28h-18zM1120 158h20v30h-20z"/></g>`;
  body += `<path d="${ridge(
    2000,
    600,
    366,
    [
      [10, 800],
      [5, 260],
    ],
    1.5,
  )}" fill="#3b3a4d"/>`;
  return svg(2000, 600, body);
}

function marsh() {
  let body = `<defs>${gradient("w", [0, "#2e3043"], [0.27, "#0c0f17"])}</defs><path d="${ridge(
    2200,
    700,
    190,
    [
      [40, 1500],
      [18, 640],
      [6, 180],
    ],
    2,
  )}" fill="url(#w)"/>`;
  for (let index = 0; index < 14; index++) {
    const [x, y, long] = [random(0, 2000), random(300, 660), random(120, 520)];
    body += `<path d="M${n(x)} ${n(y)}q${n(long / 2)} ${n(-random(3, 8))} ${n(long)} 0q${n(-long / 2)} ${n(random(3, 7))} ${n(-long)} 0" fill="#d9a48c" opacity="${n(random(0.1, 0.32))}"/>`;
  }
  for (let index = 0; index < 260; index++) {
    const x = random(0, 2200);
    const tall = random(26, 90);
    body += `<path d="M${n(x)} 236q${n(random(-4, 6))} ${n(-tall / 2)} ${n(random(-16, 24))} ${n(-tall)}q${n(random(-6, 2))} ${n(tall / 2)} 5 ${n(tall)}z" fill="#262a3b"/>`;
  }
  return svg(2200, 700, body);
}

function reeds() {
  let body = "";
  for (let index = 0; index < 130; index++) {
    const edge = index % 2 ? random(0, 1) ** 1.7 : 1 - random(0, 1) ** 1.7;
    const x = edge * 2000;
    const tall = random(340, 820) * (0.45 + Math.abs(edge - 0.5) * 1.1);
    const lean = random(-60, 90);
    const wide = random(5, 11);
    body += `<path d="M${n(x - wide)} 900q${n(lean * 0.1)} ${n(-tall * 0.6)} ${n(lean + wide)} ${n(-tall)}q${n(-lean * 0.6 + wide)} ${n(tall * 0.5)} ${n(-lean + wide)} ${n(tall)}z" fill="${index % 3 ? "#0f131d" : "#171c29"}"/>`;
    if (index % 5 === 0)
      body += `<rect x="${n(x + lean - 8)}" y="${n(900 - tall - 74)}" width="15" height="92" rx="7.5" fill="#1d1a21" transform="rotate(${n(lean / 9)} ${n(x + lean)} ${n(900 - tall)})"/>`;
  }
  return svg(
    2000,
    900,
    `${body}<path d="${ridge(
      2000,
      900,
      872,
      [
        [14, 900],
        [7, 260],
      ],
      3,
    )}" fill="#0c0f17"/>`,
  );
}

for (const [name, draw] of Object.entries({ sky, hills, mill, marsh, reeds }))
  writeFileSync(new URL(`../starter/art/${name}.svg`, import.meta.url), draw());
