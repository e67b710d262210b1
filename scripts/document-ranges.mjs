// Draws docs/ranges.svg: where a scene is when each range of its passage begins and ends. Needs a build of lumbit.
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { momentAt } from "lumbit/core";
import { root } from "./run.mjs";

const ranges = ["cover", "contain", "entry", "exit", "entry-crossing", "exit-crossing"];
const screen = { width: 64, height: 44 };
/** Scenes lower and higher than the screen. */
const scenes = [
  { said: "a scene lower than the screen", height: 24 },
  { said: "a scene higher than the screen", height: 72 },
];
const [column, row, left, top] = [186, 236, 24, 64];

/** The screen, and the scene where it is at a moment; what of it is in view is filled. */
function moment(x, y, at, height) {
  const p = momentAt(at, "scene", {
    viewport: screen,
    scene: { height, top: 0 },
    scrollHeight: 0,
    box: { left: 0, top: 0, width: 0, height },
  });
  const scene = screen.height - p;
  const shown = { from: Math.max(0, scene), to: Math.min(screen.height, scene + height) };
  return `<g transform="translate(${x} ${y})">
    <rect x="8" y="${scene}" width="${screen.width - 16}" height="${height}" class="scene"/>
    ${shown.to > shown.from ? `<rect x="8" y="${shown.from}" width="${screen.width - 16}" height="${shown.to - shown.from}" class="seen"/>` : ""}
    <rect width="${screen.width}" height="${screen.height}" class="screen"/>
    <text x="${screen.width / 2}" y="-80" class="share">${at.split(" ")[1]}</text></g>`;
}

const tiles = scenes.flatMap(({ said, height }, down) => [
  `<text x="${left}" y="${top + down * row - 24}" class="said">${said}</text>`,
  ...ranges.flatMap((range, across) => {
    const [x, y] = [left + across * column, top + down * row];
    return [
      `<text x="${x}" y="${y + 4}" class="range">${range}</text>`,
      moment(x, y + 106, `${range} 0%`, height),
      moment(x + screen.width + 20, y + 106, `${range} 100%`, height),
    ];
  }),
]);
const size = { width: left * 2 + ranges.length * column - 24, height: top + scenes.length * row };
writeFileSync(
  join(root, "docs/ranges.svg"),
  `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}" viewBox="0 0 ${size.width} ${size.height}" font-family="system-ui, sans-serif" role="img" aria-label="Where a scene is when each range begins and ends">
<style>.scene{fill:#2f8f83;fill-opacity:.18}.seen{fill:#2f8f83}.screen{fill:none;stroke:#16303c;stroke-width:2}.range{font-size:15px;font-weight:600;fill:#16303c}.share{font-size:12px;text-anchor:middle;fill:#5b6b70}.said{font-size:13px;fill:#5b6b70}</style>
<rect width="100%" height="100%" fill="#f6f7f5"/>
${tiles.join("\n")}
</svg>
`,
);
