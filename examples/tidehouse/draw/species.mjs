import { css, mix, smooth } from "./colour.mjs";
import { drawFish } from "./fish.mjs";
import { grain, perPixel } from "./pixels.mjs";
import { fractal, seeded } from "./random.mjs";
import { drawComb, drawJelly, sparks } from "./tanks.mjs";

/** The water behind each animal of the reel: above, below, and its light. */
const waters = {
  bass: { seed: 211, above: [150, 208, 194], below: [22, 96, 108], light: [236, 250, 226] },
  star: { seed: 223, above: [86, 168, 160], below: [16, 78, 90], light: [214, 240, 210] },
  anemone: { seed: 227, above: [38, 116, 124], below: [8, 46, 60], light: [150, 214, 196] },
  jelly: { seed: 229, above: [16, 84, 102], below: [4, 26, 38], light: [104, 186, 180] },
  comb: { seed: 233, above: [5, 26, 36], below: [2, 9, 14], light: [20, 70, 80] },
};

/** One animal of the reel in its water. */
export function drawSpecies(width, height, name) {
  const { seed, above, below, light } = waters[name];
  const random = seeded(seed);
  const { noise, next } = random;
  const canvas = perPixel(width, height, (x, y) => {
    let colour = mix(above, below, smooth(-0.05, 1, y + 0.08 * fractal(noise, x * 2, y * 2, 3)));
    const ray = fractal(noise, ((x - 0.35) * 5) / (0.6 + y * 0.6), y * 0.25, 3);
    colour = mix(colour, light, smooth(0.02, 0.7, ray) * smooth(0.9, 0, y) * 0.4);
    const glow = smooth(0.75, 0, Math.hypot(x - 0.5, (y - 0.46) * 1.1));
    return grain(mix(colour, light, glow * 0.16), next, 6);
  });
  const context = canvas.getContext("2d");
  const drawn = { bass: drawBass, star: drawStar, anemone: drawAnemone, jelly: drawMoon, comb: drawLights };
  drawn[name](context, random, width, height);
  return canvas;
}

function drawBass(context, random, width, height) {
  const fish = Array.from({ length: 54 }, () => {
    const [along, depth] = [random.next(), random.next()];
    return {
      x: width * (0.04 + along * 0.92),
      y: height * (0.5 - Math.sin(along * 3.1) * 0.14 + random.around(0, 0.2)),
      heading: -0.45 + along * 0.9 + random.around(0, 0.12),
      size: width * (0.07 + 0.17 * depth ** 2),
      depth,
      flash: random.next(),
    };
  }).sort((a, b) => a.depth - b.depth);
  for (const each of fish) drawFish(context, random, each);
}

const drawMoon = (context, random, width, height) => {
  drawJelly(context, random, { x: width * 0.2, y: height * 0.2, size: width * 0.1, near: 0.3 });
  drawJelly(context, random, { x: width * 0.84, y: height * 0.62, size: width * 0.13, near: 0.4 });
  drawJelly(context, random, { x: width * 0.52, y: height * 0.36, size: width * 0.46, near: 1 });
};

const drawLights = (context, random, width, height) => {
  context.globalCompositeOperation = "lighter";
  const spark = sparks(context);
  for (let index = 0; index < 120; index++)
    spark(
      random.next() * width,
      random.next() * height,
      width * (0.004 + 0.02 * random.next() ** 6),
      [126, 232, 214],
      0.2 + 0.5 * random.next() ** 2,
    );
  drawComb(context, spark, { x: width * 0.5, y: height * 0.47, size: width * 0.56, turn: 0.4, hue: 0 });
};

/** The sand that star and anemone sit on, seen from the side. */
function drawSand(context, random, width, height, colour) {
  const ground = context.createLinearGradient(0, height * 0.62, 0, height);
  ground.addColorStop(0, css(colour, 0));
  ground.addColorStop(0.35, css(colour, 0.75));
  ground.addColorStop(1, css(mix(colour, [6, 40, 50], 0.45)));
  context.fillStyle = ground;
  context.fillRect(0, height * 0.62, width, height * 0.38);
  for (let index = 0; index < 900; index++) {
    const down = random.next();
    context.fillStyle = css(mix(colour, [240, 248, 226], random.next()), 0.08 + 0.3 * down * random.next());
    context.fillRect(random.next() * width, height * (0.72 + 0.28 * down), 1 + 3 * down, 1 + down);
  }
}

