import { createCanvas } from "@napi-rs/canvas";
import { clamp, css, mix } from "./colour.mjs";
import { seeded } from "./random.mjs";

/** What the keepers carry, each on a transparent ground and lit from the upper left: old brass, lead, cork and glass. */
const brass = { dark: [44, 30, 18], mid: [136, 96, 48], light: [232, 196, 124], rim: [255, 240, 204] };
const iron = { dark: [8, 22, 28], mid: [34, 58, 64], light: [96, 132, 130], rim: [206, 232, 220] };

/** A round surface lit from the upper left. */
function ball(context, x, y, radius, { dark, mid, light }, squash = 1) {
  const fill = context.createRadialGradient(
    x - radius * 0.42,
    y - radius * 0.5 * squash,
    radius * 0.06,
    x,
    y,
    radius * 1.12,
  );
  fill.addColorStop(0, css(light));
  fill.addColorStop(0.34, css(mix(mid, light, 0.35)));
  fill.addColorStop(0.68, css(mid));
  fill.addColorStop(1, css(dark));
  context.fillStyle = fill;
}

/** A surface bent around an upright axis between two x. */
function drum(context, left, right, { dark, mid, light }) {
  const fill = context.createLinearGradient(left, 0, right, 0);
  fill.addColorStop(0, css(mix(dark, mid, 0.6)));
  fill.addColorStop(0.24, css(light));
  fill.addColorStop(0.44, css(mid));
  fill.addColorStop(0.86, css(dark));
  fill.addColorStop(1, css(mix(dark, mid, 0.5)));
  context.fillStyle = fill;
}

const path = (context, draw) => {
  context.beginPath();
  draw();
  context.closePath();
  context.fill();
};

const rimLine = (context, colour, alpha, width, draw) => {
  context.strokeStyle = css(colour, alpha);
  context.lineWidth = width;
  context.lineCap = "round";
  context.beginPath();
  draw();
  context.stroke();
};

/** Wear: scratches and dull spots, only on what is painted already. */
function weather(context, random, width, height, colour, amount) {
  context.save();
  context.globalCompositeOperation = "source-atop";
  for (let spot = 0; spot < amount; spot++) {
    const [x, y] = [random.next() * width, random.next() * height];
    const radius = width * random.between(0.004, 0.05) * random.next();
    const stain = context.createRadialGradient(x, y, 0, x, y, radius);
    stain.addColorStop(0, css(colour, 0.22 * random.next()));
    stain.addColorStop(1, css(colour, 0));
    context.fillStyle = stain;
    context.fillRect(x - radius, y - radius, radius * 2, radius * 2);
  }
  context.restore();
}

function canvasOf(width, height) {
  const canvas = createCanvas(width, height);
  return [canvas, canvas.getContext("2d")];
}

