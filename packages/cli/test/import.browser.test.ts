import { spawnSync } from "node:child_process";
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { strToU8, zipSync } from "fflate";
import type { Page } from "lumbit/core";
import sharp from "sharp";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { lumbit, root, temporaryFolder } from "../../../test/command.ts";
import { serveFolder } from "../../../test/serve.ts";

const [width, height] = [800, 500];
let folder: string;
let browser: Chromium;
const write = (name: string, content: string | Uint8Array) => writeFileSync(join(folder, name), content);
const svg = (inside: string, more = "") =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" ${more}>${inside}</svg>`;
const png = (inside: string, crop = { left: 0, top: 0, width, height }) =>
  sharp(Buffer.from(svg(inside)))
    .extract(crop)
    .png()
    .toBuffer();

const sky = '<rect width="800" height="500" fill="#9cc"/><circle cx="600" cy="90" r="50" fill="#fe8"/>';
const hills = '<path d="M0 500V320L200 250L420 330L800 240V500Z" fill="#486"/>';
const mist = '<rect y="280" width="800" height="120" fill="#fff"/>';
const posts = '<path d="M120 200h30v300h-30zM300 230h26v270h-26z" fill="#322"/>';
const rope = '<path d="M135 220Q220 300 313 250" stroke="#c84" stroke-width="8" fill="none"/>';

/** An OpenRaster file; its stack, the nearest first. */
async function openRaster(stack: string, pictures: Record<string, Buffer>, size = { w: width, h: height }) {
  return zipSync({
    mimetype: strToU8("image/openraster"),
    "stack.xml": strToU8(
      `<?xml version="1.0"?><image version="0.0.6" w="${size.w}" h="${size.h}"><stack>${stack}</stack></image>`,
    ),
    ...Object.fromEntries(
      Object.entries(pictures).map(([name, bytes]) => [`data/${name}.png`, new Uint8Array(bytes)]),
    ),
  });
}
const pageIn = (name: string): Page => JSON.parse(readFileSync(join(folder, name, "page.json"), "utf8"));
const layersIn = (name: string) => pageIn(name).scenes[0]?.layers ?? [];

beforeAll(async () => {
  folder = temporaryFolder();
  browser = await openChromium();
});
afterAll(() => browser?.close());

/** The share of pixels that are more than 1 of 255 apart. */
async function apart(one: Buffer, other: Buffer): Promise<number> {
  const [a, b] = await Promise.all([one, other].map((bytes) => sharp(bytes).removeAlpha().raw().toBuffer()));
  if (!a || !b || a.length !== b.length) return 1;
  let different = 0;
  for (let at = 0; at < a.length; at += 3)
    if ([0, 1, 2].some((channel) => Math.abs((a[at + channel] ?? 0) - (b[at + channel] ?? 0)) > 1))
      different++;
  return different / (a.length / 3);
}

/** A page at the size of its drawing, as it opens. */
async function seen(name: string): Promise<Buffer> {
  const site = `${name}-site`;
  expect((await lumbit(["build", join(name, "page.json"), "-o", site, "--originals"], folder)).stderr).toBe(
    "",
  );
  const { origin, close } = await serveFolder(join(folder, site));
  const page = await browser.newPage({ viewport: { width, height } });
  await page.goto(`${origin}/`);
  await page.evaluate("Promise.all([...document.images].map((image) => image.decode()))");
  const shot = await page.screenshot();
  await page.close();
  close();
  return shot;
}

