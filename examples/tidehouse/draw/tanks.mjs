import { clamp, css, mix, smooth, waterAt } from "./colour.mjs";
import { drawFish } from "./fish.mjs";
import { drawFrond } from "./kelp.mjs";
import { grain, perPixel } from "./pixels.mjs";
import { fractal, seeded } from "./random.mjs";

/** The first tank: sunlit shallows over sand, with the net of light that ripples throw. */
export function drawShelf(width, height) {
  const random = seeded(91);
  const { noise, next } = random;
  const aspect = width / height;
  const floor = (x) => 0.74 + 0.03 * fractal(noise, x * 1.4, 3, 3);
  const net = (x, y) => {
    const warp = fractal(noise, x * 1.3, y * 1.3, 2) * 0.6;
    const a = 1 - Math.abs(noise(x * 2.1 + warp, y * 2.1)) * 2.6;
    const b = 1 - Math.abs(noise(x * 3.3 - warp + 8, y * 3.3 + 4)) * 2.6;
    return smooth(0.25, 1, Math.max(a, b * 0.9)) ** 1.6;
  };
  const canvas = perPixel(width, height, (x, y) => {
    const lit = smooth(1.1, 0, Math.hypot((x - 0.42) * aspect * 0.55, y + 0.1));
    let colour = mix(waterAt(0.2 + y * 0.3), waterAt(0.02), lit * 0.75);
    const ray = fractal(noise, ((x - 0.4) * 7) / (0.5 + y * 0.7) + 5, y * 0.2, 3);
    colour = mix(colour, [236, 250, 224], smooth(0.05, 0.6, ray) * smooth(0.95, 0.1, y) * 0.34);
    const top = floor(x);
    if (y > top) {
      const down = (y - top) / (1 - top);
      const v = 1 / (down + 0.16);
      const u = (x - 0.5) * v * 1.3;
      const sand = mix([112, 176, 156], [182, 206, 168], smooth(0, 0.9, down) * (0.55 + 0.45 * lit));
      const bump = fractal(noise, u * 2.5, v * 5, 4);
      let ground = mix(sand, [58, 126, 122], smooth(-0.1, 0.6, bump) * 0.5);
      ground = mix(ground, [244, 250, 224], net(u * 1.1 + 3, v * 1.8) * 0.5 * (0.3 + lit));
      colour = mix(colour, ground, smooth(0, 0.12, down) * 0.5 + 0.5 * smooth(0.05, 0.5, down));
    }
    return grain(colour, next, 6);
  });
  const context = canvas.getContext("2d");
  const pale = {
    dark: [52, 138, 126],
    light: [104, 184, 156],
    rim: [226, 244, 206],
    rimAlpha: 0.3,
    detail: 0,
  };
  const close = {
    dark: [10, 76, 78],
    light: [46, 134, 116],
    rim: [222, 244, 196],
    rimAlpha: 0.55,
    detail: 0.5,
  };
  const grass = (count, look, low, tall, size, edge) => {
    for (let index = 0; index < count; index++) {
      const side = 1 - random.next() * edge;
      drawFrond(context, random, {
        x: side * width,
        bottom: (low + random.between(0, 0.05)) * height,
        top: (low - tall * random.between(0.6, 1.1)) * height,
        size: size * random.between(0.8, 1.2),
        lean: random.around(0.2, 0.4),
        look,
      });
    }
  };
  grass(14, pale, 0.8, 0.2, height * 0.05, 0.62);
  grass(8, close, 1.02, 0.62, height * 0.13, 0.24);
  for (let index = 0; index < 46; index++) {
    const along = random.next();
    drawFish(context, random, {
      x: width * (0.38 + along * 0.44 + random.around(0, 0.03)),
      y: height * (0.5 - Math.sin(along * 3.1) * 0.12 + random.around(0, 0.05)),
      heading: -0.1 + along * 0.5 + random.around(0, 0.1),
      size: width * random.between(0.012, 0.024),
      depth: random.next() * 0.7,
      flash: random.next(),
    });
  }
  return canvas;
}

