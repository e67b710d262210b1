import { copyFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";
import { afterAll, beforeAll, expect, test } from "vitest";
import { checkProject, measureProject, requireProject } from "../packages/cli/src/index.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { drawnEngineOf, engineNames, engineOf } from "./engines.ts";
import { firefoxScreen } from "./firefox-screen.ts";
import { serveFolder } from "./serve.ts";

const words = "Twice a day the water of the sound comes in through the wheel pit. ".repeat(3).trim();
const stripes = { name: "stripes", image: "stripes.png", alt: "", depth: 1 };
const at = (left: string) => ({ left, width: "240px", top: "60px", height: "160px" });

const page = {
  ...{ format: "lumbit/1", title: "Tidehouse", lang: "en" },
  fonts: [{ family: "Figtree", src: "figtree.woff2", weight: "300 900" }],
  page: { fontFamily: "Figtree", column: "700px" },
  scenes: [
    {
      ...{ name: "seen", height: "300px" },
      layers: [
        stripes,
        {
          name: "pane",
          shape: "rectangle",
          background: "#0000",
          blurBehind: "12px",
          radius: "20px",
          place: at("40px"),
        },
        { name: "card", blurBehind: "12px", background: "#fff8", place: at("320px"), layers: [] },
      ],
    },
    {
      ...{ name: "hours", paddingTop: "40px", contentWidth: "80%" },
      panel: {
        background: "#fff",
        padding: "30px",
        radius: "8px",
        shadow: "0 2px 9px #0005",
        blurBehind: "12px",
      },
      content: [
        { text: "Open by the tide", as: "h2", fontSize: "34px" },
        { text: words, background: "#def", padding: "1.5rem", radius: "6px", maxWidth: "90%" },
        {
          ...{ list: ["Ebb", words], background: "#fed", padding: "12px" },
          rules: [{ media: "(max-width: 600px)", padding: 0 }],
        },
        { text: "Plan a visit", href: "#seen", shadow: "0 1px 4px #000" },
        { text: "Or only look", href: "#seen" },
      ],
      rules: [{ media: "(max-width: 600px)", panel: { padding: "12px" } }],
      layers: [stripes],
    },
    {
      ...{ name: "plain", contentSide: "left", contentWidth: "50%" },
      content: [
        {
          text: words,
          rules: [{ media: "(max-width: 600px)", padding: "20px", blurBehind: "12px", background: "#fff" }],
        },
      ],
      layers: [],
    },
  ],
};

const folder = temporaryFolder();
let served: Awaited<ReturnType<typeof serveFolder>>;
beforeAll(async () => {
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  copyFileSync(join(root, "examples/tidehouse/fonts/figtree.woff2"), join(folder, "figtree.woff2"));
  const [width, height] = [1300, 900];
  const data = Buffer.from(
    Array.from({ length: width * height }, (_, at) => ((at % width) % 16 < 8 ? 255 : 0)),
  );
  await sharp(data, { raw: { width, height, channels: 1 } })
    .png()
    .toFile(join(folder, "stripes.png"));
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  served = await serveFolder(join(folder, "site"), "default-src 'self'; script-src 'self' 'unsafe-eval'");
});
afterAll(() => served?.close());

test("scenes are as high as measured by their contents and the panels behind them", async () => {
  const engine = await engineOf("chromium");
  const project = await requireProject(join(folder, "page.json"));
  for (const [width, height] of [
    [390, 800],
    [760, 700],
    [1280, 800],
  ] as const) {
    await engine.open(served.origin);
    await engine.resize(width, height);
    const found = await engine.run<number[]>(
      `await document.fonts.ready; return [...document.querySelectorAll("[data-lumbit-scene]")].map((scene) => scene.getBoundingClientRect().height);`,
    );
    const { scenes } = measureProject(project, { viewport: { width, height } });
    for (const [index, scene] of scenes.entries())
      expect(Math.abs(scene.height - (found[index] as number)), `${scene.name} at ${width}`).toBeLessThan(
        0.6,
      );
  }
});

/** How much a part of a picture varies, 0 where it is of one color. */
async function variety(picture: Sharp, left: number): Promise<number> {
  const part = await picture.extract({ left, top: 90, width: 180, height: 100 }).png().toBuffer();
  return (await sharp(part).stats()).channels[0]?.stdev as number;
}

test.each(engineNames)("what is seen through a layer is blurred in %s", async (name) => {
  const shown = async () => {
    if (name === "firefox") return firefoxScreen(served.origin);
    const engine = await drawnEngineOf(name);
    await engine.open(served.origin);
    await engine.resize(1200, 700);
    return sharp(await engine.screenshot());
  };
  const picture = await shown();
  expect(await variety(picture.clone(), 600)).toBeGreaterThan(100);
  expect(await variety(picture.clone(), 70)).toBeLessThan(30);
  expect(await variety(picture.clone(), 350)).toBeLessThan(15);
});

test("a text on a blurred ground is told from what the blur makes of it", async () => {
  const text = { name: "words", text: "Low water at noon", color: "#000", fontSize: "18px" };
  const contrast = async (more: object) => {
    const own = temporaryFolder();
    copyFileSync(join(folder, "stripes.png"), join(own, "stripes.png"));
    const scene = {
      name: "a",
      height: "140vh",
      layers: [
        { ...stripes, depth: 0 },
        { ...text, ...more },
      ],
    };
    const file = join(own, "page.json");
    writeFileSync(file, JSON.stringify({ ...page, fonts: undefined, page: undefined, scenes: [scene] }));
    const findings = await checkProject(await requireProject(file), {
      viewports: [{ width: 1280, height: 800 }],
    });
    return findings.filter(({ rule }) => rule === "contrast").map(({ measured }) => measured);
  };
  expect(await contrast({})).toEqual([expect.stringMatching(/^contrast 1\.\d /)]);
  expect(await contrast({ blurBehind: "16px", padding: "12px" })).toEqual([]);
});