test("an OpenRaster drawing is a page that is the drawing when it opens, and moves by depths in its order", async () => {
  write(
    "shore.ora",
    await openRaster(
      `<layer name="Notes" src="data/mist.png" visibility="hidden"/>
      <stack name="The pier" opacity="0.9"><layer name="rope" src="data/rope.png"/><layer name="posts" src="data/posts.png" x="100" y="180"/></stack>
      <layer name="mist" src="data/mist.png" opacity="0.5"/>
      <layer name="mist" src="data/hills.png" composite-op="svg:multiply"/>
      <layer name="sky" src="data/sky.png"/>`,
      {
        ...{ sky: await png(sky), hills: await png(hills), mist: await png(mist), rope: await png(rope) },
        posts: await png(posts, { left: 100, top: 180, width: 300, height: 320 }),
      },
    ),
  );
  const { stdout, stderr, status } = await lumbit(["import", "shore.ora", "-o", "shore"], folder);
  expect([stderr, status]).toEqual(["", 0]);
  expect(stdout).toContain("5 layers of a drawing of 800 x 500 px");
  const layers = layersIn("shore");
  expect(layers.map(({ name, depth }) => [name, depth])).toEqual([
    ["sky", "horizon"],
    ["mist", 3],
    ["mist-2", 1],
    ["the-pier", 0.33],
    ["notes", 0],
  ]);
  expect(layers.map(({ opacity, blend, hidden }) => [opacity, blend, hidden])).toEqual([
    [undefined, undefined, undefined],
    [undefined, "multiply", undefined],
    [0.5, undefined, undefined],
    [0.9, undefined, undefined],
    [undefined, undefined, true],
  ]);
  // Cut to what is visible.
  expect(layers[1]?.place).toEqual({ left: "0%", top: "48%", width: "100%" });
  expect(layers[3]?.layers?.map(({ name }) => name)).toEqual(["posts", "rope"]);
  const drawing = await png(
    `${sky}<g style="mix-blend-mode:multiply">${hills}</g><g opacity="0.5">${mist}</g><g opacity="0.9">${posts}${rope}</g>`,
  );
  expect(await apart(await seen("shore"), drawing)).toBeLessThan(0.001);
  const { stdout: checked } = await lumbit(
    ["check", "shore/page.json", "--json", "--viewport", "800x500"],
    folder,
  );
  expect(JSON.parse(checked).findings.filter(({ change }: { change?: object }) => change)).toEqual([]);
});

test("a drawing that has changed is taken over: pictures and places change, depths, words and what is new of somebody stay", async () => {
  const drawn = async (more: string, x: number, tone: string) =>
    openRaster(
      `${more}<layer name="posts" src="data/posts.png" x="${x}"/><layer name="hills" src="data/hills.png"/><layer name="sky" src="data/sky.png"/>`,
      {
        ...{ sky: await png(sky.replace("#9cc", tone)), hills: await png(hills), rope: await png(rope) },
        posts: await png(posts),
      },
    );
  write("tide.ora", await drawn('<layer name="rope" src="data/rope.png"/>', 0, "#9cc"));
  await lumbit(["import", "tide.ora", "-o", "tide"], folder);
  const file = join(folder, "tide/page.json");
  const page = pageIn("tide") as unknown as { scenes: { layers: Record<string, unknown>[] }[] };
  const layers = page.scenes[0]?.layers ?? [];
  Object.assign(layers[1] ?? {}, { depth: 7, blur: "2px" });
  layers.splice(2, 0, { name: "word", text: "Low tide", depth: 0.4, place: { left: "5%", top: "5%" } });
  // What somebody has given a layer from elsewhere is not written over.
  copyFileSync(join(folder, "tide/art/posts.png"), join(folder, "tide/mine.png"));
  Object.assign(layers[3] ?? {}, { image: "mine.png" });
  const mine = readFileSync(join(folder, "tide/mine.png"));
  const typed = JSON.stringify(page, null, 1);
  writeFileSync(file, typed);
  write("tide.ora", await drawn('<layer name="hull" src="data/rope.png"/>', 60, "#9ab"));
  const { stdout, stderr } = await lumbit(["import", "tide.ora", "--into", "tide/page.json"], folder);
  expect([stderr, stdout]).toEqual([
    "",
    "taken over: sky, hills, posts\nnew: hull\nno longer in the drawing, and left as they are: rope\n",
  ]);
  expect(layersIn("tide").map(({ name, depth, blur }) => [name, depth, blur])).toEqual([
    ["sky", "horizon", undefined],
    ["hills", 7, "2px"],
    ["word", 0.4, undefined],
    ["posts", 0.5, undefined],
    ["rope", 0, undefined],
    ["hull", 0, undefined],
  ]);
  expect(layersIn("tide")[3]?.place).toMatchObject({ left: "22.5%" });
  expect(readFileSync(join(folder, "tide/mine.png")).equals(mine)).toBe(true);
  const { channels } = await sharp(join(folder, "tide/art/sky.png")).stats();
  expect(channels[2]?.mean).toBeLessThan(0xbe);
  // What did not change stays as it was typed.
  expect(readFileSync(file, "utf8")).toContain(typed.slice(typed.indexOf('"after"') - 20));
  expect((await lumbit(["build", "tide/page.json", "-o", "tide-site", "--originals"], folder)).stderr).toBe(
    "",
  );
  write("other.svg", svg('<g id="sea"><rect width="9" height="9"/></g>'));
  const other = await lumbit(["import", "other.svg", "--into", "tide/page.json"], folder);
  expect(other.stderr).toMatch(/no layer of .*page\.json is called as one of the drawing/);
  expect((await lumbit(["import", "tide.ora"], folder)).stderr).toMatch(/say -o with a folder .* or --into/);
});

