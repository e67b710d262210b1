import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { afterAll, beforeAll, expect, test } from "vitest";
import { accessibilityFaults, type Chromium, openChromium } from "./chromium.ts";
import { lumbit, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

const place = { left: "10%", top: "20%", width: "80%", height: "60%" };
const words = (name: string, text: string) => ({ name, text, fontSize: "24px" });
const shown = { shape: "rectangle", background: "#0a4a52" };
/** Every kind of layer, as a link. */
const linked: readonly { name: string; says: string; layer: object }[] = [
  { name: "picture", says: "The sound", layer: { image: "sea.svg", alt: "The sound", place } },
  { name: "text", says: "Walk down", layer: words("text", "Walk down") },
  { name: "shape", says: "Opening hours", layer: { ...shown, alt: "Opening hours", place } },
  {
    name: "group",
    says: "When to come",
    layer: { layers: [{ ...shown, name: "panel" }, words("when", "When to come")] },
  },
  { name: "markup", says: "The way here", layer: { markup: "sea.svg", alt: "The way here", place } },
  {
    name: "reel",
    says: "Five tanks All of them",
    layer: {
      ...{ reel: { width: "60%" }, place },
      layers: [
        { name: "first", layers: [words("five", "Five tanks")] },
        { name: "last", layers: [words("all", "All of them")] },
      ],
    },
  },
];
const scenes = [
  ...linked.map(({ name, layer }) => ({
    ...{ name: `of-${name}`, height: "100vh" },
    ...(name === "reel" && { hold: "80vh" }),
    layers: [{ ...layer, name, depth: 0.2, href: "#end" }],
  })),
  {
    ...{ name: "slides", height: "100vh", hold: "80vh" },
    layers: [
      {
        ...{ name: "strip", reel: { width: "60%" }, place },
        layers: ["Ebb", "Flow"].map((tide) => ({
          ...{ name: tide.toLowerCase(), href: "#end" },
          layers: [words(`${tide.toLowerCase()}-words`, tide)],
        })),
      },
    ],
  },
  { name: "end", height: "100vh", layers: [{ name: "title", text: "Here it is", as: "h1" }] },
];

let browser: Chromium;
let served: Awaited<ReturnType<typeof serveFolder>>;
beforeAll(async () => {
  const folder = temporaryFolder();
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30" width="40" height="30"><path fill="#0a6" d="M0 0h40v30H0z"/></svg>`;
  writeFileSync(join(folder, "sea.svg"), drawing);
  const page = {
    ...{ format: "lumbit/1", title: "Tidehouse", lang: "en" },
    ...{ page: { background: "#0b2a30", color: "#eef4ee" }, scenes },
  };
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  expect(await lumbit(["build", "page.json", "-o", "site"], folder)).toMatchObject({ status: 0, stderr: "" });
  served = await serveFolder(join(folder, "site"));
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  await served?.close();
});

test.each([...linked, { name: "slides", says: "Ebb" }])(
  "a layer that is a link leads there: $name",
  async ({ name, says }) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(served.origin);
    const scene = name === "slides" ? name : `of-${name}`;
    await page.evaluate((scene) => document.getElementById(scene)?.scrollIntoView(), scene);
    await page.getByRole("link", { name: says, exact: true }).click();
    await expect.poll(() => page.url()).toMatch(/#end$/);
    await page.close();
  },
);

test("links around anything are right to those who listen", async () => {
  const page = await browser.newPage();
  await page.goto(served.origin);
  expect(await accessibilityFaults(page)).toEqual([]);
  await page.close();
});
