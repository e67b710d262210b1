import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "./command.ts";

const folder = temporaryFolder();
const place = { left: "20%", top: "30%", width: "160px", height: "90px" };
const layer = (name: string, depth: number) => ({
  name,
  shape: "rectangle",
  background: "#0a6",
  depth,
  place,
});
writeFileSync(
  join(folder, "page.json"),
  JSON.stringify({
    format: "lumbit/1",
    title: "Tidehouse",
    lang: "en",
    scenes: [
      { name: "top", layers: [] },
      {
        name: "sea",
        height: "80vh",
        hold: "50vh",
        layers: [
          layer("far", 3),
          { ...layer("mid", 1), cue: { at: "entry 50%", of: "scene", from: { opacity: 0 } } },
          layer("near", -0.2),
        ],
      },
      { name: "end", layers: [] },
    ],
  }),
);
const chart = async (...more: string[]) => await lumbit(["measure", "page.json", "--chart", ...more], folder);

test("draws a line for each layer, as steep as its drift, with the settle moment and the hold", async () => {
  expect(await chart("sea.svg", "--scene", "sea")).toMatchObject({
    status: 0,
    stdout: "sea.svg: movement of sea at 1280x800\n",
    stderr: "",
  });
  const svg = readFileSync(join(folder, "sea.svg"), "utf8");
  expect(svg).toMatch(/<title>Movement of sea at 1280 × 800<\/title>/);
  for (const word of ["far", "mid", "near", "settle", "holds", "cue: mid"])
    expect(svg).toContain(`>${word}</text>`);
  const [way = "", speed = ""] = [...svg.matchAll(/<g[^>]*aria-label="line"[^>]*>(.*?)<\/g>/gs)].map(
    ([, group]) => group,
  );
  const slopes = [...way.matchAll(/ d="M([\d.-]+),([\d.-]+).*?L([\d.-]+),([\d.-]+)"/g)].map(
    ([, x, y, toX, toY]) => (Number(toY) - Number(y)) / (Number(toX) - Number(x)),
  );
  const [far = 0, mid = 0, near = 0] = slopes;
  expect(slopes).toHaveLength(3);
  // Drifts are 3/4, 1/2 and -1/4.
  expect(far / mid).toBeCloseTo(1.5, 2);
  expect(near / mid).toBeCloseTo(-0.5, 2);
  // Speeds are 1/4, 1/2 and 5/4 where each line begins, above the same ground.
  const starts = [...speed.matchAll(/ d="M[\d.-]+,([\d.-]+)/g)].map(([, y]) => Number(y));
  const [slow = 0, middle = 0, fast = 0] = starts;
  expect((middle - fast) / (slow - middle)).toBeCloseTo(3, 1);
});

test("draws a scene from the side: layers at their distances, as high as the camera's view grows", async () => {
  expect(
    await lumbit(["measure", "page.json", "--elevation", "side.svg", "--scene", "sea"], folder),
  ).toMatchObject({
    status: 0,
    stdout: "side.svg: elevation of sea at 1280x800\n",
  });
  const svg = readFileSync(join(folder, "side.svg"), "utf8");
  for (const word of ["camera", "page surface", "far", "mid", "near"])
    expect(svg).toContain(`>${word}</text>`);
  // The planes as a whole, and what is seen of them, which is all.
  const groups = [...svg.matchAll(/<g[^>]*aria-label="link"[^>]*>(.*?)<\/g>/gs)].map(([, group = ""]) =>
    [...group.matchAll(/ d="M([\d.-]+),([\d.-]+)L[\d.-]+,([\d.-]+)"/g)].map(([, x, y, toY]) => ({
      x: Number(x),
      height: Math.abs(Number(toY) - Number(y)),
    })),
  );
  const [surface = [], planes = [], seen = []] = groups;
  expect(seen).toEqual(planes);
  const [far, mid, near] = planes;
  if (!far || !mid || !near || !surface[0]) throw new Error("a plane is missing");
  // All look equally high, so each is as high as it is far away: 4, 2 and 0.8 camera distances.
  expect(far.height / mid.height).toBeCloseTo(2, 1);
  expect(near.height / mid.height).toBeCloseTo(0.4, 1);
  expect((far.x - mid.x) / (mid.x - surface[0].x)).toBeCloseTo(2, 1);
});

test("is a picture too, light or dark", async () => {
  const ground = async (theme: string) => {
    expect((await chart(`${theme}.png`, "--scene", "sea", "--theme", theme)).status).toBe(0);
    const { data, info } = await sharp(join(folder, `${theme}.png`))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([2000, 1540]);
    return data[0] ?? 0;
  };
  expect(await ground("light")).toBeGreaterThan(230);
  expect(await ground("dark")).toBeLessThan(40);
});

test("says what is wrong, and writes nothing then", async () => {
  writeFileSync(join(folder, "kept.svg"), "mine");
  for (const [args, message] of [
    [["kept.svg"], /is there already/],
    [["a.gif"], /end its name with \.svg or \.png/],
    [["a.svg", "--scene", "reef"], /there is no scene "reef"; the page has top, sea, end/],
    [["a.svg", "--scene", "top"], /"top" has no layers to draw/],
    [["a.svg", "--theme", "blue"], /Allowed choices are light, dark/],
  ] as const) {
    const { status, stderr } = await chart(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  }
  expect(readFileSync(join(folder, "kept.svg"), "utf8")).toBe("mine");
  expect(existsSync(join(folder, "a.svg"))).toBe(false);
});