/** The second tank: the old wheel pit, its jellies lit from above. */
export function drawPit(width, height) {
  const random = seeded(97);
  const { noise, next } = random;
  const aspect = width / height;
  const canvas = perPixel(width, height, (x, y) => {
    const beam = smooth(0.75, 0, Math.abs(x - 0.56 - (y - 0.5) * 0.08) * aspect * (1.3 - y * 0.4));
    let colour = mix([4, 26, 38], [18, 92, 106], beam * smooth(1.2, -0.1, y));
    colour = mix(colour, [112, 190, 180], beam ** 3 * smooth(0.7, -0.1, y) * 0.42);
    const silt = fractal(noise, x * 3, y * 3, 5);
    colour = mix(colour, [3, 18, 28], smooth(0, 0.7, silt) * 0.4);
    return grain(colour, next, 6);
  });
  const context = canvas.getContext("2d");
  drawWheel(context, width * 0.13, height * 0.78, height * 0.62);
  // Clear of the words, which stand at the left and, on upright screens, at the top and bottom of the middle.
  const jellies = [
    [0.53, 0.34, 0.035, 0.2],
    [0.83, 0.13, 0.04, 0.25],
    [0.61, 0.03, 0.028, 0.15],
    [0.93, 0.42, 0.05, 0.4],
    [0.46, 0.5, 0.055, 0.5],
    [0.95, 0.84, 0.055, 0.5],
    [0.72, 0.37, 0.105, 0.9],
    [0.6, 0.45, 0.08, 0.75],
    [0.82, 0.75, 0.07, 0.6],
  ];
  for (const [x, y, size, near] of jellies)
    drawJelly(context, random, { x: x * width, y: y * height, size: size * width, near });
  return canvas;
}

/** The mill's wheel, drowned: rims, spokes and paddles, darker than the water. */
function drawWheel(context, x, y, radius) {
  context.save();
  context.translate(x, y);
  context.strokeStyle = css([3, 20, 29], 0.9);
  for (const [share, wide] of [
    [1, 0.045],
    [0.84, 0.03],
    [0.14, 0.1],
  ]) {
    context.lineWidth = radius * wide;
    context.beginPath();
    context.arc(0, 0, radius * share, 0, 6.2832);
    context.stroke();
  }
  for (let paddle = 0; paddle < 20; paddle++) {
    const angle = (paddle / 20) * 6.2832 + 0.1;
    context.save();
    context.rotate(angle);
    context.fillStyle = css([3, 20, 29], 0.92);
    context.fillRect(radius * 0.82, -radius * 0.016, radius * 0.3, radius * 0.032);
    if (paddle % 2 === 0) context.fillRect(radius * 0.1, -radius * 0.014, radius * 0.76, radius * 0.028);
    context.fillStyle = css([126, 196, 178], 0.16);
    context.fillRect(radius * 0.82, -radius * 0.016, radius * 0.3, radius * 0.005);
    context.restore();
  }
  context.strokeStyle = css([126, 196, 178], 0.28);
  context.lineWidth = radius * 0.006;
  context.beginPath();
  context.arc(0, 0, radius * 1.022, -1.9, 0.05);
  context.stroke();
  context.restore();
}

