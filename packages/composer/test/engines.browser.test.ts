import { readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { root, temporaryFolder } from "../../../test/command.ts";
import { drawnEngineOf, type Engine, engineOf, launchFirefox } from "../../../test/engines.ts";
import { serveFolder } from "../../../test/serve.ts";
import { startComposer } from "../../cli/src/compose/compose.ts";
import { demo } from "./compose.ts";

/** The main path in the other engines, by keys: a layer is chosen, brought nearer, moved on a stage, and all undone. */
const helpers = `
const until = async (found, what) => {
  for (let tries = 0; tries < 300; tries++) {
    const value = found();
    if (value) return value;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error(what + " did not come");
};
const card = () => document.querySelector('[role="option"][data-key="school"]');
const press = (element, key, more = {}) =>
  element.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true, ...more }));
const button = (start) => [...document.querySelectorAll("button")].find(({ textContent }) => textContent.startsWith(start));
const saved = () => until(() => document.querySelector("[role=status]").textContent === "saved", "saving");
`;

async function compose(engine: Engine, between: (depth: number) => void): Promise<void> {
  const label = await engine.run<string>(`${helpers}
    (await until(card, "the section")).click();
    // What is selected is outlined as soon as a stage has said how the page stands on it.
    await until(() => document.querySelector(".large .outline"), "the stage");
    press(card(), "ArrowLeft", { shiftKey: true });
    await until(() => button("Undo school: depth"), "the depth");
    await saved();
    return card().getAttribute("aria-label");
  `);
  const [, depth] = /^school, ([\d.]+) deep$/.exec(label) ?? [];
  expect(Number(depth), label).toBeLessThan(2.6);
  between(Number(depth));
  const moved = await engine.run<number>(`${helpers}
    const outline = () => Number.parseFloat(document.querySelector(".large .outline").style.top);
    await new Promise((done) => setTimeout(done, 1000));
    const from = outline();
    press(document.querySelector(".large .overlay"), "ArrowDown", { shiftKey: true });
    await until(() => button("Undo school: place"), "the place");
    await saved();
    await until(() => outline() !== from, "the outline");
    const scale = document.querySelector(".large .screen").clientWidth / 1280;
    return (outline() - from) / scale;
  `);
  expect(moved).toBeCloseTo(10, 0);
  const again = await engine.run<string>(`${helpers}
    press(document.body, "z", { ctrlKey: true });
    press(document.body, "z", { ctrlKey: true });
    await until(() => card().getAttribute("aria-label") === "school, 2.60 deep", "the first depth");
    await saved();
    return card().getAttribute("aria-label");
  `);
  expect(again).toBe("school, 2.60 deep");
}

test("a page of a folder is composed in Firefox", async () => {
  const file = await demo(temporaryFolder());
  const before = readFileSync(file, "utf8");
  const served = await startComposer(file, 0);
  const engine = await engineOf("firefox");
  try {
    await engine.resize(1280, 800);
    await engine.open(served.url);
    await compose(engine, (depth) => {
      const [scene] = JSON.parse(readFileSync(file, "utf8")).scenes;
      expect(scene.layers.find(({ name }: { name: string }) => name === "school").depth).toBe(depth);
    });
    await expect.poll(() => readFileSync(file, "utf8"), { timeout: 10_000 }).toBe(before);
  } finally {
    await engine.open("about:blank");
    await served.close();
  }
});

test.each(["webkit", "firefox"] as const)(
  "a page in the browser's own storage is composed and judged in %s",
  async (name) => {
    // The engine's driver evaluates what the test says; to a stage nothing is the engine's own.
    const policy = "default-src http: 'unsafe-inline' 'unsafe-eval' blob:";
    const served = await serveFolder(join(root, "packages/composer/dist"), policy);
    const engine = await drawnEngineOf(name);
    try {
      await engine.open(`${served.origin}/`);
      await engine.resize(1280, 800);
      // What nobody sees is held back, and never told of its size.
      if (name === "webkit")
        await engine.run("parent.document.querySelector('iframe').style.visibility = 'visible'");
      await engine.run(
        `${helpers} (await until(() => button("A copy of the demo"), "the beginning")).click();`,
      );
      await compose(engine, () => {});
      const found = await engine.run<string[]>(`${helpers}
        const counts = () => [...document.querySelectorAll(".count")].map(({ textContent }) => textContent);
        await until(() => counts().length > 0 && counts().every((count) => count.includes("finding")), "judging");
        return counts();
      `);
      expect(found).toEqual(["0 findings", "0 findings"]);
    } finally {
      await engine.open("about:blank");
      served.close();
    }
  },
);

test("where scripts move the layers, stages follow a depth without a scroll", async () => {
  const served = await startComposer(await demo(temporaryFolder()), 0);
  const old = await launchFirefox(false);
  const select = `(await until(card, "the section")).click();
    await until(() => document.querySelector(".large .outline"), "the stage");`;
  /** The upper half of the large stage, with nothing but the page on it. */
  const seen = async () => {
    const { left, top, width, height } = await old.run<DOMRect>(`${helpers}
      press(document.querySelector(".large .overlay"), "Escape");
      await until(() => !document.querySelector(".large .outline"), "the end of the outline");
      await new Promise((done) => setTimeout(done, 1500));
      return document.querySelector(".large .screen").getBoundingClientRect().toJSON();
    `);
    return sharp(await old.screenshot())
      .extract({
        ...{ left: Math.ceil(left), top: Math.ceil(top) },
        ...{ width: Math.floor(width) - 1, height: Math.floor(height / 2) },
      })
      .removeAlpha()
      .raw()
      .toBuffer();
  };
  const differing = (a: Buffer, b: Buffer) =>
    a.filter((value, index) => Math.abs(value - (b[index] ?? 0)) > 16).length;
  try {
    await old.resize(1280, 800);
    await old.open(served.url);
    await old.run(`${helpers} ${select}`);
    const before = await seen();
    await old.run(`${helpers} ${select}
      for (let times = 0; times < 4; times++) press(card(), "ArrowLeft", { shiftKey: true });
      await saved();
    `);
    const after = await seen();
    expect(differing(before, after)).toBeGreaterThan(1000);
    await old.open("about:blank");
    await old.open(served.url);
    await old.run(`${helpers} ${select}`);
    expect(differing(after, await seen())).toBeLessThan(100);
  } finally {
    await old.close();
    await served.close();
  }
});