/** A diver's helmet with its collar, three windows and a valve. */
export function drawHelmet(width, height) {
  const random = seeded(121);
  const [canvas, context] = canvasOf(width, height);
  const [x, y, radius] = [width * 0.5, height * 0.4, width * 0.36];
  // The collar: a broad plate that falls over the shoulders.
  drum(context, width * 0.06, width * 0.94, brass);
  path(context, () => {
    context.moveTo(x - radius * 0.86, height * 0.68);
    context.bezierCurveTo(
      x - radius * 1.1,
      height * 0.76,
      width * 0.06,
      height * 0.8,
      width * 0.06,
      height * 0.9,
    );
    context.bezierCurveTo(width * 0.2, height * 1.0, width * 0.8, height * 1.0, width * 0.94, height * 0.9);
    context.bezierCurveTo(
      width * 0.94,
      height * 0.8,
      x + radius * 1.1,
      height * 0.76,
      x + radius * 0.86,
      height * 0.68,
    );
  });
  context.fillStyle = css(brass.dark, 0.55);
  path(context, () => {
    context.ellipse(x, height * 0.705, radius * 0.93, height * 0.045, 0, 0, 6.2832);
  });
  for (let bolt = 0; bolt < 9; bolt++) {
    const angle = Math.PI * (0.08 + (bolt / 8) * 0.84);
    const [bx, by] = [x - Math.cos(angle) * width * 0.39, height * 0.845 + Math.sin(angle) * height * 0.075];
    ball(context, bx, by, width * 0.022, brass);
    path(context, () => context.arc(bx, by, width * 0.02, 0, 6.2832));
  }
  drum(context, x - radius * 0.9, x + radius * 0.9, brass);
  context.fillRect(x - radius * 0.9, height * 0.625, radius * 1.8, height * 0.07);
  rimLine(context, brass.rim, 0.5, width * 0.004, () => {
    context.moveTo(x - radius * 0.88, height * 0.629);
    context.lineTo(x + radius * 0.4, height * 0.629);
  });
  ball(context, x, y, radius, brass);
  path(context, () => context.ellipse(x, y, radius, radius * 0.98, 0, 0, 6.2832));
  context.fillStyle = css(brass.dark, 0.35);
  path(context, () => context.ellipse(x, y + radius * 0.86, radius * 0.78, radius * 0.14, 0, 0, 6.2832));
  weather(context, random, width, height, [22, 66, 60], 420);
  const pane = (px, py, size, squeeze) => {
    for (const [share, tone] of [
      [1, brass],
      [0.86, { dark: [24, 16, 10], mid: [74, 52, 28], light: [150, 112, 62] }],
    ]) {
      ball(context, px, py, size * share, tone);
      path(context, () => context.ellipse(px, py, size * share * squeeze, size * share, 0, 0, 6.2832));
    }
    const glass = context.createLinearGradient(px - size, py - size, px + size * 0.6, py + size);
    glass.addColorStop(0, css([96, 160, 156]));
    glass.addColorStop(0.4, css([18, 56, 64]));
    glass.addColorStop(1, css([3, 14, 20]));
    context.fillStyle = glass;
    path(context, () => context.ellipse(px, py, size * 0.7 * squeeze, size * 0.7, 0, 0, 6.2832));
    rimLine(context, [234, 250, 236], 0.7, size * 0.05, () =>
      context.ellipse(px, py, size * 0.56 * squeeze, size * 0.56, 0, 3.5, 4.5),
    );
    for (let bolt = 0; bolt < 8; bolt++) {
      const angle = bolt * 0.7854 + 0.39;
      ball(
        context,
        px + Math.cos(angle) * size * 0.93 * squeeze,
        py + Math.sin(angle) * size * 0.93,
        size * 0.075,
        brass,
      );
      path(context, () =>
        context.arc(
          px + Math.cos(angle) * size * 0.93 * squeeze,
          py + Math.sin(angle) * size * 0.93,
          size * 0.06,
          0,
          6.2832,
        ),
      );
    }
  };
  pane(x - radius * 0.82, y + radius * 0.02, radius * 0.36, 0.5);
  pane(x + radius * 0.82, y + radius * 0.02, radius * 0.36, 0.5);
  pane(x, y + radius * 0.04, radius * 0.48, 1);
  for (const bar of [-0.36, 0, 0.36]) {
    context.fillStyle = css(mix(brass.dark, brass.mid, 0.5));
    context.fillRect(
      x + bar * radius * 0.5 - radius * 0.018,
      y - radius * 0.4,
      radius * 0.036,
      radius * 0.88,
    );
  }
  drum(context, x + radius * 0.5, x + radius * 0.86, brass);
  context.save();
  context.translate(x + radius * 0.62, y - radius * 0.66);
  context.rotate(0.7);
  context.fillRect(-radius * 0.12, -radius * 0.3, radius * 0.24, radius * 0.36);
  context.restore();
  rimLine(context, brass.rim, 0.75, width * 0.005, () =>
    context.ellipse(x, y, radius * 0.985, radius * 0.965, 0, 3.5, 4.7),
  );
  return canvas;
}