/** A moon jelly; `near` from 0 (faint) to 1. */
export function drawJelly(context, random, { x, y, size, near }) {
  const glow = [206, 240, 222];
  const tilt = random.around(0, 0.4);
  const line = (alpha, width) => {
    context.strokeStyle = css(glow, alpha);
    context.lineWidth = width;
    context.stroke();
  };
  context.save();
  context.translate(x, y);
  context.rotate(tilt);
  const halo = context.createRadialGradient(0, 0, 0, 0, 0, size * 1.9);
  halo.addColorStop(0, css([110, 200, 190], 0.24 * near));
  halo.addColorStop(1, css([110, 200, 190], 0));
  context.fillStyle = halo;
  context.fillRect(-size * 2, -size * 2, size * 4, size * 4);
  // Tentacles: long fine curves that trail and wave.
  for (let thread = 0; thread < 22; thread++) {
    const from = ((thread + 0.5) / 22 - 0.5) * size * 0.94;
    const long = size * random.between(1.5, 3.6);
    const [phase, wave] = [random.between(0, 6.28), size * random.between(0.04, 0.13)];
    context.beginPath();
    for (let step = 0; step <= 40; step++) {
      const t = step / 40;
      context.lineTo(
        from * (1 - t * 0.35) + Math.sin(phase + t * 7) * wave * t - tilt * t * t * long * 0.5,
        size * 0.16 + t * long,
      );
    }
    line(0.05 + 0.2 * near * random.next(), Math.max(0.6, size * 0.008));
  }
  // Arms: ruffled ribbons under the bell.
  for (let arm = 0; arm < 4; arm++) {
    const [phase, long] = [random.between(0, 6.28), size * random.between(0.9, 1.7)];
    const foot = (arm - 1.5) * size * 0.13;
    context.beginPath();
    for (const side of [1, -1])
      for (let step = 0; step <= 30; step++) {
        const t = (side === 1 ? step : 30 - step) / 30;
        const half = size * 0.075 * (1 - t) ** 0.6 * (1 + 0.5 * Math.sin(t * 34 + phase + side));
        context.lineTo(
          foot * (1 - t * 0.4) + Math.sin(phase + t * 5) * size * 0.09 * t + side * half,
          size * 0.08 + t * long,
        );
      }
    context.fillStyle = css(glow, 0.1 + 0.16 * near);
    context.fill();
  }
  // The bell: a dome with scalloped hem, thin in the middle, bright at its rim.
  const dome = () => {
    context.beginPath();
    context.moveTo(-size * 0.5, size * 0.17);
    context.bezierCurveTo(-size * 0.6, -size * 0.36, -size * 0.3, -size * 0.5, 0, -size * 0.5);
    context.bezierCurveTo(size * 0.3, -size * 0.5, size * 0.6, -size * 0.36, size * 0.5, size * 0.17);
    for (let scallop = 0; scallop < 12; scallop++) {
      const from = 0.5 - scallop / 12;
      context.quadraticCurveTo((from - 0.5 / 12) * size, size * 0.235, (from - 1 / 12) * size, size * 0.17);
    }
    context.closePath();
  };
  const skin = context.createRadialGradient(0, size * 0.02, size * 0.08, 0, -size * 0.06, size * 0.62);
  skin.addColorStop(0, css(glow, 0.12 + 0.16 * near));
  skin.addColorStop(0.62, css(glow, 0.16 + 0.2 * near));
  skin.addColorStop(1, css([244, 255, 240], 0.34 + 0.5 * near));
  dome();
  context.fillStyle = skin;
  context.fill();
  line(0.12 + 0.4 * near, Math.max(0.8, size * 0.012));
  context.save();
  dome();
  context.clip();
  for (let rib = -4; rib <= 4; rib++) {
    context.beginPath();
    context.moveTo(rib * size * 0.115, size * 0.22);
    context.quadraticCurveTo(rib * size * 0.1, -size * 0.22, rib * size * 0.02, -size * 0.44);
    line(0.06 + 0.12 * near, size * 0.014);
  }
  for (let ring = 0; ring < 4; ring++) {
    context.beginPath();
    context.ellipse(
      (ring - 1.5) * size * 0.155,
      -size * 0.1 + Math.abs(ring - 1.5) * size * 0.03,
      size * 0.085,
      size * 0.06,
      0,
      0,
      6.2832,
    );
    line(0.16 + 0.4 * near, size * 0.022);
  }
  context.restore();
  const sheen = context.createLinearGradient(0, -size * 0.5, 0, 0);
  sheen.addColorStop(0, css([255, 255, 246], 0.5 * near));
  sheen.addColorStop(1, css([255, 255, 246], 0));
  dome();
  context.fillStyle = sheen;
  context.fill();
  context.restore();
}

