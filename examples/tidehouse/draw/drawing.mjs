// Puts the art of the descent together as one layered drawing in OpenRaster: node draw/drawing.mjs shore.ora
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { strToU8, zipSync } from "fflate";
import sharp from "sharp";

const [file = "shore.ora"] = process.argv.slice(2);
const [width, height] = [2400, 1350];

/** The layers, the farthest first: a piece of art, how wide it is in the drawing, and where. */
const layers = [
  { art: "open-water", width, x: 0, y: 0, whole: true },
  { art: "far-reef", width, x: 0, y: 450 },
  { art: "school", width: 1350, x: 600, y: 300, blend: "svg:multiply" },
  { art: "mid-kelp", width: 780, x: 1575, y: 180, opacity: 0.8 },
  { art: "near-kelp-left", width: 930, x: -120, y: 90 },
  { art: "near-kelp-right", width: 930, x: 1575, y: 90 },
];

const pictures = await Promise.all(
  layers.map(async ({ art, width: across, whole }) => {
    const picture = sharp(fileURLToPath(new URL(`../art/${art}.webp`, import.meta.url)));
    const sized = whole ? picture.resize(width, height).removeAlpha() : picture.resize(across);
    return [`data/${art}.png`, new Uint8Array(await sized.png().toBuffer())];
  }),
);
const stack = layers
  .toReversed()
  .map(
    ({ art, x, y, blend = "svg:src-over", opacity = 1 }) =>
      `<layer name="${art}" src="data/${art}.png" x="${x}" y="${y}" composite-op="${blend}" opacity="${opacity}"/>`,
  );
writeFileSync(
  file,
  zipSync({
    // Not compressed and first, so that the kind of the file can be told.
    mimetype: [strToU8("image/openraster"), { level: 0 }],
    "stack.xml": strToU8(
      `<?xml version="1.0" encoding="UTF-8"?>\n<image version="0.0.6" w="${width}" h="${height}"><stack>${stack.join("")}</stack></image>`,
    ),
    ...Object.fromEntries(pictures.map(([name, bytes]) => [name, [bytes, { level: 0 }]])),
  }),
);
