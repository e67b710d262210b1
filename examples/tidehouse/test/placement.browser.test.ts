import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { type LayerLayout, layoutPage, type PagePose, poseAt } from "lumbit/core";
import { boundsOf } from "lumbit/internal";
import { naturalSizes } from "lumbit/text";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { requireProject } from "../../../packages/cli/src/project.ts";
import {
  accessibilityFaults,
  type Chromium,
  layerBoxes,
  openChromium,
  scrollPage,
} from "../../../test/chromium.ts";
import { lumbit, root, temporaryFolder } from "../../../test/command.ts";

const pageFile = join(root, "examples/tidehouse/page.json");
const viewports = [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
  { width: 2560, height: 1440 },
];
const positions = 40;

/** The layers inside a group and inside these, against the scene. */
const inside = ({ box, layers = [] }: LayerLayout): LayerLayout[] =>
  layers.flatMap(({ pane, ...layer }) => {
    const own = {
      ...layer,
      box: { ...layer.box, top: box.top + layer.box.top },
      ...(pane && { pane: { ...pane, top: box.top + pane.top } }),
    };
    return [own, ...inside(own)];
  });

describe("the demo in Chromium", () => {
  let browser: Chromium;
  const site = join(temporaryFolder(), "site");

  beforeAll(async () => {
    expect(await lumbit(["build", pageFile, "-o", site])).toMatchObject({ status: 0 });
    browser = await openChromium();
  });
  afterAll(() => browser?.close());

  const measure = async (width: number, height: number, scroll: number): Promise<PagePose> => {
    const { stdout, status } = await lumbit([
      "measure",
      pageFile,
      "--viewport",
      `${width}x${height}`,
      "--scroll",
      String(scroll),
      "--json",
    ]);
    expect(status).toBe(0);
    return JSON.parse(stdout).poses[0];
  };

  test.each(viewports)(
    "has every layer where pose and measure say at $width x $height",
    async ({ width, height }) => {
      const page = await browser.newPage({ viewport: { width, height } });
      // Without what plays cues and takes titles of reels in and out in its own time.
      await page.route(/\.js$/, (route) => route.abort());
      await page.goto(pathToFileURL(join(site, "index.html")).href);
      await page.evaluate(() => document.fonts.ready);
      const scrollHeight = await page.evaluate(() => document.documentElement.scrollHeight);
      const project = await requireProject(pageFile);
      const layout = layoutPage(project.page, { width, height }, naturalSizes(project).natural);
      expect(layout.scrollHeight).toBe(scrollHeight);
      let worst = { error: 0, where: "" };
      for (let index = 0; index < positions; index++) {
        const scroll = Math.round(((scrollHeight - height) * index) / (positions - 1));
        await scrollPage(page, scroll);
        const boxes = await layerBoxes(page);
        const posed = poseAt(layout, scroll);
        if (index % 13 === 0) expect(await measure(width, height, scroll)).toMatchObject(posed);
        const inView = posed.scenes.filter((scene) => scene.top < height && scene.top + scene.height > 0);
        const pose = inView.flatMap((scene) =>
          scene.layers.map((layer) => ({ scene: scene.name, ...layer })),
        );
        expect(boxes.length).toBe(posed.scenes.flatMap((scene) => scene.layers).length);
        for (const expected of pose) {
          const box = boxes.find(({ scene, layer }) => scene === expected.scene && layer === expected.name);
          const bounds = boundsOf(expected, expected.rotate);
          for (const side of ["left", "top", "width", "height"] as const) {
            const error = Math.abs((box?.[side] ?? Number.NaN) - bounds[side]);
            if (!(error <= worst.error))
              worst = { error, where: `${expected.name} ${side} at scroll ${scroll}` };
          }
        }
      }
      console.log(`${width} x ${height}: largest error ${worst.error.toFixed(3)} px (${worst.where})`);
      expect(worst.error, worst.where).toBeLessThanOrEqual(0.5);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(width);
      await page.close();
    },
  );

  test.each(viewports)("gives axe nothing to find at $width x $height", async (viewport) => {
    const page = await browser.newPage({ viewport });
    await page.goto(pathToFileURL(join(site, "index.html")).href);
    await page.evaluate(() => document.fonts.ready);
    for (const scroll of [0, 2 * viewport.height, 6 * viewport.height]) {
      await scrollPage(page, scroll);
      expect(await accessibilityFaults(page)).toEqual([]);
    }
    await page.close();
  });

  test.each([
    ["a reader who prefers less motion", { reducedMotion: "reduce" }],
    ["print", { media: "print" }],
  ] as const)("stands still, composed and without overscan, for %s", async (_, media) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.emulateMedia(media);
    await page.goto(pathToFileURL(join(site, "index.html")).href);
    await page.evaluate(() => document.fonts.ready);
    const project = await requireProject(pageFile);
    const { natural } = naturalSizes(project);
    const composed = layoutPage(project.page, { width: 1280, height: 800 }, natural).scenes;
    for (const scroll of [0, 333, 900]) {
      await scrollPage(page, scroll);
      const scenes = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>("[data-lumbit-scene]")].map(
          (scene) =>
            [scene.dataset.lumbitScene, scene.getBoundingClientRect().top, scene.offsetHeight] as const,
        ),
      );
      for (const box of await layerBoxes(page)) {
        const [, top, height] = scenes.find(([name]) => name === box.scene) ?? ["", Number.NaN, 0];
        const layer = composed
          .find(({ name }) => name === box.scene)
          ?.layers.flatMap((outer) => [outer, ...inside(outer)])
          .find(({ name }) => name === box.layer);
        const place = layer?.pane ?? (layer?.overscan ? { top: 0, height } : layer?.box);
        const where = `${box.scene} ${box.layer}`;
        // On paper slides stand below each other (test/paper.browser.test.ts).
        if ("media" in media && box.scene === "five") continue;
        expect(Math.abs(box.top - top - (place?.top ?? Number.NaN)), where).toBeLessThan(0.5);
        if (layer?.overscan) expect(box.height, where).toBeCloseTo(place?.height ?? Number.NaN, 0);
      }
    }
    // What runs inside a frame can still be read to its end.
    const frame = await page.evaluate(() => {
      const pane = document.querySelector('[data-lumbit-pane="screen"]') as HTMLElement;
      return { scrolls: getComputedStyle(pane).overflowY, share: pane.scrollHeight / pane.clientHeight };
    });
    expect(frame.scrolls).toBe("media" in media ? "visible" : "auto");
    expect(frame.share).toBeCloseTo(1.5, 1);
    await page.close();
  });
});