/** The third tank: water without day. What there is of light, the animals make. */
export function drawDeep(width, height) {
  const random = seeded(103);
  const { noise, next } = random;
  const canvas = perPixel(width, height, (x, y) => {
    const breath = fractal(noise, x * 1.6 + 2, y * 1.6, 4);
    const colour = mix([2, 9, 14], [6, 34, 44], clamp(smooth(-0.3, 0.8, breath) * smooth(1.1, 0.1, y) * 0.8));
    return grain(colour, next, 5);
  });
  const context = canvas.getContext("2d");
  context.globalCompositeOperation = "lighter";
  const spark = sparks(context);
  for (let index = 0; index < 330; index++) {
    const [x, y] = [random.next(), random.next()];
    if (fractal(noise, x * 2.4, y * 2.4 + 9, 3) < -0.12) continue;
    const size = random.next() ** 6;
    spark(
      x * width,
      y * height,
      width * (0.0012 + size * 0.011),
      [126, 232, 214],
      0.22 + 0.6 * random.next() ** 2,
    );
  }
  for (const [x, y, size, turn, hue] of [
    [0.7, 0.46, 0.2, 0.5, 0],
    [0.52, 0.07, 0.06, -0.7, 0.4],
    [0.42, 0.78, 0.06, 1.1, 0.8],
    [0.88, 0.76, 0.05, -0.3, 0.2],
  ])
    drawComb(context, spark, { x: x * width, y: y * height, size: size * width, turn, hue });
  return canvas;
}

/** What paints soft points of light. */
export const sparks = (context) => (x, y, radius, colour, alpha) => {
  const glow = context.createRadialGradient(x, y, 0, x, y, radius);
  glow.addColorStop(0, css(colour, alpha));
  glow.addColorStop(0.14, css(colour, alpha * 0.5));
  glow.addColorStop(1, css(colour, 0));
  context.fillStyle = glow;
  context.fillRect(x - radius, y - radius, radius * 2, radius * 2);
};

/** A comb jelly: eight rows of beating plates that split the light. */
export function drawComb(context, spark, { x, y, size, turn, hue }) {
  context.save();
  context.translate(x, y);
  context.rotate(turn);
  const body = context.createRadialGradient(0, 0, size * 0.1, 0, 0, size * 0.75);
  body.addColorStop(0, css([60, 140, 150], 0.05));
  body.addColorStop(0.75, css([90, 180, 180], 0.13));
  body.addColorStop(1, css([120, 210, 200], 0));
  context.fillStyle = body;
  context.beginPath();
  context.ellipse(0, 0, size * 0.46, size * 0.68, 0, 0, 6.2832);
  context.fill();
  context.strokeStyle = css([170, 236, 224], 0.16);
  context.lineWidth = size * 0.008;
  context.stroke();
  const tints = [
    [120, 236, 214],
    [150, 214, 255],
    [255, 206, 150],
    [140, 255, 200],
  ];
  for (let row = 0; row < 8; row++) {
    const across = Math.sin((row / 7 - 0.5) * 2.7);
    for (let plate = 0; plate <= 26; plate++) {
      const t = plate / 26;
      const half = Math.sin(Math.PI * (0.06 + t * 0.88));
      const beat = 0.5 + 0.5 * Math.sin(t * 15 + row * 1.3 + hue * 6);
      const tint = mix(tints[(row + Math.floor(hue * 4)) % 4], tints[(row + 1) % 4], t);
      spark(
        across * size * 0.42 * half,
        (t - 0.5) * size * 1.26,
        size * 0.03 * (0.6 + beat),
        tint,
        0.2 + 0.8 * beat * (0.5 + 0.5 * Math.abs(across)),
      );
    }
  }
  context.restore();
}
