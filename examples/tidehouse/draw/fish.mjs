import { createCanvas } from "@napi-rs/canvas";
import { css, mix } from "./colour.mjs";
import { seeded } from "./random.mjs";

/** A school that turns: a band of fish along one bending course, broadside where it runs across, slim where it turns. */
export function drawSchool(width, height) {
  const random = seeded(57);
  const canvas = createCanvas(width, height);
  const context = canvas.getContext("2d");
  const course = (t) => {
    const angle = -0.5 + t * 4.1;
    const radius = 0.36 - t * 0.045;
    return {
      x: (0.52 + Math.cos(angle) * radius * 1.12) * width,
      y: (0.5 - Math.sin(angle) * radius * 0.62 + (t - 0.5) * 0.28) * height,
      near: 0.5 + 0.5 * Math.sin(angle + 2.2),
    };
  };
  const fish = [];
  for (let index = 0; index < 240; index++) {
    const t = random.next() ** 0.85;
    const { x, y, near } = course(t);
    const ahead = course(t + 0.012);
    const spread = height * 0.095 * (0.5 + Math.sin(Math.PI * Math.min(1, t * 1.05)) * 0.9);
    const depth = random.next();
    fish.push({
      x: x + random.around(0, spread * 1.2),
      y: y + random.around(0, spread),
      heading: Math.atan2(ahead.y - y, ahead.x - x) + random.around(0, 0.16),
      size: width * 0.024 * (0.55 + near * 0.55) * (0.72 + depth * 0.55),
      depth,
      flash: random.next(),
    });
  }
  fish.sort((a, b) => a.depth - b.depth);
  for (const each of fish) drawFish(context, random, each);
  return canvas;
}

/** One fish: `heading` in radians, `depth` and `flash` from 0 to 1. */
export function drawFish(context, random, { x, y, heading, size, depth, flash }) {
  const far = [52, 128, 132];
  const body = mix(far, [12, 58, 70], 0.25 + depth * 0.75);
  const across = Math.cos(heading);
  const slim = 0.62 + 0.38 * Math.abs(across);
  context.save();
  context.translate(x, y);
  context.rotate(heading);
  // Seen from any heading the back stays up.
  context.scale(slim, across < 0 ? -1 : 1);
  const deep = size * 0.2;
  const bend = random.around(0, size * 0.05);
  const fill = context.createLinearGradient(0, -deep, 0, deep);
  fill.addColorStop(0, css(mix(body, [4, 30, 40], 0.5)));
  fill.addColorStop(0.5, css(body));
  fill.addColorStop(0.72, css(mix(body, [214, 240, 226], flash > 0.72 ? 0.85 : 0.24)));
  fill.addColorStop(1, css(mix(body, [180, 224, 210], 0.18)));
  context.fillStyle = fill;
  context.beginPath();
  context.moveTo(size * 0.52, 0);
  context.bezierCurveTo(
    size * 0.34,
    -deep * 1.05,
    -size * 0.08,
    -deep * 1.15,
    -size * 0.36,
    -deep * 0.24 + bend,
  );
  context.lineTo(-size * 0.58, -deep * 1.05 + bend * 1.6);
  context.quadraticCurveTo(-size * 0.46, bend, -size * 0.57, deep * 0.95 + bend * 1.6);
  context.lineTo(-size * 0.36, deep * 0.2 + bend);
  context.bezierCurveTo(-size * 0.06, deep * 1.0, size * 0.34, deep * 0.95, size * 0.52, 0);
  context.closePath();
  context.fill();
  context.beginPath();
  context.moveTo(size * 0.12, -deep * 0.82);
  context.quadraticCurveTo(-size * 0.02, -deep * 1.75, -size * 0.16, -deep * 0.72);
  context.fillStyle = css(mix(body, [4, 30, 40], 0.4));
  context.fill();
  context.strokeStyle = css([224, 246, 230], 0.16 + 0.36 * flash * depth);
  context.lineWidth = Math.max(0.6, size * 0.02);
  context.beginPath();
  context.moveTo(size * 0.46, -deep * 0.2);
  context.bezierCurveTo(
    size * 0.28,
    -deep * 0.95,
    -size * 0.08,
    -deep * 1.05,
    -size * 0.34,
    -deep * 0.22 + bend,
  );
  context.stroke();
  if (size > 20) {
    context.fillStyle = css([232, 248, 236], 0.8);
    context.beginPath();
    context.arc(size * 0.38, -deep * 0.16, size * 0.021, 0, 6.2832);
    context.fill();
  }
  context.restore();
}
