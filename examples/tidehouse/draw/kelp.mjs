import { clamp, css, mix } from "./colour.mjs";

/**
 * Draws one frond of kelp: a curved stem that rises from below the picture, with a float and a tapering, ruffled
 * blade at each joint. `look` gives `dark` and `light` colours, `rim` (colour of the lit edge) with `rimAlpha`,
 * and `detail` (0..1) for veins.
 */
export function drawFrond(context, random, { x, bottom, top, size, lean, look }) {
  const stem = stemCurve(random, x, bottom, top, size, lean);
  const length = bottom - top;
  const spacing = size * (look.spacing ?? 0.3);
  const joints = Math.floor(length / spacing);
  const blades = [];
  let side = random.next() < 0.5 ? 1 : -1;
  for (let joint = 1; joint <= joints; joint++) {
    const share = clamp((joint + random.around(0, 0.25)) / joints, 0.01, 0.995);
    const young = clamp((1 - share) * 4 + 0.28, 0.28, 1);
    blades.push({ share, side, scale: young * random.between(0.72, 1.2) });
    side = random.next() < 0.86 ? -side : side;
  }
  const behind = blades.filter((_, index) => index % 3 === 0);
  const front = blades.filter((_, index) => index % 3 !== 0);
  for (const blade of behind) drawBlade(context, random, stem, blade, size, look, 0.8);
  drawStem(context, stem, size, look);
  for (const blade of front) drawBlade(context, random, stem, blade, size, look, 1);
}

function stemCurve(random, x, bottom, top, size, lean) {
  const phase = random.between(0, 6.28);
  const sway = size * random.between(0.25, 0.6);
  const waves = random.between(0.7, 1.4) * ((bottom - top) / (size * 9));
  return (share) => {
    const y = bottom - share * (bottom - top);
    const bend =
      Math.sin(phase + share * waves * 6.28) * sway * (0.3 + share) + lean * share * share * size * 2.2;
    return { x: x + bend, y };
  };
}

function drawStem(context, stem, size, { dark, rim, rimAlpha }) {
  const steps = 120;
  const points = Array.from({ length: steps + 1 }, (_, step) => stem(step / steps));
  const half = (step) => size * 0.028 * (1 - 0.72 * (step / steps));
  context.fillStyle = css(dark);
  context.beginPath();
  for (const [step, { x, y }] of points.entries()) context.lineTo(x - half(step), y);
  for (let step = steps; step >= 0; step--) context.lineTo(points[step].x + half(step), points[step].y);
  context.fill();
  context.strokeStyle = css(rim, rimAlpha * 0.45);
  context.lineWidth = Math.max(0.8, size * 0.007);
  context.beginPath();
  for (const [step, { x, y }] of points.entries()) context.lineTo(x + half(step) * 0.7, y);
  context.stroke();
}

function line(context, a, b) {
  context.beginPath();
  context.moveTo(a.x, a.y);
  context.lineTo(b.x, b.y);
  context.stroke();
}

