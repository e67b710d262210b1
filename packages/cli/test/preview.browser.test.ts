import { spawn } from "node:child_process";
import { cpSync, readFileSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { join } from "node:path";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { program, root, temporaryFolder } from "../../../test/command.ts";

let browser: Chromium;
beforeAll(async () => {
  browser = await openChromium();
});
afterAll(() => browser?.close());

test("preview follows the page file and its pictures, and keeps the last good version while there are faults", async () => {
  const folder = temporaryFolder();
  cpSync(join(root, "packages/cli/starter"), folder, { recursive: true });
  const pageFile = join(folder, "page.json");
  const good = readFileSync(pageFile, "utf8");
  const preview = spawn(process.execPath, [program, "preview", pageFile, "--port", "0"], {
    env: { ...process.env, NO_COLOR: "1", FORCE_COLOR: undefined },
  });
  let terminal = "";
  preview.stdout.on("data", (data) => (terminal += data));
  preview.stderr.on("data", (data) => (terminal += data));
  await expect.poll(() => terminal, { timeout: 10_000 }).toMatch(/http:\/\/127\.0\.0\.1:\d+\//);
  const url = String(/http:\S+/.exec(terminal)?.[0]);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const problems: string[] = [];
  page.on("console", (message) => message.type() === "error" && problems.push(message.text()));
  await page.goto(url);
  const title = page.locator("[data-lumbit-layer=title]");
  expect(await title.textContent()).toBe("Low water");
  await page.waitForTimeout(300);

  // A change of the page file shows within a second of it, on a machine that is not busy with something else.
  const delays: number[] = [];
  for (const words of ["Slack water", "Spring tide", "Low tide"]) {
    writeFileSync(pageFile, good.replaceAll("Low water", words));
    const changed = performance.now();
    await expect.poll(() => title.textContent(), { timeout: 5000, interval: 20 }).toBe(words);
    delays.push(performance.now() - changed);
    await page.waitForTimeout(300);
  }
  expect(Math.min(...delays)).toBeLessThan(1000);

  // Faults show in the page and in the terminal; the page stays.
  writeFileSync(pageFile, good.replace('"depth": 5', '"deph": 5'));
  const alert = page.getByRole("alert");
  await alert.waitFor();
  expect(await alert.textContent()).toContain('unknown key "deph", did you mean "depth"?');
  expect(terminal).toContain('unknown key "deph"');
  expect(await title.textContent()).toBe("Low tide");

  // Mended, the faults go and the new version comes.
  writeFileSync(pageFile, good);
  await expect.poll(() => title.textContent(), { timeout: 5000 }).toBe("Low water");
  expect(await alert.count()).toBe(0);

  // A changed picture is a new version too.
  const before = await page.locator("[data-lumbit-layer=sky]").getAttribute("src");
  const sky = join(folder, "art/sky.svg");
  writeFileSync(sky, readFileSync(sky, "utf8").replace("#fff8e6", "#ff0000"));
  await expect
    .poll(() => page.locator("[data-lumbit-layer=sky]").getAttribute("src"), { timeout: 5000 })
    .not.toBe(before);

  // The page works under the strict policy it is served with, and strangers are turned away.
  expect(problems).toEqual([]);
  expect(await status(url, "127.0.0.1")).toBe(200);
  expect(await status(url, "evil.example")).toBe(403);
  expect(await status(`${url}..%2f..%2fetc%2fpasswd`, "127.0.0.1")).toBe(404);

  const ended = new Promise((resolve) => preview.once("exit", resolve));
  preview.kill("SIGINT");
  expect(await ended).toBe(0);
});

const status = (url: string, host: string) =>
  new Promise((resolve, reject) => {
    request(url, { headers: { host } }, (response) => resolve(response.resume().statusCode))
      .on("error", reject)
      .end();
  });
