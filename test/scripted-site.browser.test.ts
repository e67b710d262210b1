import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "./command.ts";
import { type Engine, engineOf, launchFirefox } from "./engines.ts";
import { serveFolder } from "./serve.ts";

test("a site moves where the standard is missing, and loads no driver where it is not", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine"], folder);
  const { stdout } = await lumbit(["build", "mine/page.json", "-o", "site"], folder);
  expect(stdout).toMatch(
    /9 files, \d+ kB, \d+ bytes of script that only browsers without scroll-driven animations load/,
  );
  const { origin, asked, close } = await serveFolder(join(folder, "site"));
  /** How far the title has moved on the screen after 300 px of scroll. */
  const moved = async (engine: Engine) => {
    await engine.resize(1000, 800);
    await engine.open(`${origin}/`);
    const top = `document.querySelector("[data-lumbit-layer=title]").getBoundingClientRect().top`;
    return engine.run<number>(`await new Promise((done) => setTimeout(done, 300)); const before = ${top}; scrollTo({ top: 300, behavior: "instant" });
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))); return ${top} - before;`);
  };
  const isDriver = (path: string) => path.startsWith("/scripted.");
  const old = await launchFirefox(false);
  try {
    expect(await moved(old)).toBeCloseTo(-300 / 4, 0);
    expect(asked.filter(isDriver)).toHaveLength(1);
  } finally {
    await old.close();
  }
  asked.length = 0;
  expect(await moved(await engineOf("chromium"))).toBeCloseTo(-300 / 4, 0);
  expect(asked.filter(isDriver)).toEqual([]);
  close();
});

test("pictures at the horizon are fixed without the standard and without the script, which says what stands still", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine"], folder);
  const file = join(folder, "mine/page.json");
  const page = JSON.parse(readFileSync(file, "utf8"));
  const image = page.scenes
    .flatMap(({ layers }: { layers: { image?: string }[] }) => layers)
    .find(({ image }: { image?: string }) => image).image;
  const fixed = (name: string) => ({
    ...{ name, height: "150vh" },
    layers: [
      { name: `${name}-sky`, image, alt: "", depth: "horizon" },
      { name: `${name}-title`, text: name, depth: 1 },
    ],
  });
  writeFileSync(file, JSON.stringify({ ...page, scenes: [fixed("one"), fixed("two")] }));
  const { stdout } = await lumbit(["build", "mine/page.json", "-o", "site", "--no-script"], folder);
  expect(stdout).toMatch(
    /, no script\nwithout the script the layers of one, two stand still, pictures at the horizon apart/,
  );
  const { origin, close } = await serveFolder(join(folder, "site"));
  const old = await launchFirefox(false);
  try {
    await old.resize(1000, 800);
    await old.open(`${origin}/`);
    const tops = await old.run<number[]>(`const tops = []; for (const y of [0, 150, 300]) {
      scrollTo({ top: y, behavior: "instant" }); await new Promise((done) => setTimeout(done, 100));
      tops.push(document.querySelector("[data-lumbit-layer=one-sky]").getBoundingClientRect().top); } return tops;`);
    expect(tops[1]).toBeCloseTo(tops[0] as number, 1);
    expect(tops[2]).toBeCloseTo(tops[0] as number, 1);
  } finally {
    await old.close();
    close();
  }
});
