import { cpSync, readdirSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll } from "vitest";
import { lumbit, root, temporaryFolder } from "./command.ts";

/** Small pages with one planted fault each, and their mended twins beside them. */
export const faultNames = readdirSync(join(root, "test/faults"))
  .filter((name) => !name.includes(".mended"))
  .map((name) => name.replace(".json", ""));

interface Found {
  findings: {
    rule: string;
    severity: string;
    scene?: string;
    layer?: string;
    measured: string;
    places: { viewport: string; from: number; to: number }[];
    change?: { op: string; path: string }[];
  }[];
}
/** A folder with all of them and their pictures, for as long as the tests of a file run, and what checks one of them. */
export function faultPages() {
  const folder = temporaryFolder();
  const check = async (name: string, ...more: string[]) => {
    const { stdout, stderr, status } = await lumbit(["check", `${name}.json`, "--json", ...more], folder);
    return { status, stderr, ...(JSON.parse(stdout) as Found) };
  };
  beforeAll(async () => {
    cpSync(join(root, "test/faults"), folder, { recursive: true });
    const draw = (name: string, width: number, height: number, shapes: string) =>
      sharp(
        Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${shapes}</svg>`,
        ),
      )
        .png()
        .toFile(join(folder, name));
    const stripes = (width: number, height: number) =>
      `<rect width="100%" height="100%" fill="#0b5a5f"/><g stroke="#d9efe6">${Array.from({ length: width / 8 }, (_, index) => `<path d="M${index * 8} 0V${height}"/>`).join("")}</g>`;
    await draw(
      "reef.png",
      1600,
      500,
      '<path d="M0 500V260Q200 120 420 250T860 210T1260 260T1600 180V500Z" fill="#0b5a5f"/>',
    );
    await draw("plate.png", 320, 240, stripes(320, 240));
    await draw("plate@large.png", 2400, 1800, stripes(2400, 1800));
    const noise = (size: number) =>
      sharp({
        create: {
          width: size,
          height: size,
          channels: 3,
          background: "#000",
          noise: { type: "gaussian", mean: 120, sigma: 40 },
        },
      });
    // Of other kinds a build makes smaller ones by itself.
    await noise(900).toFile(join(folder, "noise.gif"));
    const bands = Array.from(
      { length: 33 },
      (_, index) => `<rect x="${80 * index}" width="40" height="1600"/>`,
    );
    await draw(
      "bands.png",
      2600,
      1600,
      `<rect width="100%" height="100%" fill="#06202b"/><g fill="#dff0e8">${bands.join("")}</g>`,
    );
    await draw("water.png", 2600, 1600, '<rect width="100%" height="100%" fill="#0e6a70"/>');
  });
  return { folder, check };
}
