import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import {
  allLayers,
  type Box,
  type GroupLayer,
  layoutPage,
  type Natural,
  type Page,
  type PageLayout,
  poseAt,
  type Slide,
  type TextLayer,
  type Viewport,
} from "lumbit/core";
import {
  applyRules,
  boundsOf,
  directionalityOf,
  fittedWidth,
  hasReel,
  hasUnknownEdges,
  isGroup,
  isImage,
  isText,
} from "lumbit/internal";
import { pageCss, pageHtml } from "lumbit/static";
import { TextSizer } from "lumbit/text";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { Font } from "../../packages/cli/src/font.ts";
import { root } from "../command.ts";
import { casesIn, type Engine, engineOf } from "../engines.ts";
import { cases } from "./cases.ts";
import { comparedPositions } from "./positions.ts";

/** At most this far may a browser be from the core: px, opacity as a share, and px for the letters of a whole line. */
const bars = { box: 0.5, opacity: 0.01, blur: 0.1, letters: 2 };
const viewports = [
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
];
const pictures = {
  "tank.png": { width: 400, height: 300 },
  "mill.png": { width: 240, height: 420 },
  "mill@2x.png": { width: 480, height: 840 },
};

/** What a browser says of a page wherever it is scrolled. */
interface Sizes {
  texts: Record<string, { width: number; height: number }>;
  /** How wide the letters of texts are. */
  letters: Record<string, number>;
  contents: Record<string, number>;
  scrollHeight: number;
  scrollWidth: number;
}

/** Every layer at a scroll position. */
interface Step {
  scroll: number;
  layers: Record<string, number[]>;
  backdrop?: number[];
}

const helpers = `
// A frame, and after it whatever was drawn in it.
const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
const box = (element) => { const { left, top, width, height } = element.getBoundingClientRect(); return [left, top, width, height]; };
const key = (element) => element.closest("[data-lumbit-scene]").dataset.lumbitScene + "/" + element.dataset.lumbitLayer;
const layers = [...document.querySelectorAll("[data-lumbit-layer]")];
`;

const readSizes = `${helpers}
await document.fonts.ready;
// A mounted scene measures itself anew in the frames after a resize.
for (let index = 0; index < 3; index++) await frame();
const words = layers.filter((element) => /^(H\\d|P)$/.test(element.tagName));
const sizeOf = ({ width, height }) => ({ width: parseFloat(width), height: parseFloat(height) });
const lettersOf = (element) => { const range = document.createRange(); range.selectNodeContents(element); return range.getBoundingClientRect().width; };
const { scrollHeight, scrollWidth } = document.documentElement;
return JSON.stringify({
  texts: Object.fromEntries(words.map((element) => [key(element), sizeOf(getComputedStyle(element))])),
  letters: Object.fromEntries(words.map((element) => [key(element), lettersOf(element)])),
  contents: Object.fromEntries([...document.querySelectorAll("[data-lumbit-is~=content]")].map((element) => [element.closest("[data-lumbit-scene]").dataset.lumbitScene, element.getBoundingClientRect().height])),
  scrollHeight, scrollWidth,
});`;

/** Slides that come by a jump are woken a frame later, and those who listen to them another one. */
const readSteps = (positions: readonly number[], frames: number) => `${helpers}
const filters = [["blur", 0], ["brightness", 1], ["saturate", 1]];
const steps = [];
for (const position of ${JSON.stringify(positions)}) {
  scrollTo({ top: position, behavior: "instant" });
  for (let index = 0; index < ${frames}; index++) await frame();
  const backdrop = document.querySelector("[data-lumbit-backdrop]");
  steps.push({
    scroll: scrollY,
    layers: Object.fromEntries(layers.map((element) => {
      const style = getComputedStyle(element);
      return [key(element), [...box(element), Number(style.opacity), ...filters.map(([name, none]) => Number(new RegExp(name + "\\\\(([\\\\d.e-]+)(?:px)?\\\\)").exec(style.filter)?.[1] ?? none))]];
    })),
    backdrop: backdrop ? box(backdrop) : undefined,
  });
}
return JSON.stringify(steps);`;

/** Who moves the page: its style sheet, the script for browsers that cannot, or `mount` with either driver. */
const modes = ["native", "scripted", "mounted native", "mounted scripted"];

/** A classic scroll bar takes from the width that percentages are of, but not from vw: not what is tested here. */
const noScrollBar = "html{scrollbar-width:none}";
/** The page's own font: WebKitGTK rounds the letters of the system's fonts to whole pixels. */
const fontFace = '@font-face{font-family:Figtree;font-weight:300 900;src:url("figtree.woff2")}';

