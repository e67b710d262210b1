// Draws docs/screenshots from the demo and the starter page, and the figure of the ranges. Needs a build.
import { spawn, spawnSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { chromium } from "playwright-core";
import sharp from "sharp";
import { build, preview as servePreview } from "vite";
import { browserPath, chromiumArguments } from "./browsers.mjs";
import { root } from "./run.mjs";

const command = join(root, "packages/cli/dist/lumbit.mjs");
const demo = "examples/tidehouse/page.json";
const folder = mkdtempSync(join(tmpdir(), "lumbit-screenshots-"));
const target = (name) => join(root, "docs/screenshots", `${name}.png`);
const lumbit = (...args) =>
  spawnSync(process.execPath, [command, ...args], { cwd: root, encoding: "utf8" }).stdout;

const browser = await chromium.launch({ executablePath: browserPath("chromium"), args: chromiumArguments });

/** A page's pictures at several scroll positions, each with the pointer somewhere. */
async function shots(url, { width, height, at, pointers = [] }) {
  const page = await browser.newPage({ viewport: { width, height } });
  await page.goto(url);
  await page.waitForLoadState("networkidle");
  const pictures = [];
  for (const [index, scroll] of at.entries()) {
    await page.evaluate((scroll) => window.scrollTo({ top: scroll, behavior: "instant" }), scroll);
    await page.waitForLoadState("networkidle");
    if (pointers[index]) await page.mouse.move(...pointers[index]);
    // Pictures that load as they come near, titles that come in, what follows the pointer.
    await page.waitForTimeout(1500);
    pictures.push(await page.screenshot());
  }
  await page.close();
  return pictures;
}

/** Pictures side by side in rows of so many, each `width` px wide, on white. */
async function sheet(pictures, width, name, columns = pictures.length) {
  const gap = 16;
  const scaled = await Promise.all(
    pictures.map((picture) => sharp(picture).resize({ width }).toBuffer({ resolveWithObject: true })),
  );
  const height = Math.max(...scaled.map(({ info }) => info.height));
  const across = (count, size) => count * (size + gap) - gap;
  await sharp({
    create: {
      width: across(columns, width),
      height: across(Math.ceil(scaled.length / columns), height),
      ...{ channels: 3, background: "#fff" },
    },
  })
    .composite(
      scaled.map(({ data }, index) => ({
        input: data,
        left: (index % columns) * (width + gap),
        top: Math.floor(index / columns) * (height + gap),
      })),
    )
    .png({ palette: true, quality: 92, effort: 10 })
    .toFile(target(name));
}

/** A terminal with a command and what it printed. */
async function terminal(line, output, name) {
  const page = await browser.newPage({ viewport: { width: 1100, height: 300 } });
  await page.setContent(
    `<style>body{margin:0;padding:22px 26px;background:#0d1b20;color:#d7e6df;font:14px/1.25 "DejaVu Sans Mono",monospace}pre{margin:0;font:inherit}b{color:#8fd6b8}</style><pre></pre>`,
  );
  await page.evaluate(
    ([line, output]) => {
      const prompt = Object.assign(document.createElement("b"), { textContent: `$ ${line}\n\n` });
      document.querySelector("pre").append(prompt, output);
    },
    [line, output],
  );
  await page.screenshot({ path: target(name), fullPage: true });
  await page.close();
}

const site = join(folder, "site");
lumbit("build", demo, "-o", site);
// Scripts of modules, which cues and reels are, are not loaded from files.
const demoSite = await servePreview({
  root: folder,
  logLevel: "error",
  build: { outDir: site },
  preview: { host: "127.0.0.1", port: 0 },
});
const demoUrl = demoSite.resolvedUrls.local[0];
await sheet(await shots(demoUrl, { width: 1280, height: 800, at: [0, 330, 760] }), 800, "descent");
await sheet(await shots(demoUrl, { width: 390, height: 844, at: [0, 330, 760] }), 390, "descent-phone");

/** Scroll positions of the demo as shares of the way from where a scene comes into view to where it has left. */
async function demoScene(name, shares, pointers) {
  const { poses } = JSON.parse(lumbit("measure", demo, "--viewport", "1280x800", "--json"));
  const [{ scenes }] = poses;
  const { top, height } = scenes.find((scene) => scene.name === name);
  const at = shares.map((share) => Math.round(top - 800 + share * (800 + height)));
  return shots(demoUrl, { width: 1280, height: 800, at, pointers });
}
await sheet(await demoScene("tides", [0.42, 0.52, 0.62]), 800, "tides");
await sheet(await demoScene("pit", [0.22, 0.5, 0.72]), 800, "tanks");
await sheet(await demoScene("five", [0.55, 1.1, 1.75]), 800, "reel");

await demoSite.close();

// A drawing in layers: what it is taken apart into, and the page that it becomes.
const drawing = join(folder, "sound.ora");
spawnSync(process.execPath, [join(root, "examples/tidehouse/draw/drawing.mjs"), drawing]);
const imported = join(folder, "sound");
lumbit("import", drawing, "-o", imported);
const { layers } = JSON.parse(readFileSync(join(imported, "page.json"), "utf8")).scenes[0];
/** Where a layer stands in the drawing, on a ground that is none of it. */
const apart = async ({ image, place }) => {
  const [left, top, width] = ["left", "top", "width"].map(
    (side) => Number.parseFloat(place?.[side] ?? 0) / 100,
  );
  const input = await sharp(join(imported, image))
    .resize({ width: Math.round((width || 1) * 1280), ...(place ? {} : { height: 720, fit: "fill" }) })
    .toBuffer();
  const ground = { width: 1280, height: 720, channels: 3, background: "#d9dfdb" };
  return sharp({ create: ground })
    .composite([{ input, left: Math.round(left * 1280), top: Math.round(top * 720) }])
    .png()
    .toBuffer();
};
lumbit("build", join(imported, "page.json"), "-o", `${imported}-site`, "--originals");
await sheet(
  [
    ...(await Promise.all(layers.map(apart))),
    ...(await shots(pathToFileURL(join(`${imported}-site`, "index.html")).href, {
      ...{ width: 1280, height: 720, at: [0, 200, 400] },
    })),
  ],
  ...[640, "import", 3],
);

const gazette = join(folder, "gazette");
const gazettePage = { root: join(root, "examples/gazette"), logLevel: "error", build: { outDir: gazette } };
await build(gazettePage);
const gazetteSite = await servePreview({ ...gazettePage, preview: { host: "127.0.0.1", port: 0 } });
await sheet(
  await shots(gazetteSite.resolvedUrls.local[0], { width: 1280, height: 800, at: [0, 1000, 1800] }),
  800,
  "gazette",
);
await gazetteSite.close();

const galleryPage = {
  root: join(root, "examples/gallery"),
  logLevel: "error",
  build: { outDir: join(folder, "gallery"), chunkSizeWarningLimit: 2000 },
};
await build(galleryPage);
const gallerySite = await servePreview({ ...galleryPage, preview: { host: "127.0.0.1", port: 0 } });
const gallery = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await gallery.goto(`${gallerySite.resolvedUrls.local[0]}#crossing-titles`);
await gallery.frames()[1].waitForSelector('[data-lumbit-layer="helmet"]');
await gallery.frames()[1].evaluate(() => scrollTo({ top: 690, behavior: "instant" }));
await gallery.waitForTimeout(1000);
await sheet([await gallery.screenshot()], 1280, "recipes");
await gallery.close();
await gallerySite.close();

await terminal(
  "lumbit measure examples/tidehouse/page.json --viewport 1280x800 --scroll 400",
  `${lumbit("measure", demo, "--viewport", "1280x800", "--scroll", "400").split("\n\nshelf")[0]}\n\n…`,
  "measure",
);

lumbit(
  ...["proof", demo, "-o", target("proof"), "--force", "--scene", "descent"],
  ...["390x844", "1280x800", "2560x1080"].flatMap((viewport) => ["--viewport", viewport]),
);

// A change: the kelp came nearer, the title paler.
const changed = join(folder, "tidehouse");
cpSync(join(root, "examples/tidehouse"), changed, { recursive: true });
const earlier = JSON.parse(readFileSync(join(root, demo), "utf8"));
const layerOf = (name) => earlier.scenes[0].layers.find((layer) => layer.name === name);
layerOf("far-kelp").depth = 1;
layerOf("title").color = "#7fb3a6";
writeFileSync(join(changed, "earlier.json"), JSON.stringify(earlier));
lumbit(
  ...["proof", demo, "--against", join(changed, "earlier.json"), "-o", target("against"), "--force"],
  ...["--scene", "descent", "--moments", "4", "--viewport", "390x844", "--viewport", "1280x800"],
);

const handOver = join(folder, "hand-over.html");
lumbit("hand-over", demo, "-o", handOver, "--scene", "tides");
await sheet(
  await shots(pathToFileURL(handOver).href, { width: 1280, height: 800, at: [0] }),
  1280,
  "hand-over",
);

lumbit("measure", demo, "--elevation", target("elevation"), "--force", "--scene", "descent");
lumbit("measure", demo, "--chart", target("movement"), "--force", "--scene", "gear", "--theme", "dark");

// Two of the planted faults of the tests in one page.
const faulty = join(folder, "faulty");
mkdirSync(faulty);
const [first, second] = ["contrast", "strong"].map((name) =>
  JSON.parse(readFileSync(join(root, "test/faults", `${name}.json`), "utf8")),
);
const [scene] = second.scenes;
writeFileSync(
  join(faulty, "page.json"),
  JSON.stringify({
    ...first,
    scenes: [...first.scenes, { ...scene, name: "weeds", layers: scene.layers.slice(1) }],
  }),
);
await terminal("lumbit check page.json", lumbit("check", join(faulty, "page.json")), "check");

const starter = join(folder, "starter");
lumbit("new", starter);

/** Starts a command that serves, and gives its address and what ends it. */
async function served(...args) {
  const server = spawn(process.execPath, [command, ...args, "--port", "0"]);
  const url = await new Promise((resolve) =>
    server.stdout.on("data", (data) => /http:\S+/.test(data) && resolve(/http:\/\/[\w.:/#]+/.exec(data)[0])),
  );
  return { url, end: () => server.kill() };
}

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

const composed = join(folder, "composed");
cpSync(join(root, "examples/tidehouse"), composed, { recursive: true });
const composer = await served("compose", join(composed, "page.json"), "--no-open");
// As it is for somebody who has taken the first steps.
await page.addInitScript(() => localStorage.setItem("lumbit-hints", '["play", "depth", "place"]'));
await page.goto(composer.url);
await page.getByRole("option", { name: /^title/ }).click();
// Scenes come in at once, cues in their own time.
await page.waitForTimeout(3000);
const stage = await page.getByRole("group", { name: /^Layers on the laptop/ }).boundingBox();
await page.mouse.move(stage.x + stage.width * 0.5, stage.y + stage.height * 0.36);
await page.mouse.down();
await page.mouse.move(stage.x + stage.width * 0.5, stage.y + stage.height * 0.46, { steps: 8 });
await page.waitForTimeout(800);
await page.screenshot({ path: target("composer") });
await page.mouse.up();
composer.end();

const beginning = join(folder, "low-water");
mkdirSync(beginning);
const begin = await served("compose", beginning, "--no-open");
await page.goto(begin.url);
const chooser = page.waitForEvent("filechooser");
await page.getByRole("button", { name: /^Choose pictures/ }).click();
const art = ["open-water", "far-reef", "far-kelp", "school", "sea-floor"];
await (await chooser).setFiles(art.map((name) => join(root, "examples/tidehouse/art", `${name}.webp`)));
await page.waitForTimeout(1000);
await page.screenshot({ path: target("begin") });

// The first scene, step by step: all by looking and dragging.
const steps = [];
const step = async (pause = 1200) => {
  await page.waitForTimeout(pause);
  steps.push(await page.screenshot());
};
const middle = async (locator) => {
  const { x, y, width, height } = await locator.boundingBox();
  return [x + width / 2, y + height / 2];
};
const dragged = async ([x, y], [across, down]) => {
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + across, y + down, { steps: 10 });
};
await page.getByRole("button", { name: /^Make a scene/ }).click();
await page.getByRole("option", { name: /^school/ }).waitFor();
await step(3000);
await dragged(await middle(page.getByRole("option", { name: /^far-kelp/ })), [-180, 0]);
await step();
await page.mouse.up();
await page.getByRole("button", { name: /^Add a layer/ }).click();
await page.getByRole("menuitem", { name: "Words" }).click();
const words = await middle(page.getByRole("group", { name: /^Layers on the laptop/ }));
await page.waitForTimeout(800);
await page.mouse.dblclick(...words);
await page.keyboard.type("Low water");
await page.keyboard.press("Control+Enter");
await dragged(words, [0, -70]);
await step();
await page.mouse.up();
await page.getByRole("button", { name: "Play" }).click();
await step(2600);
begin.end();
await sheet(steps, 800, "first-scene", 2);

const spoiled = join(folder, "spoiled");
cpSync(starter, spoiled, { recursive: true });
const file = join(spoiled, "page.json");
const preview = await served("preview", file);
await page.goto(preview.url);
writeFileSync(file, readFileSync(file, "utf8").replace('"depth": 5', '"deph": 5').replace('"48px"', '"48"'));
await page.getByRole("alert").waitFor();
await page.screenshot({ path: target("preview-faults") });
preview.end();
await browser.close();
await import("./document-ranges.mjs");
