import { clamp, css, mix, smooth } from "./colour.mjs";
import { grain, perPixel } from "./pixels.mjs";
import { fractal, seeded } from "./random.mjs";

/** The two tides of a month: a half moon over low, quiet water, a full moon over water at the sill. */
const tides = {
  neap: {
    seed: 61,
    horizon: 0.5,
    moon: { x: 0.34, y: 0.17, radius: 0.052, lit: 0.5 },
    sky: [
      [0, [44, 92, 104]],
      [0.55, [120, 168, 160]],
      [0.86, [216, 220, 190]],
      [1, [240, 220, 180]],
    ],
    water: [72, 124, 122],
    deep: [14, 50, 58],
    land: [52, 92, 96],
    glitter: 0.55,
    swell: 0.35,
    flats: 0.74,
  },
  spring: {
    seed: 67,
    horizon: 0.4,
    moon: { x: 0.63, y: 0.16, radius: 0.062, lit: 1 },
    sky: [
      [0, [5, 24, 36]],
      [0.6, [16, 62, 76]],
      [1, [74, 138, 138]],
    ],
    water: [20, 74, 84],
    deep: [4, 22, 30],
    land: [9, 40, 50],
    glitter: 1,
    swell: 1,
    flats: 2,
  },
};

const between = (stops, at) => {
  const next = stops.findIndex(([stop]) => stop >= at);
  if (next <= 0) return stops[Math.max(0, next)][1];
  const [[from, a], [to, b]] = [stops[next - 1], stops[next]];
  return mix(a, b, (at - from) / (to - from));
};

/** The sound at one of its tides, seen from the mill, with the tide staff in front. */
export function drawTide(width, height, name) {
  const tide = tides[name];
  const { noise, next, between: chance } = seeded(tide.seed);
  const aspect = width / height;
  const { horizon, moon } = tide;
  const moonlight = [250, 248, 226];
  const ridge = (x, far) =>
    horizon -
    (far ? 0.045 : 0.02) * (0.6 + fractal(noise, x * (far ? 1.6 : 3.1) + (far ? 3 : 9), far ? 1 : 5, 4));
  const sky = (x, y, withMoon = true) => {
    let colour = between(tide.sky, clamp(y / horizon));
    const cloud = fractal(noise, x * 1.5 + 2, y * 11, 5);
    colour = mix(colour, moonlight, smooth(0.1, 0.75, cloud) * 0.3 * smooth(0, 0.25, y));
    const away = Math.hypot((x - moon.x) * aspect, y - moon.y);
    colour = mix(colour, moonlight, smooth(0.5, 0, away) ** 2 * 0.42);
    if (!withMoon) return colour;
    const face = smooth(moon.radius, moon.radius - 0.003, away);
    const shadow = moon.lit < 1 ? smooth(-0.004, 0.004, (x - moon.x) * aspect + (y - moon.y) * 0.35) : 0;
    const marks = 1 - 0.07 * smooth(-0.2, 0.6, fractal(noise, x * 16, y * 16, 4));
    return mix(
      colour,
      moonlight.map((value) => value * marks),
      face * (1 - shadow * 0.94),
    );
  };
  const canvas = perPixel(width, height, (x, y) => {
    if (y < horizon) {
      let colour = sky(x, y);
      const haze = between(tide.sky, 0.97);
      if (y > ridge(x, true)) colour = mix(haze, tide.land, 0.42);
      if (y > ridge(x, false)) colour = mix(colour, mix(haze, tide.land, 0.85), smooth(0.1, 0.35, x));
      return grain(colour, next, 6);
    }
    // Water: the sky upside down, broken by ripples that shorten towards the horizon.
    const down = (y - horizon) / (1 - horizon);
    const v = 1 / (down + 0.045);
    const u = (x - 0.5) * v * 0.55;
    const wave = fractal(noise, u * 1.3, v * 2.6 * (0.6 + tide.swell * 0.5), 4);
    const mirror = sky(
      x + wave * 0.02,
      clamp(horizon - (y - horizon) * 0.9 - wave * 0.03, 0, horizon),
      false,
    );
    let colour = mix(mix(mirror, tide.water, 0.35 + down * 0.3), tide.deep, smooth(0, 1.15, down));
    colour = mix(colour, tide.deep, smooth(0.05, 0.6, wave) * 0.5 * (0.4 + tide.swell));
    colour = mix(colour, mirror, smooth(-0.05, -0.5, wave) * 0.5);
    const path = Math.abs(x - moon.x) / (0.035 + down * 0.16);
    const spark = smooth(0.02, 0.36, fractal(noise, u * 5 + 20, v * 9, 3)) * smooth(1.5, 0, path);
    colour = mix(colour, moonlight, spark * tide.glitter * smooth(1.25, 0.1, down));
    if (y > tide.flats) {
      // Sand that fell dry: ripples of it, with water left between.
      const shore = y - tide.flats - 0.03 * fractal(noise, x * 2.2, 4, 3) - (x - 0.5) * 0.05;
      const sand = smooth(0.004, 0.014, shore);
      const lines = Math.sin((v * 62 + fractal(noise, u * 0.9, v * 1.6, 3) * 3.4) * 2.2);
      const pool = smooth(0.1, 0.3, fractal(noise, x * 2.1 + 7, y * 10, 3));
      const ripple =
        smooth(-0.9, 1, lines) * (0.35 + 0.65 * smooth(-0.4, 0.4, fractal(noise, x * 5, y * 12, 2)));
      const ground = mix(
        [88, 104, 94],
        [136, 142, 120],
        ripple * 0.5 + fractal(noise, x * 60, y * 90, 2) * 0.12,
      );
      colour = mix(colour, mix(ground, colour, pool * 0.85), sand * 0.94);
      colour = mix(colour, [236, 240, 216], smooth(0.012, 0, Math.abs(shore - 0.006)) * 0.35);
    }
    return grain(colour, next, 6);
  });
  const context = canvas.getContext("2d");
  drawMill(context, tide, { x: width * 0.76, y: height * horizon, size: height * 0.075 });
  drawStaff(context, { next, chance }, tide, width, height);
  return canvas;
}