test("the drawing of the demo becomes a page in which nothing is left to mend", async () => {
  const { status } = spawnSync("node", [join(root, "examples/tidehouse/draw/drawing.mjs"), "sound.ora"], {
    cwd: folder,
  });
  expect(status).toBe(0);
  expect((await lumbit(["import", "sound.ora", "-o", "sound"], folder)).status).toBe(0);
  const { stdout } = await lumbit(["check", "sound/page.json", "--json"], folder);
  expect(JSON.parse(stdout).findings.filter(({ change }: { change?: object }) => change)).toEqual([]);
});

/** How many px high at most, in columns of a page, is what has the color of the sky below the foot of the hut. */
async function gapUnderHut(
  name: string,
  columns: readonly number[],
  scrolls: readonly number[],
): Promise<number> {
  const site = `${name}-site`;
  await lumbit(["build", join(name, "page.json"), "-o", site, "--originals"], folder);
  const { origin, close } = await serveFolder(join(folder, site));
  const page = await browser.newPage({ viewport: { width, height } });
  await page.goto(`${origin}/`);
  await page.evaluate("Promise.all([...document.images].map((image) => image.decode()))");
  let largest = 0;
  for (const scroll of scrolls) {
    await page.evaluate(
      (to) =>
        new Promise((done) => {
          scrollTo(0, to);
          requestAnimationFrame(() => requestAnimationFrame(done));
        }),
      scroll,
    );
    const pixels = await sharp(await page.screenshot())
      .removeAlpha()
      .raw()
      .toBuffer();
    for (const column of columns) {
      const colors = Array.from({ length: height }, (_, y) => pixels.readUIntBE((y * width + column) * 3, 3));
      const foot = colors.lastIndexOf(0x221111);
      largest = Math.max(largest, colors.slice(foot + 1).filter((color) => color === 0x99cccc).length);
    }
  }
  await page.close();
  close();
  return largest;
}