/** A boot with a leaden sole. */
export function drawBoot(width, height) {
  const random = seeded(127);
  const [canvas, context] = canvasOf(width, height);
  const leather = { dark: [18, 20, 20], mid: [58, 50, 42], light: [134, 116, 92] };
  drum(context, width * 0.3, width * 1.02, leather);
  path(context, () => {
    context.moveTo(width * 0.46, height * 0.03);
    context.lineTo(width * 0.9, height * 0.03);
    context.bezierCurveTo(
      width * 0.93,
      height * 0.4,
      width * 0.96,
      height * 0.5,
      width * 0.95,
      height * 0.78,
    );
    context.lineTo(width * 0.08, height * 0.78);
    context.bezierCurveTo(
      width * 0.04,
      height * 0.58,
      width * 0.22,
      height * 0.54,
      width * 0.38,
      height * 0.48,
    );
    context.bezierCurveTo(
      width * 0.48,
      height * 0.42,
      width * 0.47,
      height * 0.24,
      width * 0.46,
      height * 0.03,
    );
  });
  const toe = { ...brass, dark: [60, 40, 22] };
  ball(context, width * 0.22, height * 0.68, width * 0.22, toe);
  path(context, () => {
    context.moveTo(width * 0.06, height * 0.79);
    context.bezierCurveTo(
      width * 0.02,
      height * 0.58,
      width * 0.2,
      height * 0.53,
      width * 0.31,
      height * 0.52,
    );
    context.quadraticCurveTo(width * 0.4, height * 0.66, width * 0.38, height * 0.79);
  });
  drum(context, 0, width, iron);
  path(context, () =>
    context.roundRect(width * 0.02, height * 0.78, width * 0.96, height * 0.17, height * 0.03),
  );
  for (const strap of [0.2, 0.36]) {
    context.fillStyle = css([24, 20, 18]);
    context.fillRect(width * 0.455, height * strap, width * 0.47, height * 0.055);
    ball(context, width * 0.6, height * (strap + 0.02), width * 0.06, brass);
    path(context, () =>
      context.roundRect(width * 0.56, height * (strap - 0.012), width * 0.1, height * 0.08, 6),
    );
    context.fillStyle = css([24, 20, 18]);
    context.fillRect(width * 0.58, height * (strap + 0.012), width * 0.06, height * 0.032);
  }
  weather(context, random, width, height, [120, 150, 130], 200);
  rimLine(context, [255, 240, 214], 0.5, width * 0.006, () => {
    context.moveTo(width * 0.08, height * 0.66);
    context.bezierCurveTo(
      width * 0.14,
      height * 0.56,
      width * 0.26,
      height * 0.53,
      width * 0.38,
      height * 0.485,
    );
    context.bezierCurveTo(
      width * 0.48,
      height * 0.42,
      width * 0.472,
      height * 0.24,
      width * 0.463,
      height * 0.04,
    );
  });
  rimLine(context, iron.rim, 0.5, width * 0.005, () => {
    context.moveTo(width * 0.05, height * 0.787);
    context.lineTo(width * 0.62, height * 0.787);
  });
  return canvas;
}

