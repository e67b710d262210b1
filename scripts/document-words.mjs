// Draws docs/words/: a picture for each word of the model. Where things stand is what the model says. Needs a build of lumbit.
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { layoutPage, passageOf, poseAt, speedAt } from "lumbit/core";
import { root } from "./run.mjs";

const folder = join(root, "docs/words");
const view = { width: 132, height: 88 };
const colors = { far: "#a9cdc6", mid: "#4f9a8f", near: "#17404a", mark: "#d9694a", ground: "#e9eeea" };

/** A page of one scene between two empty ones, so that all of its passage can be scrolled to. */
const pageOf = (scene, look = {}) => ({
  ...{ format: "lumbit/1", title: "words", lang: "en", page: look },
  scenes: [
    { name: "before", height: "100vh", layers: [] },
    { name: "own", height: "130vh", ...scene },
    { name: "after", height: "100vh", layers: [] },
  ],
});
const box = (name, depth, left, color = colors.mid, more = {}) => ({
  ...{ name, shape: "rectangle", background: color, depth },
  place: { left: `${left}%`, top: "44vh", width: "18%", height: "34vh" },
  ...more,
});
const text = (x, y, words, more = "") => `<text x="${x}" y="${y}" ${more}>${words}</text>`;
const arrow = (x1, y1, x2, y2) =>
  `<path d="M${x1} ${y1}L${x2} ${y2}" class="arrow" marker-end="url(#head)"/>`;

/** The screen at a share of the scene's passage, with everything where the model has it. */
function screen(page, share, { x = 0, y = 0, seen = view, outside = false } = {}) {
  const layout = layoutPage(page, seen);
  const own = layout.scenes[1];
  const { height, hold = 0 } = own;
  const { length } = passageOf({
    viewport: seen.height,
    scene: height,
    hold,
    before: own.top,
    after: seen.height,
  });
  const scroll = own.top - seen.height + share * length;
  const ghosts = [];
  const id = `${x}-${y}-${share}`.replace(/\./g, "_");
  const drawn = poseAt(layout, scroll)
    .scenes.map((pose, index) => ({ pose, layout: layout.scenes[index] }))
    .map(({ pose, layout }) => {
      const layers = layout.layers
        .map((layer, at) => ({ layer, at: pose.layers[at] }))
        .toSorted((a, b) => a.layer.order - b.layer.order)
        .map(({ layer, at }) => {
          const { background, shape } = layer.layer;
          const paint = `fill="${background}" opacity="${at.opacity}"`;
          const drawn =
            shape === "ellipse"
              ? `<ellipse cx="${at.left + at.width / 2}" cy="${at.top + at.height / 2}" rx="${at.width / 2}" ry="${at.height / 2}" ${paint}/>`
              : `<rect x="${at.left}" y="${at.top}" width="${at.width}" height="${at.height}" ${paint}/>`;
          if (!layer.pane) return drawn;
          const { left, top, width, height } = layer.pane;
          const pane = `x="${left}" y="${top + pose.top}" width="${width}" height="${height}"`;
          const clip = `<clipPath id="p${id}"><rect ${pane}/></clipPath>`;
          if (outside) ghosts.push(`<g opacity="0.3">${drawn}</g>`);
          return `${clip}<g clip-path="url(#p${id})">${drawn}</g><rect ${pane} class="mark"/>`;
        });
      const ground = layout.name === "own" ? colors.ground : "#fff";
      return `<rect x="0" y="${pose.top}" width="${seen.width}" height="${layout.height}" fill="${ground}"/>${layers.join("")}`;
    });
  return `<g transform="translate(${x} ${y})"><clipPath id="c${id}"><rect width="${seen.width}" height="${seen.height}"/></clipPath><g clip-path="url(#c${id})">${drawn.join("")}</g>${ghosts.join("")}<rect width="${seen.width}" height="${seen.height}" class="screen"/></g>`;
}

/** The screen at several moments, from left to right. */
const moments = (page, shares, said = []) =>
  shares
    .map((share, index) => {
      const x = 18 + index * (view.width + 18);
      return (
        screen(page, share, { x, y: 20 }) + text(x + view.width / 2, 130, said[index] ?? "", 'class="said"')
      );
    })
    .join("");

