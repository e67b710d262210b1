import { cpSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

/** One layer of each kind whose motion differs, in scenes that hold and do not. */
const composed = {
  format: "lumbit/1",
  title: "Pier */ body { display: none }",
  lang: "en",
  page: { relief: 0.9, color: "#123" },
  scenes: [
    {
      name: "first",
      height: "120vh",
      layers: [
        {
          name: "reef",
          image: "art/far-reef.webp",
          alt: "",
          depth: 0.5,
          place: { top: "10vh", left: "10%", width: "40%" },
        },
      ],
    },
    {
      name: "pier",
      height: "140vh",
      rules: [{ media: "(max-width: 600px)", height: "110vh" }],
      layers: [
        { name: "water", image: "art/open-water.webp", alt: "", depth: "horizon" },
        {
          name: "reef",
          image: "art/far-reef.webp",
          alt: "",
          depth: 1,
          pane: true,
          place: { right: "5%", bottom: "10vh", width: "50%", height: "60vh" },
        },
        {
          ...{ name: "sign", shape: "rectangle", background: "#a40", depth: 1.2, settle: "middle" },
          place: { left: "30%", top: "70vh", width: "20vw", height: "12vh" },
        },
        {
          ...{ name: "window", image: "art/open-water.webp", alt: "", depth: 0.7, settle: "top", pane: true },
          place: { left: "5%", top: "60vh", width: "20%", height: "30vh" },
        },
        {
          ...{ name: "near", image: "art/near-kelp-left.webp", alt: "", speed: 1.4, direction: "left" },
          place: { left: "10%", top: "20vh", width: "30%" },
          rules: [{ media: "(max-width: 600px)", speed: 1.2, place: { left: 0, top: "5vh", width: "60%" } }],
        },
        {
          ...{
            name: "words",
            text: "Low */ water",
            as: "h2",
            depth: 0.4,
            fontSize: "40px",
            place: { center: "x", top: "50vh" },
          },
          ramps: [
            {
              property: "opacity",
              stops: [
                { at: "cover 20%", value: 0 },
                { at: "cover 60%", value: 1 },
              ],
            },
            {
              property: "blur",
              stops: [
                { at: "cover 20%", value: "8px" },
                { at: "cover 60%", value: "0px" },
              ],
            },
            {
              property: "x",
              stops: [
                { at: "cover 20%", value: "-60px" },
                { at: "cover 60%", value: "0px" },
              ],
            },
          ],
        },
        {
          ...{
            name: "boat",
            depth: -0.2,
            place: { left: "40%", top: "30vh", width: "200px", height: "100px" },
          },
          layers: [
            {
              name: "hull",
              shape: "ellipse",
              background: "#a40",
              place: { left: 0, bottom: 0, width: "100%", height: "40%" },
            },
          ],
        },
        {
          ...{
            name: "tags",
            depth: 0.3,
            place: { left: "4%", top: "15vh" },
            row: { gap: "12px", align: "middle" },
          },
          layers: [
            { name: "tag", text: "Low water", fontSize: "20px" },
            {
              ...{ name: "note", place: {} },
              layers: [
                { name: "slate", shape: "rectangle", background: "#123" },
                {
                  name: "hour",
                  text: "at noon",
                  place: { left: "9px", right: "1vw", top: "4px", bottom: "6px" },
                },
              ],
            },
          ],
        },
      ],
    },
    {
      ...{ name: "held", height: "100vh", hold: "80vh" },
      layers: [
        {
          name: "disc",
          shape: "ellipse",
          background: "#084",
          depth: 0.8,
          place: { left: "20%", top: "20vh", width: "20vh", height: "20vh" },
        },
      ],
    },
  ],
};
/** A page that is as high as the composed one. */
const around = `body { margin: 0; color: #123 } .as-first { height: 120vh } .as-held { height: 180vh }
.as-pier { height: 140vh } @media (max-width: 600px) { .as-pier { height: 110vh } }`;
const paths = [
  ...["first/reef", "pier/water", "pier/reef", "pier/sign", "pier/window"],
  ...["pier/near", "pier/words", "pier/boat", "pier/tags", "held/disc"],
];

/** What is looked at in them, where that is not all of it. */
const inside: Record<string, string> = { "pier/tags": "slate" };

let browser: Chromium;
let origin: string;
let close = () => {};
let folder: string;
beforeAll(async () => {
  folder = temporaryFolder();
  cpSync(join(root, "examples/tidehouse/art"), join(folder, "art"), { recursive: true });
  writeFileSync(join(folder, "page.json"), JSON.stringify(composed));
  const site = join(folder, "site");
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  for (const path of paths) {
    const out = join("site", path);
    expect((await lumbit(["build", "page.json", "--layer", path, "-o", out], folder)).stderr).toBe("");
    const [scene = "", layer = ""] = path.split("/");
    const html = readFileSync(join(folder, out, `${layer}.html`), "utf8");
    // What stands around the scene on its page, as high as there.
    const blocks = ["first", "pier", "held"].map((name) =>
      name === scene ? html : `<div class="as-${name}"></div>`,
    );
    writeFileSync(
      join(folder, out, "page.html"),
      `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><style>${around}</style>${blocks.join("")}`,
    );
  }
  ({ origin, close } = await serveFolder(site, "default-src 'self'; style-src 'self' 'unsafe-inline'"));
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  close();
});

/** Where an element is over a page's whole scroll, and how it looks. */
async function course(page: Page, selector: string): Promise<number[][]> {
  const all: number[][] = [];
  for (let step = 0; step <= 12; step++) {
    await page.evaluate(async (share) => {
      scrollTo({ top: share * (document.documentElement.scrollHeight - innerHeight), behavior: "instant" });
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
    }, step / 12);
    all.push(
      await page.locator(selector).evaluate((element) => {
        const { left, top, width, height } = element.getBoundingClientRect();
        const { opacity, filter } = getComputedStyle(element);
        return [
          left,
          top,
          width,
          height,
          Number(opacity),
          Number.parseFloat(filter.replace(/[^\d.]/g, "") || "0"),
        ];
      }),
    );
  }
  return all;
}

for (const viewport of [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
])
  test(`a layer as plain CSS moves as on its page, ${viewport.width} px wide`, async () => {
    const page = await browser.newPage({ viewport });
    for (const path of paths) {
      const [scene, layer] = path.split("/");
      await page.goto(`${origin}/index.html`, { waitUntil: "load" });
      const inner = inside[path] ?? layer;
      const wanted = await course(page, `[data-lumbit-scene="${scene}"] [data-lumbit-layer="${inner}"]`);
      await page.goto(`${origin}/${path}/page.html`, { waitUntil: "load" });
      const got = await course(page, `.${scene}-scene .${inner}`);
      for (const [step, values] of wanted.entries())
        for (const [index, value] of values.entries()) {
          const off = Math.abs((got[step]?.[index] ?? Number.NaN) - value);
          expect(off, `${path} at step ${step}, value ${index}: ${got[step]} for ${values}`).toBeLessThan(
            0.6,
          );
        }
    }
    await page.close();
  });

test("it needs nothing of Lumbit, says what it is and what is left out, and its comments cannot be ended", () => {
  const css = readFileSync(join(folder, "site/pier/words/words.css"), "utf8");
  const html = readFileSync(join(folder, "site/pier/words/words.html"), "utf8");
  expect(`${css}${html}`).not.toMatch(/lumbit/i);
  expect(css).toContain('words, a layer of "pier": Pier * / body { display: none }.');
  expect(readdirSync(join(folder, "site/pier/near/assets"))).toHaveLength(1);
});

test("what is no layer is said", async () => {
  const said = async (...args: string[]) =>
    (await lumbit(["build", "page.json", "-o", "other", ...args], folder)).stderr;
  expect(await said("--layer", "pier/gull")).toContain(
    'there is no layer "gull" in "pier"; it has water, reef',
  );
  expect(await said("--layer", "quay/gull")).toContain('there is no scene "quay"');
  expect(await said("--layer", "pier")).toContain("say its scene and its own name, such as descent/far-kelp");
  expect(await said("--layer", "pier/near", "--fragment", "pier")).toContain("one of them");
});
