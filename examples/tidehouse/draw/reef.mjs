import { createCanvas } from "@napi-rs/canvas";
import { css, mix } from "./colour.mjs";
import { fractal, seeded } from "./random.mjs";

/**
 * One ridge of a reef across a canvas: `base` and `height` in px, `crest` and `foot` colours, `rim` of light on the
 * crest. Fans, sponges and grasses stand on it, `growth` of them.
 */
function drawRidge(
  context,
  random,
  { width, bottom, base, height, crest, foot, rim, rimAlpha, scale, growth, valley },
) {
  const profile = (x) => {
    const u = x / width;
    const open = valley ? 1 - valley * Math.exp(-(((u - 0.5) / 0.22) ** 2)) : 1;
    const rough = fractal(random.noise, u * 5 + base, 1.7, 6);
    const ledge = Math.abs(fractal(random.noise, u * 2.2 + 7, 4, 2));
    return base - height * open * (0.42 + rough * 0.55 + ledge * 0.5);
  };
  for (let index = 0; index < growth; index++) {
    const x = random.next() * width;
    const kind = random.next();
    const at = { x, y: profile(x) + scale * 4, size: scale * random.between(14, 46) };
    if (kind < 0.4) drawFan(context, random, at, crest, rim, rimAlpha);
    else if (kind < 0.7) drawSponges(context, random, at, crest, rim, rimAlpha);
    else drawGrass(context, random, at, crest, rim, rimAlpha);
  }
  const fill = context.createLinearGradient(0, base - height * 1.1, 0, bottom);
  fill.addColorStop(0, css(crest));
  fill.addColorStop(1, css(foot));
  context.fillStyle = fill;
  context.beginPath();
  context.moveTo(0, bottom);
  for (let x = 0; x <= width; x += 2) context.lineTo(x, profile(x));
  context.lineTo(width, bottom);
  context.fill();
  for (let x = 0; x < width; x += 2) {
    const slope = profile(x + 2) - profile(x - 2);
    const lit = Math.max(0, 0.55 - slope * 0.12) * (0.4 + 0.6 * Math.max(0, random.noise(x * 0.02, 9)));
    context.strokeStyle = css(rim, Math.min(1, rimAlpha * lit));
    context.lineWidth = scale * 1.5;
    context.beginPath();
    context.moveTo(x, profile(x) + scale);
    context.lineTo(x + 2, profile(x + 2) + scale);
    context.stroke();
  }
  return profile;
}

function drawFan(context, random, { x, y, size }, colour, rim, rimAlpha) {
  const branch = (x, y, angle, length, width) => {
    if (length < size * 0.09) return;
    const to = { x: x + Math.sin(angle) * length, y: y - Math.cos(angle) * length };
    context.strokeStyle = css(mix(colour, rim, length < size * 0.25 ? rimAlpha * 0.35 : 0.04));
    context.lineWidth = width;
    context.lineCap = "round";
    context.beginPath();
    context.moveTo(x, y);
    context.lineTo(to.x, to.y);
    context.stroke();
    const forks = random.next() < 0.35 ? 3 : 2;
    for (let fork = 0; fork < forks; fork++)
      branch(
        to.x,
        to.y,
        angle + random.around((fork - (forks - 1) / 2) * 0.62, 0.3),
        length * random.between(0.68, 0.86),
        width * 0.7,
      );
  };
  branch(x, y, random.around(0, 0.3), size * 0.42, size * 0.075);
}

function drawSponges(context, random, { x, y, size }, colour, rim, rimAlpha) {
  const tubes = 3 + Math.floor(random.next() * 4);
  for (let tube = 0; tube < tubes; tube++) {
    const tall = size * random.between(0.35, 1);
    const wide = size * random.between(0.06, 0.11);
    context.save();
    context.translate(x + (tube - tubes / 2) * size * 0.16, y);
    context.rotate((tube - tubes / 2) * 0.16 + random.around(0, 0.15));
    context.fillStyle = css(mix(colour, rim, 0.05 * tube * rimAlpha));
    context.beginPath();
    context.moveTo(-wide * 0.5, size * 0.25);
    context.bezierCurveTo(-wide * 0.5, -tall * 0.4, -wide * 1.5, -tall * 0.7, -wide, -tall);
    context.ellipse(0, -tall, wide, wide * 0.45, 0, Math.PI, 0);
    context.bezierCurveTo(wide * 1.5, -tall * 0.7, wide * 0.5, -tall * 0.4, wide * 0.5, size * 0.25);
    context.fill();
    context.fillStyle = css(mix(colour, rim, rimAlpha * 0.4));
    context.beginPath();
    context.ellipse(0, -tall, wide * 0.8, wide * 0.28, 0, 0, 6.2832);
    context.fill();
    context.restore();
  }
}

function drawGrass(context, random, { x, y, size }, colour, rim, rimAlpha) {
  for (let blade = 0; blade < 9; blade++) {
    const tall = size * random.between(0.6, 1.5);
    const lean = random.around(0.2, 0.5);
    const foot = x + random.around(0, size * 0.3);
    context.fillStyle = css(mix(colour, rim, random.next() * rimAlpha * 0.3));
    context.beginPath();
    context.moveTo(foot - size * 0.03, y + size * 0.2);
    context.quadraticCurveTo(foot, y - tall * 0.5, foot + lean * tall * 0.6, y - tall);
    context.quadraticCurveTo(foot + size * 0.06, y - tall * 0.5, foot + size * 0.04, y + size * 0.2);
    context.fill();
  }
}

/** The far reef: two pale ridges that dissolve into the water below them. */
export function drawFarReef(width, height) {
  const random = seeded(31);
  const canvas = createCanvas(width, height);
  const context = canvas.getContext("2d");
  const common = { width, bottom: height, scale: width / 1600, rim: [128, 190, 180] };
  drawRidge(context, random, {
    ...common,
    base: height * 0.56,
    height: height * 0.5,
    crest: [26, 102, 112],
    foot: [17, 78, 90],
    rimAlpha: 0.2,
    growth: 34,
    valley: 0.8,
  });
  drawRidge(context, random, {
    ...common,
    base: height * 0.82,
    height: height * 0.48,
    crest: [15, 78, 90],
    foot: [8, 48, 60],
    rimAlpha: 0.26,
    growth: 60,
    valley: 0.65,
  });
  return canvas;
}

/** The sea floor in front: nearly black, with a thin rim of light, and black below. */
export function drawSeaFloor(width, height, ground) {
  const random = seeded(43);
  const canvas = createCanvas(width, height);
  const context = canvas.getContext("2d");
  const common = { width, bottom: height, scale: width / 1600, rim: [126, 196, 178], foot: ground };
  drawRidge(context, random, {
    ...common,
    base: height * 0.46,
    height: height * 0.46,
    crest: [7, 46, 56],
    rimAlpha: 0.3,
    growth: 110,
    valley: 0.55,
  });
  drawRidge(context, random, {
    ...common,
    base: height * 0.7,
    height: height * 0.42,
    crest: [5, 33, 41],
    rimAlpha: 0.4,
    growth: 100,
    valley: 0.6,
  });
  drawRidge(context, random, {
    ...common,
    base: height * 0.96,
    height: height * 0.34,
    crest: [4, 24, 31],
    rimAlpha: 0.5,
    growth: 70,
    valley: 0.3,
  });
  return canvas;
}
