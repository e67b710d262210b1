import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { lumbit, temporaryFolder } from "./command.ts";
import { engineNames, engineOf } from "./engines.ts";
import { serveFolder } from "./serve.ts";

const narrow = "(max-width: 600px)";
const pictures = { "wide.png": [400, 300], "tall.png": [200, 400] } as const;
/** A page that is another one on a narrow screen. */
const document = {
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  scenes: [
    {
      name: "mill",
      height: "100vh",
      layers: [
        {
          name: "wheel",
          image: "wide.png",
          alt: "The mill wheel",
          place: { left: 0, top: 0, width: "40%" },
          rules: [{ media: narrow, image: "tall.png" }],
        },
        {
          name: "screen",
          pane: true,
          place: { right: 0, top: 0, width: "40%", height: "100px" },
          size: { height: "300%" },
          rules: [{ media: narrow, pane: false, place: { right: 0, top: 0, width: "40%", height: "300px" } }],
          layers: [
            {
              name: "low",
              shape: "rectangle",
              background: "#0a6",
              place: { left: 0, right: 0, top: "150px", height: "50px" },
            },
          ],
        },
        {
          name: "row",
          text: "Slack",
          repeat: 6,
          place: { left: 0, bottom: 0 },
          rules: [{ media: narrow, repeat: 2 }],
        },
      ],
    },
    {
      name: "hours",
      height: "100vh",
      content: [{ text: "Opening times", as: "h2" }],
      layers: [
        {
          name: "wave",
          shape: "rectangle",
          background: "#034",
          depth: 0.5,
          place: { left: 0, right: 0, top: "-100vh", height: "300vh" },
          rules: [{ media: narrow, depth: 0 }],
        },
      ],
    },
    {
      name: "log",
      height: "100vh",
      layers: [
        {
          name: "words",
          text: "High water 06:12",
          cue: { from: { opacity: 0 } },
          rules: [{ media: narrow, cue: "none" }],
        },
        {
          name: "more",
          text: "Low water 12:30",
          place: { left: 0, top: 0 },
          rules: [{ media: narrow, cue: { from: { opacity: 0.5 }, duration: 300 } }],
        },
      ],
    },
  ],
};

const site = temporaryFolder();
let origin: string;
let close: () => void;
beforeAll(async () => {
  for (const [file, [width, height]] of Object.entries(pictures))
    await sharp({ create: { width, height, channels: 3, background: "#08f" } })
      .png()
      .toFile(join(site, file));
  writeFileSync(join(site, "page.json"), JSON.stringify(document));
  const { stderr, status } = await lumbit(["build", "page.json", "-o", "site"], site);
  expect(stderr).toBe("");
  expect(status).toBe(0);
  // Scripts of tests are evaluated in WebKitGTK.
  ({ origin, close } = await serveFolder(
    join(site, "site"),
    "default-src 'self'; script-src 'self' 'unsafe-eval'",
  ));
});
afterAll(() => close?.());

interface Seen {
  picture: string;
  ratio: number;
  below: string;
  copies: number;
  over: string;
  opacities: number[];
}
const look = `
// Nothing is found at a point of a frame that is not painted, as WebKitGTK's is.
window.frameElement?.style.setProperty("visibility", "visible");
const find = (name) => document.querySelector('[data-lumbit-layer="' + name + '"]');
const frames = async () => { for (let index = 0; index < 5; index++) await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 30))); };
scrollTo({ top: 0, behavior: "instant" });
await frames();
const image = find("wheel");
const box = image.getBoundingClientRect();
const below = document.elementFromPoint(innerWidth * 0.8, 175);
const copies = [...find("row").children].filter((span) => getComputedStyle(span).display !== "none").length;
const opacities = ["words", "more"].map((name) => Number(getComputedStyle(find(name)).opacity));
const heading = document.querySelector("h2");
scrollTo({ top: innerHeight * 0.9, behavior: "instant" });
await frames();
const at = heading.getBoundingClientRect();
const over = document.elementFromPoint(at.left + 20, at.top + at.height / 2);
return JSON.stringify({
  picture: image.currentSrc,
  ratio: box.width / box.height,
  below: below.dataset.lumbitLayer ?? "",
  copies,
  over: over.dataset.lumbitLayer ?? over.tagName,
  opacities,
});`;

describe.each(engineNames)("%s", (name) => {
  test("rules change pictures, panes, rows, what covers content, and cues, while the page is open", async () => {
    const engine = await engineOf(name);
    for (const [width, reload] of [
      [1000, true],
      [500, false],
      [1000, false],
      [500, true],
    ] as const) {
      if (reload) await engine.open(`${origin}/`);
      await engine.resize(width, 800);
      const { picture, ...seen } = JSON.parse(await engine.run<string>(look)) as Seen;
      expect(picture).toMatch(
        width === 500 ? /tall[^/]*\.(?:png|webp|avif)$/ : /wide[^/]*\.(?:png|webp|avif)$/,
      );
      expect(seen).toEqual(
        width === 500
          ? { ratio: 0.5, below: "low", copies: 1, over: "wave", opacities: [1, 0.5] }
          : { ratio: expect.closeTo(4 / 3, 3), below: "", copies: 5, over: "H2", opacities: [0, 1] },
      );
    }
  });
});