function drawBlade(context, random, stem, { share, side, scale }, size, look, shade) {
  const from = stem(share);
  const length = size * scale * random.between(0.85, 1.25);
  const width = length * random.between(0.058, 0.088);
  // Blades rise from the stem, then bow over with the current.
  const start = side * random.between(0.5, 1.05);
  const bow = side * random.between(0.25, 1.15) + random.around(0.1, 0.25);
  const ruffle = {
    phase: random.between(0, 6.28),
    waves: random.between(5, 9),
    height: random.between(0.1, 0.3),
  };
  const float = size * 0.075 * (0.6 + scale * 0.4);
  const stalk = float * 1.1;
  const centre = [];
  let point = {
    x: from.x + Math.sin(start) * (stalk + float * 1.6),
    y: from.y - Math.cos(start) * (stalk + float * 1.6),
  };
  const steps = 34;
  for (let step = 0; step <= steps; step++) {
    const t = step / steps;
    const angle = start + bow * t * t + Math.sin(t * 5 + ruffle.phase) * 0.07;
    centre.push({ ...point, angle, t });
    point = {
      x: point.x + (Math.sin(angle) * length) / steps,
      y: point.y - (Math.cos(angle) * length) / steps,
    };
  }
  const half = (t, sign) =>
    width *
    (t ** 0.55 * (1 - t) ** 0.75 * 1.75) *
    (1 + ruffle.height * Math.sin(t * ruffle.waves * 6.28 + ruffle.phase + sign * 1.3));
  const edge = (sign) =>
    centre.map(({ x, y, angle, t }) => ({
      x: x + Math.cos(angle) * half(t, sign) * sign,
      y: y + Math.sin(angle) * half(t, sign) * sign,
    }));
  const [left, right] = [edge(-1), edge(1)];
  const tip = centre[steps];
  const tone = mix(look.dark, look.light, clamp(random.between(0, 0.75) * shade));
  const gradient = context.createLinearGradient(from.x, from.y, tip.x, tip.y);
  gradient.addColorStop(0, css(mix(look.dark, tone, 0.4)));
  gradient.addColorStop(0.6, css(tone));
  gradient.addColorStop(1, css(mix(tone, look.light, 0.55)));
  context.fillStyle = gradient;
  context.beginPath();
  context.moveTo(left[0].x, left[0].y);
  for (const { x, y } of left) context.lineTo(x, y);
  for (const { x, y } of right.toReversed()) context.lineTo(x, y);
  context.closePath();
  context.fill();

  if (look.detail > 0) {
    context.save();
    context.clip();
    context.lineWidth = Math.max(0.7, width * 0.035);
    for (let vein = -2; vein <= 2; vein++) {
      context.strokeStyle = css(vein % 2 ? look.light : mix(look.dark, [0, 0, 0], 0.4), 0.4 * look.detail);
      context.beginPath();
      for (const { x, y, angle, t } of centre) {
        const off = (half(t, vein) * vein) / 3 + Math.sin(t * 26 + vein * 2 + ruffle.phase) * width * 0.06;
        context.lineTo(x + Math.cos(angle) * off, y + Math.sin(angle) * off);
      }
      context.stroke();
    }
    context.restore();
  }
  // The edge that faces the surface catches the light.
  const lit = Math.sin(start + bow * 0.5) > 0 ? left : right;
  context.lineCap = "butt";
  for (let step = 1; step < lit.length; step++) {
    const t = step / steps;
    context.strokeStyle = css(look.rim, look.rimAlpha * Math.sin(Math.PI * t) ** 0.8 * shade);
    context.lineWidth = Math.max(0.7, width * 0.085 * Math.sin(Math.PI * t) + 0.4);
    line(context, lit[step - 1], lit[step]);
  }
  drawFloat(context, from, start, stalk, float, look);
}

function drawFloat(context, from, angle, stalk, float, look) {
  const x = from.x + Math.sin(angle) * (stalk + float);
  const y = from.y - Math.cos(angle) * (stalk + float);
  context.strokeStyle = css(look.dark);
  context.lineWidth = Math.max(0.8, float * 0.3);
  line(context, from, { x, y });
  context.save();
  context.translate(x, y);
  context.rotate(angle);
  const gradient = context.createRadialGradient(float * 0.2, -float * 0.35, 0, 0, 0, float * 1.2);
  gradient.addColorStop(0, css(mix(look.light, look.rim, clamp(look.rimAlpha * 0.7))));
  gradient.addColorStop(0.45, css(mix(look.dark, look.light, 0.7)));
  gradient.addColorStop(1, css(look.dark));
  context.fillStyle = gradient;
  context.beginPath();
  context.ellipse(0, 0, float * 0.62, float * 1.05, 0, 0, 6.2832);
  context.fill();
  context.restore();
}