test("what comes into view behind a layer that slides away is told, and continued when that is asked for", async () => {
  const hut = "M300 150h120v150h-120z";
  const parts = {
    sky: '<rect width="800" height="500" fill="#9cc"/>',
    // Whoever cut this out left nothing behind the hut.
    hills: `<path fill-rule="evenodd" d="M0 500V220H800V500ZM300 240V300H420V240Z" fill="#486"/>`,
    hut: `<path d="${hut}" fill="#211"/>`,
    water: '<rect y="430" width="800" height="70" fill="#135"/>',
  };
  const pictures = Object.fromEntries(
    await Promise.all(
      Object.entries(parts).map(async ([name, inside]) => [name, await png(inside)] as const),
    ),
  );
  const stack = Object.keys(parts)
    .reverse()
    .map((name) => `<layer name="${name}" src="data/${name}.png"/>`);
  write("hut.ora", await openRaster(stack.join(""), pictures));
  write(
    "hut.svg",
    svg(
      Object.entries(parts)
        .map(([name, inside]) => `<g id="${name}">${inside}</g>`)
        .join(""),
    ),
  );
  const { stdout } = await lumbit(["import", "hut.ora", "-o", "hut"], folder);
  const told =
    /"hills" ends too soon for its movement: above \d+, 30[01] in the drawing (\d+) px are missing, in (\d+) px of its width/.exec(
      stdout,
    );
  expect(stdout.match(/ends too soon/g)).toHaveLength(1);
  expect(Number(told?.[2])).toBeCloseTo(120, -1);
  const scrolls = Array.from({ length: 11 }, (_, at) => at * 50);
  expect(Math.abs(Number(told?.[1]) - (await gapUnderHut("hut", [360], scrolls)))).toBeLessThanOrEqual(4);

  for (const how of ["mirror", "stretch", "gradient"])
    for (const file of how === "mirror" ? ["hut.ora", "hut.svg"] : ["hut.ora"]) {
      const name = `${file.slice(-3)}-${how}`;
      const { stdout: said } = await lumbit(["import", file, "-o", name, "--extend", how], folder);
      const art = `art/hills-extended.${file === "hut.ora" ? "png" : "svg"}`;
      expect(said).toContain(`"hills" goes on there (${how}), in a picture of its own: ${art}`);
      expect(layersIn(name)[1]).toMatchObject({ name: "hills", image: art });
      // What was drawn is there as it was.
      expect(readdirSync(join(folder, name, "art"))).toContain(art.slice(4).replace("-extended", ""));
      expect(await gapUnderHut(name, [301, 360, 418], [80, 200]), name).toBe(0);
    }
  expect(await apart(await seen("ora-mirror"), await seen("hut"))).toBeLessThan(0.001);
});

test("an SVG drawing stays a vector; what runs or would be fetched is left out, and said", async () => {
  const label = (name: string) => `inkscape:label="${name}" id="layer-${name}"`;
  const drawing = (more: string) =>
    svg(
      `<defs><linearGradient id="g" x2="0" y2="1"><stop stop-color="#fd8"/><stop offset="1" stop-color="#69a"/></linearGradient></defs>
      <style>.post { fill: #322 }</style>${more}
      <g ${label("sky")}><rect width="400" height="250" fill="url(#g)"/></g>
      <g id="shore" transform="translate(0 10)"><g ${label("hills")} transform="scale(.5)">${hills}</g>
      <g ${label("pier")}><path class="post" d="M60 100h15v130h-15z"/></g></g>`,
      'viewBox="0 0 400 250" xmlns:inkscape="http://www.inkscape.org/namespaces/inkscape"',
    );
  write(
    "shore.svg",
    drawing('<script>ran = 1</script><image href="http://127.0.0.1:9/asked.png" width="9" height="9"/>'),
  );
  const { stdout } = await lumbit(["import", "shore.svg", "-o", "drawn"], folder);
  expect(stdout).toMatch(/note: scripts and foreign content .*\nnote: references to other files/);
  const layers = layersIn("drawn");
  expect(layers.map(({ name, image }) => [name, image])).toEqual([
    ["sky", "art/sky.svg"],
    ["shore", "art/shore.svg"],
  ]);
  for (const name of ["sky", "shore"])
    expect(readFileSync(join(folder, `drawn/art/${name}.svg`), "utf8")).not.toMatch(/script|asked/);
  const page = await browser.newPage({ viewport: { width, height } });
  await page.setContent(`<style>body { margin: 0 } svg { display: block }</style>${drawing("")}`);
  const wanted = await page.screenshot();
  await page.close();
  expect(await apart(await seen("drawn"), wanted)).toBeLessThan(0.001);

  await lumbit(
    ["import", "shore.svg", "-o", "group", "--group", "shore", "--far", "2", "--near", "-0.2"],
    folder,
  );
  expect(layersIn("group").map(({ name, depth }) => [name, depth])).toEqual([
    ["hills", 2],
    ["pier", -0.2],
  ]);
  const { stderr } = await lumbit(["import", "shore.svg", "-o", "none", "--group", "sea"], folder);
  expect(stderr).toMatch(/no group "sea"; on its top level are sky, shore/);
});