/** A sea star: five tapering arms, each with its rows of spines. */
function drawStar(context, random, width, height) {
  drawSand(context, random, width, height, [150, 186, 158]);
  const size = width * 0.33;
  context.save();
  context.translate(width * 0.5, height * 0.52);
  context.scale(1, 0.86);
  const shade = context.createRadialGradient(0, size * 0.2, size * 0.2, 0, size * 0.2, size * 1.2);
  shade.addColorStop(0, css([4, 40, 48], 0.55));
  shade.addColorStop(1, css([4, 40, 48], 0));
  context.fillStyle = shade;
  context.fillRect(-size * 2, -size * 2, size * 4, size * 4);
  const arms = Array.from({ length: 5 }, (_, arm) => ({
    angle: -1.5708 + (arm / 5) * 6.2832 + random.around(0, 0.12),
    bend: random.around(0, 0.3),
    long: size * random.between(0.92, 1.1),
  }));
  const along = ({ angle, bend, long }, t, side) => {
    const turn = angle + bend * t * t;
    const half = size * 0.2 * (1 - t) ** 0.75 * side;
    return [
      Math.cos(turn) * long * t - Math.sin(turn) * half,
      Math.sin(turn) * long * t + Math.cos(turn) * half,
    ];
  };
  for (const arm of arms) {
    context.beginPath();
    for (const side of [1, -1])
      for (let step = 0; step <= 24; step++)
        context.lineTo(...along(arm, (side === 1 ? step : 24 - step) / 24, side));
    context.closePath();
    const skin = context.createLinearGradient(-size, -size, size, size);
    skin.addColorStop(0, css([244, 172, 112]));
    skin.addColorStop(0.5, css([214, 110, 72]));
    skin.addColorStop(1, css([128, 52, 48]));
    context.fillStyle = skin;
    context.fill();
    context.strokeStyle = css([255, 226, 182], 0.5);
    context.lineWidth = size * 0.012;
    context.stroke();
  }
  context.fillStyle = css([218, 116, 76]);
  context.beginPath();
  context.arc(0, 0, size * 0.215, 0, 6.2832);
  context.fill();
  for (const arm of arms)
    for (const [row, wide] of [
      [0, 0.022],
      [0.5, 0.015],
      [-0.5, 0.015],
      [0.82, 0.011],
      [-0.82, 0.011],
    ])
      for (let spine = 1; spine < 26; spine++) {
        const t = spine / 27;
        const [x, y] = along(arm, t, row + random.around(0, 0.06));
        context.fillStyle = css([255, 232, 196], 0.5 + 0.4 * random.next());
        context.beginPath();
        context.arc(x, y, size * wide * (1.1 - t * 0.7), 0, 6.2832);
        context.fill();
      }
  context.restore();
}

/** An anemone: a ridged column and a crown of arms that the current combs. */
function drawAnemone(context, random, width, height) {
  drawSand(context, random, width, height, [44, 96, 100]);
  const [x, foot, top] = [width * 0.5, height * 0.9, height * 0.68];
  const wide = width * 0.19;
  const arms = Array.from({ length: 210 }, () => ({
    side: random.around(0, 1.15),
    back: random.next(),
  })).sort((a, b) => a.back - b.back);
  const drawArms = (list) => {
    for (const { side, back } of list) {
      const long = height * random.between(0.2, 0.38) * (1 - Math.abs(side) ** 2 * 0.4);
      const lean = side * width * 0.19 + random.around(0, width * 0.07);
      const colour = mix([120, 62, 104], [246, 196, 206], back);
      context.beginPath();
      const from = [x + side * wide * 0.85, top + Math.abs(side) * height * 0.012 + back * height * 0.02];
      const to = [from[0] + lean, from[1] - long + Math.abs(side) * height * 0.1];
      for (const edge of [1, -1])
        for (let step = 0; step <= 20; step++) {
          const t = (edge === 1 ? step : 20 - step) / 20;
          const half = width * 0.0105 * (1 - t * 0.55) * edge;
          const wave = Math.sin(t * 4 + side * 5) * width * 0.014 * t;
          context.lineTo(
            from[0] + (to[0] - from[0]) * t * t + wave + half,
            from[1] + (to[1] - from[1]) * (1 - (1 - t) ** 1.6),
          );
        }
      context.closePath();
      context.fillStyle = css(colour, 0.9);
      context.fill();
      context.fillStyle = css([255, 232, 226], 0.25 + 0.6 * back);
      context.beginPath();
      context.arc(to[0] + Math.sin(4 + side * 5) * width * 0.014, to[1], width * 0.0085, 0, 6.2832);
      context.fill();
    }
  };
  drawArms(arms.slice(0, 110));
  context.beginPath();
  context.moveTo(x - wide * 1.3, foot);
  context.bezierCurveTo(x - wide, foot - height * 0.1, x - wide * 1.05, top + height * 0.06, x - wide, top);
  context.quadraticCurveTo(x, top + height * 0.05, x + wide, top);
  context.bezierCurveTo(
    x + wide * 1.05,
    top + height * 0.06,
    x + wide,
    foot - height * 0.1,
    x + wide * 1.3,
    foot,
  );
  context.quadraticCurveTo(x, foot + height * 0.03, x - wide * 1.3, foot);
  const column = context.createLinearGradient(x - wide, 0, x + wide, 0);
  column.addColorStop(0, css([92, 40, 78]));
  column.addColorStop(0.35, css([206, 122, 142]));
  column.addColorStop(1, css([58, 24, 58]));
  context.fillStyle = column;
  context.fill();
  context.save();
  context.clip();
  for (let ridge = -7; ridge <= 7; ridge++) {
    context.strokeStyle = css([255, 220, 216], 0.12);
    context.lineWidth = width * 0.004;
    context.beginPath();
    context.moveTo(x + (ridge / 7) * wide, top);
    context.quadraticCurveTo(x + (ridge / 7) * wide, foot - height * 0.1, x + (ridge / 7) * wide * 1.3, foot);
    context.stroke();
  }
  context.restore();
  drawArms(arms.slice(110));
}
