import { writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { layoutPage, type Page, poseAt, type Scene } from "lumbit/core";
import { contentAcross, numbers, targetOf } from "lumbit/internal";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { accessibilityFaults, openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { engineNames, engineOf } from "./engines.ts";
import { randomScenes, randomViewport } from "./random-scenes.ts";
import { serveFolder } from "./serve.ts";

const stone = (name: string, more: object) => ({
  ...{ name, shape: "rectangle", background: "#0a6" },
  ...{ place: { left: "20%", width: "20%", top: "55%", height: "90px" }, ...more },
});
const linked = ["near", "deep", "low", "words", "inner", "own"];
const page = {
  ...{ format: "lumbit/1", title: "Tidehouse", lang: "en" },
  page: {
    ...{ background: "#0b2a30", color: "#eef4ee" },
    header: {
      ...{ text: "Tidehouse", href: "#top", background: "#0b2a30", here: "#ffc56b" },
      links: [
        { text: "Quay", href: "#quay" },
        { text: "Slip", href: "#slip" },
        { text: "Hours", href: "#end/hours" },
        ...linked.map((name) => ({ text: name, href: `#slip/${name}` })),
      ],
    },
    backdrop: { image: "sea.svg", alt: "", depth: 1 },
  },
  scenes: [
    { name: "quay", height: "130vh", layers: [{ name: "title", text: "Tidehouse", as: "h1" }] },
    {
      ...{ name: "slip", height: "340vh" },
      layers: [
        stone("near", { depth: -0.3 }),
        stone("deep", { depth: 1.5, place: { right: "5%", width: "90px", top: "40%", height: "20vh" } }),
        stone("low", {
          depth: 0.4,
          rules: [
            {
              media: "(max-width: 700px)",
              depth: 0.8,
              place: { left: 0, width: "50%", top: "30%", height: "10vh" },
            },
          ],
        }),
        { name: "words", text: "Mind the step", as: "h2", depth: 0.5, fontSize: "20px" },
        {
          ...{ name: "group", depth: 0.8, place: { left: 0, width: "30%", top: "70%", height: "30vh" } },
          layers: [stone("inner", {})],
        },
        stone("own", { depth: 1, settle: "middle" }),
        stone("leads", {
          href: "#end/hours",
          alt: "Opening hours",
          place: { right: 0, width: "40px", top: 0, height: "40px" },
        }),
        stone("shows", { alt: "A float", place: { right: 0, width: "40px", top: "60px", height: "40px" } }),
      ],
    },
    {
      ...{ name: "end", as: "footer", paddingTop: "20vh", paddingBottom: "120vh" },
      ...{ contentWidth: "60%", contentSide: "right" },
      content: [{ text: "The mill" }, { name: "hours", text: "Open by the tide", as: "h2" }],
      layers: [],
    },
  ],
};

let served: Awaited<ReturnType<typeof serveFolder>>;
beforeAll(async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  writeFileSync(join(folder, "sea.svg"), '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  served = await serveFolder(join(folder, "site"), "default-src 'self'; script-src 'self' 'unsafe-eval'");
});
afterAll(() => served?.close());

const settled = `for (let n = 0; n < 3; n++) await new Promise(requestAnimationFrame); await new Promise((done) => setTimeout(done, 250));`;

for (const name of engineNames)
  describe(name, () => {
    test.each([
      [1000, 700],
      [390, 844],
    ])(
      "links bring layers to the middle of a screen of %i x %i, and blocks below the header",
      async (width, height) => {
        const engine = await engineOf(name);
        await engine.open(served.origin);
        await engine.resize(width, height);
        for (const layer of linked) {
          const { middle, current } = await engine.run<{ middle: number; current: string[] }>(`
          document.querySelector('header a[href="#slip/${layer}"]').click(); ${settled}
          const { top, bottom } = document.querySelector("[data-lumbit-layer=${layer === "inner" ? "group" : layer}]").getBoundingClientRect();
          return { middle: (top + bottom) / 2, current: [...document.querySelectorAll("[aria-current]")].map((link) => link.textContent) };`);
          // Nobody knows how high words are.
          expect(Math.abs(middle - height / 2), layer).toBeLessThan(layer === "words" ? 20 : 1);
          expect(current, layer).toEqual(["Slip"]);
        }
        const { top, left, right, header, ends } = await engine.run<
          Record<"top" | "left" | "right" | "header", number> & { ends: string[] }
        >(`
        document.querySelector('header a[href="#end/hours"]').click(); ${settled}
        const { top, left, right } = document.querySelector("footer h2").getBoundingClientRect();
        const header = document.querySelector("header").getBoundingClientRect().bottom;
        return { top, left, right, header, ends: [...document.querySelectorAll("header, main, footer")].map((own) => own.parentElement.localName + " " + own.localName) };`);
        // On a telephone its links stand in lines of their own.
        expect(header > 80).toBe(width < 500);
        expect(top).toBeCloseTo(header + 16, 0);
        const footer = page.scenes[2] as Scene;
        const across = contentAcross(footer, {}, { width, height });
        expect([left, right].map(Math.round)).toEqual(
          [across.left, across.left + across.width].map(Math.round),
        );
        expect(ends).toEqual(["body header", "div main", "div footer"]);
      },
    );
  });

test("a page with header and footer has landmarks, and nothing is wrong with it", async () => {
  const browser = await openChromium();
  const own = await browser.newPage();
  await own.goto(served.origin);
  expect(await accessibilityFaults(own)).toEqual([]);
  // A shape says what it shows, and leads somewhere.
  await own.getByRole("img", { name: "A float" }).waitFor();
  await own.getByRole("link", { name: "Opening hours" }).click();
  await expect.poll(() => own.evaluate("scrollY + innerHeight / 2")).toBeGreaterThan(2000);
  await own.close();
});

test("where a link leads, a layer is in the middle of the screen", () => {
  const natural = { layer: () => ({ width: 320, height: 180 }) };
  fc.assert(
    fc.property(randomScenes, randomViewport, (scenes, viewport) => {
      const shown: Page = { format: "lumbit/1", title: "t", lang: "en", scenes };
      const layout = layoutPage(shown, viewport, natural);
      for (const [index, scene] of layout.scenes.entries())
        for (const [at, { box, drift, settle, hidden, overscan, push }] of scene.layers.entries()) {
          if (hidden || overscan || push || drift.y > 0.95) continue;
          const { viewport: seen, length } = scene.passage;
          const input = { viewport: seen, scene: scene.height, top: box.top, height: box.height };
          const u = targetOf(numbers, { ...input, drift: drift.y, settle });
          const [scroll, most] = [scene.top + u, layout.scrollHeight - viewport.height];
          if (scroll < 0 || scroll > most || u <= 1e-6 - seen || u >= length - seen - 1e-6) continue;
          const pose = poseAt(layout, scroll).scenes[index]?.layers[at];
          expect((pose?.top ?? 0) + (pose?.height ?? 0) / 2).toBeCloseTo(viewport.height / 2, 4);
        }
    }),
    { numRuns: 200 },
  );
});