test("words of an SVG drawing become texts that stand where they were drawn; what a text cannot be stays a picture", async () => {
  const words = `
    <text id="name" x="60" y="120" font-family="serif" font-size="64" font-weight="bold" fill="#123">Low water</text>
    <g id="tides" transform="translate(0 40) scale(2)" style="fill: #a31; font-family: sans-serif">
      <text x="200" y="80" font-size="20" text-anchor="middle"><tspan x="200">Neap tide</tspan><tspan x="200" dy="1.5em">and spring</tspan></text></g>
    <text id="end" x="740" y="420" font-size="32" text-anchor="end" font-style="italic">until seven</text>`;
  const bent = `<text id="turned" x="60" y="460" font-size="20" transform="rotate(-4)">turned</text>
    <text id="washed" x="60" y="300" font-size="20" fill="url(#g)">washed</text>
    <text id="spaced" x="60 80 100" y="330" font-size="20">abc</text>`;
  const defs = '<linearGradient id="g"><stop stop-color="#08f"/></linearGradient>';
  write(
    "words.svg",
    svg(`<defs>${defs}</defs><rect id="paper" width="800" height="500" fill="#fff"/>${words}${bent}`),
  );
  const { stdout } = await lumbit(["import", "words.svg", "-o", "words"], folder);
  expect(stdout).toContain('"name" is a text now, in serif: ship that font');
  const layers = layersIn("words");
  expect(layers.map(({ name, text, image }) => [name, text ?? image])).toEqual([
    ["paper", "art/paper.svg"],
    ["name", "Low water"],
    ["tides", "Neap tide\nand spring"],
    ["end", "until seven"],
    ["turned", "art/turned.svg"],
    ["washed", "art/washed.svg"],
    ["spaced", "art/spaced.svg"],
  ]);
  expect(layers[2]).toMatchObject({ fontSize: "5vw", lineHeight: 1.5, textAlign: "center", color: "#a31" });
  const drawn = await browser.newPage({ viewport: { width, height } });
  await drawn.setContent(`<body style="margin:0">${readFileSync(join(folder, "words.svg"), "utf8")}`);
  const shot = await drawn.screenshot();
  await drawn.close();
  const page = await seen("words");
  // Letters end within a pixel and a half of where they ended in the drawing.
  for (const [left, top, width, height] of [
    [20, 40, 500, 120],
    [200, 170, 420, 130],
    [400, 380, 400, 60],
  ] as const) {
    const ink = async (picture: Buffer) => {
      const part = await sharp(picture).extract({ left, top, width, height }).removeAlpha().toBuffer();
      const trimmed = sharp(part).trim({ background: "#fff", threshold: 60 });
      const { info } = await trimmed.toBuffer({ resolveWithObject: true });
      return [-(info.trimOffsetLeft ?? 0), -(info.trimOffsetTop ?? 0), info.width, info.height];
    };
    const [was, is] = [await ink(shot), await ink(page)];
    for (const [index, value] of was.entries())
      expect(
        Math.abs(value - (is[index] ?? 0)),
        `${[was, is].join(" / ")} of ${left}, ${top}`,
      ).toBeLessThanOrEqual(2);
  }
});