/** A keeper's lantern, lit. */
export function drawLantern(width, height) {
  const [canvas, context] = canvasOf(width, height);
  const x = width / 2;
  const flame = [255, 214, 138];
  const glow = context.createRadialGradient(x, height * 0.58, 0, x, height * 0.58, width * 0.5);
  glow.addColorStop(0, css(flame, 0.6));
  glow.addColorStop(0.4, css(flame, 0.2));
  glow.addColorStop(1, css(flame, 0));
  context.fillStyle = glow;
  context.fillRect(0, 0, width, height);
  rimLine(context, brass.mid, 1, width * 0.024, () =>
    context.ellipse(x, height * 0.2, width * 0.15, height * 0.14, 0, Math.PI * 0.96, Math.PI * 0.04),
  );
  drum(context, x - width * 0.2, x + width * 0.2, brass);
  path(context, () => {
    context.moveTo(x - width * 0.07, height * 0.18);
    context.lineTo(x + width * 0.07, height * 0.18);
    context.lineTo(x + width * 0.09, height * 0.25);
    context.lineTo(x + width * 0.24, height * 0.38);
    context.lineTo(x - width * 0.24, height * 0.38);
    context.lineTo(x - width * 0.09, height * 0.25);
  });
  const glass = context.createRadialGradient(x, height * 0.6, 0, x, height * 0.58, width * 0.28);
  glass.addColorStop(0, css([255, 248, 220], 0.98));
  glass.addColorStop(0.25, css(flame, 0.85));
  glass.addColorStop(1, css([120, 74, 30], 0.5));
  context.fillStyle = glass;
  path(context, () => {
    context.moveTo(x - width * 0.2, height * 0.38);
    context.bezierCurveTo(
      x - width * 0.27,
      height * 0.5,
      x - width * 0.27,
      height * 0.68,
      x - width * 0.2,
      height * 0.78,
    );
    context.lineTo(x + width * 0.2, height * 0.78);
    context.bezierCurveTo(
      x + width * 0.27,
      height * 0.68,
      x + width * 0.27,
      height * 0.5,
      x + width * 0.2,
      height * 0.38,
    );
  });
  context.fillStyle = css([255, 252, 238]);
  path(context, () => {
    context.moveTo(x, height * 0.47);
    context.bezierCurveTo(x + width * 0.09, height * 0.6, x + width * 0.05, height * 0.68, x, height * 0.68);
    context.bezierCurveTo(x - width * 0.05, height * 0.68, x - width * 0.09, height * 0.6, x, height * 0.47);
  });
  for (const bar of [-0.245, -0.09, 0.09, 0.245])
    rimLine(context, mix(brass.dark, brass.mid, 0.5), 1, width * 0.018, () => {
      context.moveTo(x + bar * width * 0.85, height * 0.38);
      context.quadraticCurveTo(x + bar * width * 1.12, height * 0.58, x + bar * width * 0.85, height * 0.78);
    });
  drum(context, x - width * 0.26, x + width * 0.26, brass);
  path(context, () => context.roundRect(x - width * 0.25, height * 0.37, width * 0.5, height * 0.03, 6));
  path(context, () => context.roundRect(x - width * 0.25, height * 0.77, width * 0.5, height * 0.1, 10));
  rimLine(context, brass.rim, 0.6, width * 0.006, () => {
    context.moveTo(x - width * 0.22, height * 0.378);
    context.lineTo(x + width * 0.16, height * 0.378);
    context.moveTo(x - width * 0.22, height * 0.78);
    context.lineTo(x + width * 0.16, height * 0.78);
  });
  return canvas;
}

/** A glass float in its net. */
export function drawFloat(width, height) {
  const [canvas, context] = canvasOf(width, height);
  const [x, y, radius] = [width / 2, height * 0.52, width * 0.44];
  const glass = context.createRadialGradient(
    x - radius * 0.35,
    y - radius * 0.42,
    radius * 0.05,
    x,
    y,
    radius,
  );
  glass.addColorStop(0, css([226, 250, 232], 0.95));
  glass.addColorStop(0.2, css([112, 190, 172], 0.9));
  glass.addColorStop(0.72, css([30, 110, 108], 0.9));
  glass.addColorStop(0.94, css([10, 62, 70], 0.96));
  glass.addColorStop(1, css([96, 176, 160], 0.95));
  context.fillStyle = glass;
  path(context, () => context.arc(x, y, radius, 0, 6.2832));
  const rope = [196, 176, 136];
  for (const [tone, alpha, wide, off] of [
    [[20, 34, 32], 0.6, 0.034, 0.012],
    [rope, 0.95, 0.022, 0],
  ]) {
    for (let band = -2; band <= 2; band++) {
      rimLine(context, tone, alpha, width * wide, () =>
        context.ellipse(
          x + off * width,
          y + off * width,
          Math.abs(band) * radius * 0.42 + radius * 0.02,
          radius * 0.99,
          0,
          band < 0 ? 1.5708 : -1.5708,
          band < 0 ? 4.7124 : 1.5708,
        ),
      );
      const half = Math.sqrt(Math.max(0, 1 - (band * 0.36) ** 2)) * radius;
      rimLine(context, tone, alpha, width * wide, () => {
        context.moveTo(x - half, y + band * radius * 0.36 + off * width);
        context.quadraticCurveTo(
          x,
          y + band * radius * 0.36 + radius * 0.16 + off * width,
          x + half,
          y + band * radius * 0.36 + off * width,
        );
      });
    }
    rimLine(context, tone, alpha, width * wide * 1.2, () =>
      context.ellipse(x, y - radius * 1.03, radius * 0.16, radius * 0.13, 0, 0, 6.2832),
    );
  }
  rimLine(context, [246, 255, 240], 0.75, width * 0.014, () => context.arc(x, y, radius * 0.82, 3.55, 4.25));
  return canvas;
}