/** From the side: the reader's eye, the page's surface, and planes behind and before it. */
function side(planes) {
  const at = (depth) => 70 + 370 * (1 - speedAt(depth) / 2);
  return `<circle cx="30" cy="72" r="5" fill="${colors.near}"/><path d="M30 72L456 26M30 72L456 118" class="thin"/>${planes
    .map(
      ([depth, said, color]) =>
        `<path d="M${at(depth)} 24V120" stroke="${color}" stroke-width="5"/>${text(at(depth), 16, said, 'class="said"')}`,
    )
    .join("")}${text(30, 96, "reader", 'class="said"')}`;
}

/** The page as a strip, with the screen on it. */
function strip(scenes, from, to, said) {
  let y = 8;
  const drawn = scenes.map(([height, color]) => {
    const rect = `<rect x="180" y="${y}" width="108" height="${height}" fill="${color}"/>`;
    y += height + 2;
    return rect;
  });
  return `${drawn.join("")}<rect x="172" y="${from}" width="124" height="${to - from}" class="screen"/>${text(312, (from + to) / 2, said, 'class="left"')}`;
}

const three = [
  box("far", "horizon", 8, colors.far),
  box("middle", 1, 41, colors.mid),
  box("near", 0, 74, colors.near),
];
const plain = pageOf({ layers: three });
const depths = [
  [-0.5, "-0.5", colors.mark],
  [0, "0", colors.near],
  [1, "1", colors.mid],
  [4, "4", colors.far],
];
const steps = [0.36, 0.5, 0.64];
const scrolled = ["scrolled a little", "a screen's third further", "and on"];
const held = pageOf({
  height: "100vh",
  hold: "100vh",
  layers: [box("near", 0, 20, colors.near), box("far", 3, 60, colors.far)],
});
const inPane = (depth, more = {}) =>
  pageOf({
    layers: [
      box("picture", depth, 30, colors.mid, {
        pane: true,
        place: { left: "28%", top: "34vh", width: "44%", height: "56vh" },
        background: "url(#stripes)",
        ...more,
      }),
    ],
  });

/** What each word means. */
const meanings = {
  page: "The whole document: scenes one below the other.",
  scene: "One box of the page, in which layers are stacked.",
  layer: "One picture, text, shape or group in a scene.",
  depth:
    'How far behind the page\'s surface a layer is, in camera distances: 0 on it, 1 one camera distance behind, -0.5 half way to the reader, `"horizon"` infinitely far.',
  speed:
    "How far a layer moves on the screen for each scrolled pixel: 1 with the page, 0 not at all. It follows from the depth: `1 / (1 + depth)`.",
  drift: "How far a layer slides against its scene for each scrolled pixel: `1 - speed`.",
  direction: "Where drift carries a layer while the reader scrolls down.",
  relief: "A factor on all drift, of a page, a scene or a screen: 0 is flat, 1 as the depths say.",
  passage:
    "The scroll during which any part of a scene is in view. Moments are shares of it, or of its [ranges](page-file.md#moments).",
  settle: "The moment of the passage at which every layer stands exactly where it was placed.",
  subject: "The point of a picture that matters.",
  backdrop: "A picture behind all scenes of a page, or behind all layers of a scene.",
  pane: "A box that clips a picture which moves in it; the box itself goes with the page.",
  overscan: "How far a picture reaches past its pane so that no edge ever shows. It is computed.",
  hold: "Scroll during which a scene, or a layer, stays where it is on the screen.",
  reel: "Layers side by side that travel sideways while their scene holds.",
  ramp: "A property that follows the scroll between two moments, and back.",
  cue: "A change that plays once when the scroll passes a moment.",
  sway: "Movement of the camera with the pointer.",
  haze: "Haze and focus: paleness and softness that grow with the distance.",
  pose: "Everything about one layer at one scroll position.",
  proof: "A sheet of pictures of the page, over scroll positions and screens.",
  still:
    "The still version: what readers see who ask for less motion, who print, or whose browser has no such animations.",
};