const figtree = readFileSync(join(root, "examples/tidehouse/fonts/figtree.woff2"));
const fonts = [{ path: "figtree.woff2", bytes: figtree, font: (await Font.open(figtree)) as Font }];

const distribution = join(root, "packages/lumbit/dist");

function respond(
  path: string,
  files: ReadonlyMap<string, Buffer>,
): [type: string, body: string | Buffer] | undefined {
  if (path.startsWith("/dist/")) return ["text/javascript", readFileSync(join(distribution, path.slice(6)))];
  const [, mode, index, file] = path.split("/");
  const found = cases[Number(index)];
  if (!found) return undefined;
  const texts = new TextSizer(found.page, fonts);
  const assets = {
    pictures: Object.fromEntries(
      Object.entries(pictures).map(([path, size]) => [path, { url: path, ...size }]),
    ),
    fonts: { "figtree.woff2": "figtree.woff2" },
    ems: (text: TextLayer) => texts.ems(text),
  };
  if (file === "figtree.woff2") return ["font/woff2", figtree];
  const picture = files.get(file ?? "");
  if (picture) return ["image/png", picture];
  if (file === "page.css") return ["text/css", pageCss(found.page, assets) + noScrollBar];
  if (file === "mount.js")
    return ["text/javascript", mountScript(found.page, mode === "mounted-native" ? "native" : "scripted")];
  if (mode?.startsWith("mounted")) {
    const hosts = found.page.scenes.map((_, index) => `<div id="host-${index}"></div>`).join("");
    return [
      "text/html",
      `<!doctype html><html dir="${directionalityOf(found.page.lang)}"><title>t</title><style>body{margin:0}*{box-sizing:border-box}${noScrollBar}${fontFace}</style>${hosts}<script type="module" src="mount.js"></script>`,
    ];
  }
  const scripts = hasUnknownEdges(found.page) ? ["/dist/browser/edges.js"] : [];
  const html = pageHtml(found.page, { assets, stylesheet: "page.css", scripts });
  return [
    "text/html",
    mode === "native"
      ? html
      : html.replace("</head>", '<script type="module" src="/dist/browser/scripted.js"></script></head>'),
  ];
}

const mountScript = ({ scenes, page }: Page, driver: string) => `import { mount } from "/dist/lumbit.js";
window.mounted = ${JSON.stringify(scenes)}.map((scene, index) =>
  mount(document.getElementById("host-" + index), { scene, page: ${JSON.stringify(page)}, driver: "${driver}" }));`;