test("a folder and a zip of pictures are layers in the order of their names, or as deep as these say", async () => {
  const names = ["1 sky", "2 hills", "10 posts"];
  const pictures = await Promise.all([sky, hills, posts].map((one) => png(one)));
  mkdirSync(join(folder, "pictures"));
  for (const [index, name] of names.entries()) write(`pictures/${name}.png`, pictures[index] as Buffer);
  write("pictures/readme.txt", "what these are");
  const { stdout } = await lumbit(["import", "pictures", "-o", "counted", "--surface", "hills"], folder);
  expect(stdout).toMatch(/note: "readme\.txt" is no picture/);
  expect(layersIn("counted").map(({ name, depth }) => [name, depth])).toEqual([
    ["sky", "horizon"],
    ["hills", 0],
    ["posts", -0.13],
  ]);
  write(
    "deep.zip",
    zipSync(
      Object.fromEntries(
        ["posts 0.5", "sky 9", "hills 3"].map((name, index) => [
          `${name}.png`,
          new Uint8Array(pictures[[2, 0, 1][index] as number] as Buffer),
        ]),
      ),
    ),
  );
  await lumbit(["import", "deep.zip", "-o", "deep"], folder);
  expect(layersIn("deep").map(({ name, depth }) => [name, depth])).toEqual([
    ["sky", 9],
    ["hills", 3],
    ["posts", 0.5],
  ]);
});

test.each<[string, () => Promise<Uint8Array> | Uint8Array, string, RegExp]>([
  ["a broken archive", () => strToU8("PK nothing"), "broken.ora", /no archive, or a broken one/],
  [
    "an archive that would leave its folder",
    () => zipSync({ "../out.png": strToU8("x") }),
    "leaves.zip",
    /would leave its folder: "\.\.\/out\.png"/,
  ],
  [
    "thousands of files",
    () =>
      zipSync(
        Object.fromEntries(Array.from({ length: 2001 }, (_, index) => [`${index}.png`, new Uint8Array(1)])),
      ),
    "many.zip",
    /more than 2000 files/,
  ],
  [
    "an archive without a stack",
    () => zipSync({ "a.txt": strToU8("x") }),
    "stackless.ora",
    /it has no stack\.xml/,
  ],
  [
    "a drawing without a size",
    () => openRaster("", {}, { w: 0, h: 5 }),
    "sizeless.ora",
    /does not say how large/,
  ],
  [
    "a drawing without layers",
    () => openRaster('<layer name="x" src="data/none.png"/>', {}),
    "empty.ora",
    /no layer that shows anything; "x" names the picture "data\/none\.png"/,
  ],
  [
    "entities",
    () => strToU8(`<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>${svg("<text>&a;</text>")}`),
    "entity.svg",
    /entities of its own/,
  ],
  ["an SVG of nothing", () => strToU8(svg("<g/>")), "nothing.svg", /nothing on its top level that shows/],
  [
    "pictures that are none",
    () => zipSync({ "a.png": strToU8("x") }),
    "none.zip",
    /there is no picture in none\.zip; "a\.png" is no picture/,
  ],
])("refuses %s, and writes nothing", async (_, content, name, message) => {
  write(name, await content());
  const { status, stderr, stdout } = await lumbit(["import", name, "-o", `out-${name}`], folder);
  expect([status, stdout]).toEqual([2, ""]);
  expect(stderr).toMatch(message);
  expect(existsSync(join(folder, `out-${name}`))).toBe(false);
});

test("refuses what is not there, depths that are none, and folders with something in them", async () => {
  const run = (...args: string[]) => lumbit(["import", ...args], folder);
  expect((await run("nowhere.ora", "-o", "x")).stderr).toMatch(/there is no file nowhere\.ora/);
  expect((await run("shore.svg", "-o", "x", "--far", "-1")).stderr).toMatch(/a depth is a number above -1/);
  expect((await run("shore.svg", "-o", "x", "--surface", "sea")).stderr).toMatch(
    /no layer "sea"; the drawing has sky, shore/,
  );
  expect((await run("shore.svg", "-o", ".")).stderr).toMatch(/is not empty/);
  expect(readdirSync(folder)).not.toContain("x");
});