/** What is drawn for each. */
const pictures = {
  page: strip(
    [
      [28, colors.far],
      [44, colors.mid],
      [34, colors.far],
    ],
    22,
    74,
    "the screen",
  ),
  scene: strip(
    [
      [28, "#e2e8e4"],
      [44, colors.mid],
      [34, "#e2e8e4"],
    ],
    22,
    74,
    "one of its boxes",
  ),
  layer: side([
    [0.4, "picture", colors.near],
    [1.5, "text", colors.mid],
    [6, "picture", colors.far],
  ]),
  depth: side(depths) + text(456, 134, "horizon: infinitely far", 'class="end"'),
  speed:
    moments(plain, steps, scrolled) +
    text(240, 12, `speeds from left to right in each: 0, ${speedAt(1)}, 1`, 'class="said"'),
  drift: moments(pageOf({ layers: [box("near", 0, 15, colors.near), box("far", 1.5, 60)] }), steps, [
    "",
    "as they were placed",
    "one has slid in its scene",
  ]),
  direction: ["down", "up", "left"]
    .map(
      (direction, index) =>
        screen(pageOf({ layers: [box("near", 1.5, 41, colors.mid, { direction })] }), 0.58, {
          x: 18 + index * 150,
          y: 20,
        }) + text(84 + index * 150, 130, direction, 'class="said"'),
    )
    .join(""),
  relief: [0, 0.5, 1]
    .map(
      (relief, index) =>
        screen(pageOf({ relief, layers: three }), 0.66, { x: 18 + index * 150, y: 20 }) +
        text(84 + index * 150, 130, String(relief), 'class="said"'),
    )
    .join(""),
  passage: moments(plain, [0.04, 0.5, 0.96], ["the scene comes in", "", "the last of it goes"]),
  settle: moments(plain, [0.3, 0.5, 0.7], ["before", "settled: all stands as placed", "after"]),
  subject:
    [132, 66, 40]
      .map((width, index) => {
        const x = [18, 190, 300][index];
        return `<g transform="translate(${x} 20)"><clipPath id="s${index}"><rect width="${width}" height="88"/></clipPath><g clip-path="url(#s${index})"><g transform="translate(${width - 132 < 0 ? Math.max(width - 132, -(92 - width / 2)) : 0} 0)"><rect width="132" height="88" fill="${colors.far}"/><path d="M0 88L40 40L70 70L100 52L132 88" fill="${colors.mid}"/><circle cx="92" cy="32" r="11" fill="${colors.mark}"/></g></g><rect width="${width}" height="88" class="screen"/></g>`;
      })
      .join("") + text(360, 68, "crops keep it in sight", 'class="left"'),
  backdrop: moments(
    pageOf({
      layers: [
        box("sky", "horizon", 0, "url(#stripes)", {
          place: { left: 0, top: 0, width: "100%", height: "100vh" },
        }),
        box("near", 0, 41, colors.near),
      ],
    }),
    steps,
    ["", "what is before it passes", ""],
  ),
  pane: moments(inPane(1), [0.34, 0.5, 0.66], ["", "the box goes with the page", "the picture in it slower"]),
  overscan:
    [0.34, 0.5, 0.66]
      .map((share, index) =>
        screen(inPane(0.35, { place: { left: "28%", top: "40vh", width: "44%", height: "44vh" } }), share, {
          x: 18 + index * 150,
          y: 20,
          outside: true,
        }),
      )
      .join("") + text(234, 134, "what reaches past the box so that no edge ever shows", 'class="said"'),
  hold: moments(held, [0.36, 0.6, 0.8], ["it has come", "the scroll goes on, it stays", "and then it goes"]),
  reel:
    [0, 30, 62]
      .map(
        (moved, index) =>
          `<g transform="translate(${18 + index * 150} 20)"><clipPath id="r${index}"><rect width="132" height="88"/></clipPath><g clip-path="url(#r${index})"><rect width="132" height="88" fill="${colors.ground}"/>${[
            0, 1, 2,
          ]
            .map(
              (at) =>
                `<rect x="${12 + at * 78 - moved * 1.6}" y="22" width="66" height="44" fill="${[colors.far, colors.mid, colors.near][at]}"/>`,
            )
            .join("")}</g><rect width="132" height="88" class="screen"/></g>`,
      )
      .join("") + text(234, 130, "it travels sideways while its scene holds", 'class="said"'),
  ramp: moments(
    pageOf({
      layers: [
        box("near", 0, 30, colors.near, {
          place: { left: "30%", top: "35vh", width: "40%", height: "50vh" },
          ramps: [
            {
              property: "opacity",
              of: "scene",
              stops: [
                { at: "cover 35%", value: 0.1 },
                { at: "cover 60%", value: 1 },
              ],
            },
          ],
        }),
      ],
    }),
    [0.38, 0.48, 0.6],
    ["", "as far as one has scrolled", "and back"],
  ),
  cue:
    [0.15, 0.6, 1]
      .map(
        (share, index) =>
          `<g transform="translate(${18 + index * 150} 20)"><rect width="132" height="88" fill="${colors.ground}"/><rect x="40" y="${24 + 16 * (1 - share)}" width="52" height="40" fill="${colors.near}" opacity="${share}"/><rect width="132" height="88" class="screen"/></g>`,
      )
      .join("") + text(234, 130, "once, by itself, when the scroll passes a moment", 'class="said"'),
  sway:
    [-1, 0, 1]
      .map(
        (way, index) =>
          `<g transform="translate(${18 + index * 150} 20)"><rect width="132" height="88" fill="${colors.ground}"/>${three
            .toReversed()
            .map(({ depth, background }, at) => {
              const by = way * 14 * (1 - speedAt(depth));
              return `<rect x="${96 - at * 42 + by}" y="30" width="26" height="30" fill="${background}"/>`;
            })
            .join(
              "",
            )}<circle cx="${66 + way * 44}" cy="78" r="3.5" fill="${colors.mark}"/><rect width="132" height="88" class="screen"/></g>`,
      )
      .join("") +
    text(234, 130, "the pointer moves the camera, each layer goes by its depth", 'class="said"'),
  haze: [0, 1, 4, 9]
    .map(
      (depth, index) =>
        `<rect x="${30 + index * 108}" y="26" width="84" height="76" fill="${colors.near}" opacity="${0.15 + 0.85 * speedAt(depth)}" style="filter:blur(${depth * 0.35}px)"/>${text(72 + index * 108, 126, `depth ${depth}`, 'class="said"')}`,
    )
    .join(""),
  pose:
    screen(plain, 0.62, { x: 18, y: 20 }) +
    text(176, 52, "at this scroll position each layer has", 'class="left"') +
    text(176, 72, "one box, transform, opacity and filter", 'class="left"'),
  proof: [0.3, 0.42, 0.54, 0.66]
    .flatMap((share, index) => [
      screen(plain, share, { x: 60 + index * 92, y: 12, seen: { width: 78, height: 48 } }),
      screen(plain, share, { x: 84 + index * 92, y: 72, seen: { width: 30, height: 62 } }),
    ])
    .join(""),
  still:
    screen(plain, 0.64, { x: 60, y: 20 }) +
    screen(pageOf({ relief: 0, layers: three }), 0.64, { x: 280, y: 20 }) +
    text(126, 130, "with motion", 'class="said"') +
    text(346, 130, "still: as it was placed", 'class="said"') +
    arrow(208, 64, 264, 64),
};