/** The mill on its spit: a gable, a lower house, the wheel, one window with a light in it. */
function drawMill(context, { land }, { x, y, size }) {
  const dark = css(mix(land, [2, 14, 20], 0.55));
  context.fillStyle = dark;
  context.beginPath();
  context.moveTo(x - size * 3.2, y + 2);
  context.quadraticCurveTo(x - size * 1.4, y - size * 0.34, x - size * 0.6, y - size * 0.3);
  context.lineTo(x + size * 6, y - size * 0.42);
  context.lineTo(x + size * 6, y + 2);
  context.fill();
  const house = (left, wide, wall, roof) => {
    context.beginPath();
    context.moveTo(left, y - size * 0.2);
    context.lineTo(left, y - wall);
    context.lineTo(left + wide * 0.5, y - wall - roof);
    context.lineTo(left + wide, y - wall);
    context.lineTo(left + wide, y - size * 0.2);
    context.fill();
  };
  house(x, size * 0.95, size * 1.35, size * 0.7);
  house(x + size * 0.85, size * 1.3, size * 0.85, size * 0.5);
  context.fillRect(x + size * 0.68, y - size * 2.15, size * 0.14, size * 0.5);
  context.strokeStyle = dark;
  context.lineWidth = size * 0.07;
  context.beginPath();
  context.arc(x - size * 0.22, y - size * 0.5, size * 0.42, 0, 6.2832);
  context.stroke();
  context.lineWidth = size * 0.04;
  for (let spoke = 0; spoke < 6; spoke++) {
    const angle = spoke * 0.5236 + 0.2;
    context.beginPath();
    context.moveTo(
      x - size * 0.22 - Math.cos(angle) * size * 0.42,
      y - size * 0.5 - Math.sin(angle) * size * 0.42,
    );
    context.lineTo(
      x - size * 0.22 + Math.cos(angle) * size * 0.42,
      y - size * 0.5 + Math.sin(angle) * size * 0.42,
    );
    context.stroke();
  }
  const light = [255, 214, 140];
  for (const [dx, dy, wide] of [
    [0.4, 0.98, 0.15],
    [1.4, 0.6, 0.13],
  ]) {
    const glow = context.createRadialGradient(
      x + size * dx,
      y - size * dy,
      0,
      x + size * dx,
      y - size * dy,
      size * 0.55,
    );
    glow.addColorStop(0, css(light, 0.55));
    glow.addColorStop(1, css(light, 0));
    context.fillStyle = glow;
    context.fillRect(x + size * (dx - 0.6), y - size * (dy + 0.6), size * 1.2, size * 1.2);
    context.fillStyle = css(mix(light, [255, 250, 230], 0.4));
    context.fillRect(
      x + size * (dx - wide / 2),
      y - size * (dy + wide * 0.7),
      size * wide,
      size * wide * 1.4,
    );
  }
}

/** The staff against which the tide is read, black and white by turns, weedy where the water reaches. */
function drawStaff(context, { chance }, { flats, deep, seed }, width, height) {
  const x = width * (seed === 61 ? 0.16 : 0.3);
  const wide = width * 0.042;
  const [top, foot] = [height * 0.3, height * (flats < 1 ? 0.83 : 0.6)];
  const water = height * (flats < 1 ? 0.79 : 0.58);
  const marks = flats < 1 ? 16 : 9;
  const step = (foot - top) / marks;
  for (let mark = 0; mark < marks; mark++) {
    const y = top + mark * step;
    const wet = smooth(water - step * 2, water + step * 1.5, y);
    context.fillStyle = css(
      mix(mark % 2 ? [30, 52, 56] : [224, 230, 212], mix(deep, [40, 84, 66], 0.5), wet * 0.8),
    );
    context.fillRect(x, y, wide, step + 1);
    context.fillStyle = css([20, 44, 48], mark % 2 ? 0 : 0.75 * (1 - wet));
    context.fillRect(x + wide * 0.56, y + step * 0.44, wide * 0.44, step * 0.12);
  }
  const shade = context.createLinearGradient(x, 0, x + wide, 0);
  shade.addColorStop(0, css([255, 255, 240], 0.14));
  shade.addColorStop(0.4, css([255, 255, 240], 0));
  shade.addColorStop(1, css([2, 18, 24], 0.55));
  context.fillStyle = shade;
  context.fillRect(x, top, wide, foot - top);
  context.fillStyle = css([30, 52, 56]);
  context.fillRect(x - wide * 0.15, top - wide * 0.2, wide * 1.3, wide * 0.24);
  // Its reflection, or its stand in the sand.
  for (let line = 0; line < 26; line++) {
    const y = foot + (line * line * 0.16 + line) * (height / 1500) * 1.5;
    const sway = chance(-0.35, 0.35) * wide * (1 + line * 0.05);
    context.fillStyle = css(mix(deep, [210, 224, 208], line % 3 ? 0.1 : 0.5), 0.6 * (1 - line / 26));
    context.fillRect(x + sway, y, wide * chance(0.6, 1.1), height * 0.0026);
  }
}
