import { join } from "node:path";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "./command.ts";
import { type Engine, engineOf, launchFirefox } from "./engines.ts";
import { serveFolder } from "./serve.ts";

test("a site built with --scripted moves where the standard is missing, and loads no driver where it is not", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine"], folder);
  const { stdout } = await lumbit(["build", "mine/page.json", "-o", "site", "--scripted"], folder);
  expect(stdout).toMatch(/9 files, \d+ kB, \d+ bytes of script, nearly all for browsers that need it/);
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