mkdirSync(folder, { recursive: true });
for (const [word, drawn] of Object.entries(pictures))
  writeFileSync(
    join(folder, `${word}.svg`),
    `<svg xmlns="http://www.w3.org/2000/svg" width="480" height="144" viewBox="0 0 480 144" font-family="system-ui, sans-serif" role="img" aria-label="${word}">
<defs><marker id="head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto"><path d="M0 0L8 4L0 8z" fill="${colors.mark}"/></marker><linearGradient id="stripes" x2="0" y2="1"><stop offset="0" stop-color="${colors.far}"/><stop offset="0.5" stop-color="${colors.mid}"/><stop offset="1" stop-color="${colors.near}"/></linearGradient></defs>
<style>text{font-size:11px;fill:#5b6b70}.said{text-anchor:middle}.end{text-anchor:end}.screen{fill:none;stroke:#17303c;stroke-width:2}.mark{fill:none;stroke:${colors.mark};stroke-width:1.5}.thin{fill:none;stroke:#b9c4c0}.arrow{stroke:${colors.mark};stroke-width:2}</style>
<rect width="100%" height="100%" fill="#f6f7f5"/>
${drawn}
</svg>
`,
  );
writeFileSync(
  join(root, "docs/words.md"),
  `# The words

What the words of these documents, of the page file and of the tools mean, each with what the model makes of it.

${Object.entries(meanings)
  .map(([word, meaning]) => `## ${word}\n\n${meaning}\n\n![${word}](words/${word}.svg)`)
  .join("\n\n")}
`,
);