/** A whelk's shell. */
export function drawShell(width, height) {
  const random = seeded(139);
  const [canvas, context] = canvasOf(width, height);
  context.translate(width * 0.58, height * 0.5);
  context.rotate(-0.5);
  const tones = { dark: [96, 74, 58], mid: [206, 180, 146], light: [252, 240, 214] };
  for (let whorl = 0; whorl < 7; whorl++) {
    const size = width * 0.36 * 0.72 ** whorl;
    const at = width * (-0.08 + 0.52 * (1 - 0.72 ** whorl));
    ball(context, at, -size * 0.1, size * 0.95, tones);
    path(context, () => context.ellipse(at, 0, size * 0.62, size * 0.86, 0.16, 0, 6.2832));
    context.globalCompositeOperation = "source-atop";
    for (let line = -4; line <= 4; line++)
      rimLine(context, tones.dark, 0.22, width * 0.004, () =>
        context.ellipse(at + line * size * 0.1, 0, size * 0.16, size * 0.84, 0.16, -1.5, 1.5),
      );
    context.globalCompositeOperation = "source-over";
  }
  const mouth = context.createLinearGradient(-width * 0.36, 0, 0, 0);
  mouth.addColorStop(0, css([255, 226, 196]));
  mouth.addColorStop(1, css([150, 88, 66]));
  context.fillStyle = mouth;
  path(context, () =>
    context.ellipse(-width * 0.16, height * 0.12, width * 0.11, height * 0.3, 0.35, 0, 6.2832),
  );
  weather(context, random, width, height, [90, 60, 44], 60);
  return canvas;
}

/** A day ticket with its tide on it. */
export function drawTicket(width, height) {
  const [canvas, context] = canvasOf(width, height);
  const paper = context.createLinearGradient(0, 0, width, height);
  paper.addColorStop(0, css([252, 246, 224]));
  paper.addColorStop(1, css([222, 212, 180]));
  context.fillStyle = paper;
  path(context, () =>
    context.roundRect(width * 0.02, height * 0.04, width * 0.96, height * 0.92, height * 0.06),
  );
  context.globalCompositeOperation = "destination-out";
  for (const y of [0, 1])
    path(context, () => context.arc(width * 0.74, height * (0.04 + y * 0.92), height * 0.07, 0, 6.2832));
  for (let hole = 1; hole < 12; hole++)
    path(context, () => context.arc(width * 0.74, height * (0.08 + hole * 0.07), height * 0.012, 0, 6.2832));
  context.globalCompositeOperation = "source-over";
  const ink = [10, 60, 66];
  for (let wave = 0; wave < 3; wave++)
    rimLine(context, ink, 0.9 - wave * 0.25, height * 0.026, () => {
      for (let step = 0; step <= 60; step++) {
        const t = step / 60;
        context.lineTo(
          width * (0.09 + t * 0.56),
          height * (0.4 + wave * 0.13) - Math.sin(t * 9 + wave * 0.7) * height * 0.085,
        );
      }
    });
  // A crescent: the disc of the moon, and a second one taken from it.
  context.fillStyle = css(ink);
  path(context, () => {
    context.arc(width * 0.86, height * 0.36, height * 0.12, 0.6, 4.9);
    context.quadraticCurveTo(width * 0.838, height * 0.42, width * 0.92, height * 0.43);
  });
  context.fillStyle = css(ink, clamp(0.75));
  for (const [y, wide] of [
    [0.6, 0.14],
    [0.68, 0.1],
    [0.76, 0.12],
  ])
    context.fillRect(width * 0.79, height * y, width * wide, height * 0.028);
  return canvas;
}