/** Runs every case in an engine. */
export function conformance(name: Engine["name"]): void {
  let server: Server;
  let origin: string;
  beforeAll(async () => {
    const files = new Map<string, Buffer>();
    for (const [path, size] of Object.entries(pictures))
      files.set(
        path,
        await sharp({ create: { ...size, channels: 3, background: "#08f" } })
          .png()
          .toBuffer(),
      );
    server = createServer((request, response) => {
      const [type, body] = respond(request.url ?? "", files) ?? [];
      response
        .writeHead(body === undefined ? 404 : 200, {
          "content-type": `${type}; charset=utf-8`,
          // What is the same on every page is loaded once.
          ...(request.url?.startsWith("/dist/") && { "cache-control": "max-age=3600, immutable" }),
        })
        .end(body);
    });
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => server?.close());

  describe.each([...modes.entries()])(`${name}`, (turn, mode) => {
    let worst = 0;
    let comparisons = 0;
    // A mounted scene has no page around it whose backdrop it could be before.
    const rows = casesIn(
      name,
      cases.map(({ name, page }, index) => ({ name, page, index })),
    ).filter(({ page }) => !mode.startsWith("mounted") || !page.page?.backdrop);
    afterAll(() =>
      console.log(
        `${name}, ${mode}: largest error ${worst.toFixed(3)} px in ${comparisons} boxes of ${rows.length} cases`,
      ),
    );

    test.each(rows)(`${mode}: $name`, async ({ page, index }) => {
      const engine = await engineOf(name);
      // Over the four modes every row is seen at every viewport; it is opened at that of the row before.
      const viewport = viewports[(index + turn) % viewports.length] as Viewport;
      await engine.open(`${origin}/${mode.replace(" ", "-")}/${index}/`);
      await engine.resize(viewport.width, viewport.height);
      const read = async () => {
        const sizes = JSON.parse(await engine.run<string>(readSizes)) as Sizes;
        const layout = layoutPage(page, viewport, naturalFrom(sizes, page));
        const steps = await engine.run<string>(
          readSteps(comparedPositions(layout), page.scenes.some(hasReel) ? 3 : 1),
        );
        return compare(sizes, JSON.parse(steps) as Step[], page, layout);
      };
      let result = await read();
      // On a busy machine a browser may take longer than its frames to give a new size to its timelines.
      for (let again = 0; again < 2 && result.wrong.length > 0; again++) result = await read();
      worst = Math.max(worst, result.worst);
      comparisons += result.comparisons;
      expect(result.wrong, `${viewport.width} x ${viewport.height}`).toEqual([]);
      expect(result.comparisons).toBeGreaterThan(0);
    });
  });
}

/** Everything in which a browser differs from the core, and the largest error of a box. */
function compare(
  sizes: Sizes,
  steps: readonly Step[],
  page: Page,
  layout: PageLayout,
): { wrong: string[]; worst: number; comparisons: number } {
  const { viewport } = layout;
  const wrong: string[] = [];
  let worst = 0;
  let comparisons = 0;
  const check = (what: string, found: number, wanted: number, bar: number) => {
    if (!(Math.abs(found - wanted) <= bar)) wrong.push(`${what}: ${found} where ${wanted} is right`);
  };
  check("scroll height", sizes.scrollHeight, layout.scrollHeight, 1);
  check("width", sizes.scrollWidth, viewport.width, 0);
  const fitted = applyRules(page, viewport).scenes.flatMap((scene) =>
    scene.layers
      .filter((layer) => isText(layer) && fittedWidth(layer) !== undefined)
      .map((layer) => `${scene.name}/${layer.name}`),
  );
  for (const name of fitted)
    check(
      `${name} letters`,
      sizes.letters[name] ?? Number.NaN,
      sizes.texts[name]?.width ?? Number.NaN,
      bars.letters,
    );
  const slideOf = new Map(
    page.scenes
      .flatMap(({ layers }) => layers.filter((layer) => isGroup(layer) && layer.reel))
      .flatMap((reel) => (reel as GroupLayer).layers as readonly Slide[])
      .flatMap((slide) => slide.layers.map((layer) => [layer.name, slide.name] as const)),
  );
  for (const { scroll, layers, backdrop } of steps) {
    const pose = poseAt(layout, scroll);
    const box = (what: string, found: number[], wanted: Box) => {
      comparisons++;
      for (const [index, side] of (["left", "top", "width", "height"] as const).entries()) {
        const value = found[index] ?? Number.NaN;
        worst = Math.max(worst, Math.abs(value - wanted[side]));
        check(`${what} ${side} at scroll ${scroll}`, value, wanted[side], bars.box);
      }
    };
    for (const scene of pose.scenes) {
      if (scene.top >= viewport.height || scene.top + scene.height <= 0) continue;
      for (const layer of scene.layers) {
        const name = `${scene.name}/${layer.name}`;
        // What is in a slide out of view is not moved.
        const slide = scene.layers.find(({ name }) => name === slideOf.get(layer.name));
        if (slide && (slide.left >= viewport.width || slide.left + slide.width <= 0)) continue;
        const found = layers[name] ?? [];
        box(name, found, boundsOf(layer, layer.rotate));
        if (layer.width === 0) continue;
        check(`${name} opacity`, found[4] ?? Number.NaN, layer.opacity, bars.opacity);
        check(`${name} blur`, found[5] ?? Number.NaN, layer.blur, bars.blur);
        check(`${name} brightness`, found[6] ?? Number.NaN, layer.brightness, bars.opacity);
        check(`${name} saturation`, found[7] ?? Number.NaN, layer.saturation, bars.opacity);
      }
    }
    if (pose.backdrop) box("backdrop", backdrop ?? [], pose.backdrop);
  }
  return { wrong: wrong.slice(0, 5), worst, comparisons };
}

/** Natural sizes as the browser has them: fonts differ from machine to machine, the model does not. */
function naturalFrom({ texts, contents }: Sizes, page: Page): Natural {
  const sceneOf = new Map(
    page.scenes.flatMap(({ name, layers }) => allLayers(layers).map((layer) => [layer.name, name] as const)),
  );
  return {
    layer: (layer) => {
      const size = isText(layer)
        ? texts[`${sceneOf.get(layer.name)}/${layer.name}`]
        : isImage(layer) && pictures[layer.image as keyof typeof pictures];
      return size || { width: 0, height: 0 };
    },
    content: (scene) => contents[scene.name] ?? 0,
  };
}
