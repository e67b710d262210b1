import { execFileSync, spawn } from "node:child_process";
import { mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { accessibilityFaults } from "../../../test/chromium.ts";
import { program } from "../../../test/command.ts";
import { startComposer } from "../../cli/src/compose/compose.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** What goes wrong around the composer, and what those need who use it otherwise. */
const composer = composed();
const { card, layer } = composer;
const status = () => composer.page.getByRole("status").textContent();
const deeper = async () => {
  await card("snow").click();
  await composer.page.keyboard.press("Shift+ArrowRight");
  await composer.page.getByRole("button", { name: "Undo snow: depth" }).waitFor();
};
const depth = () => layer("snow")?.depth;
/** Puts a folder where the page file is, so that nothing can be written; what comes back is put there instead. */
const outOfReach = () => {
  const text = composer.text();
  rmSync(composer.file);
  mkdirSync(composer.file);
  return (change: (text: string) => string) => {
    rmSync(composer.file, { recursive: true });
    writeFileSync(composer.file, change(text));
  };
};

test("while the server is gone nothing is lost: what was done is written when it is back", async () => {
  const { page } = composer;
  const before = depth();
  const { port, hash } = new URL(composer.url);
  // It stops, as with Ctrl+C, and is started anew.
  await composer.stop();
  await deeper();
  await poll(status).toContain("does not answer");
  expect(depth()).toBe(before);
  const again = await startComposer(composer.file, Number(port));
  try {
    // The token is another one: the window says so, and keeps what was done.
    await poll(status).toContain("not saved");
    await page.goto(again.url);
    await page.reload();
    await stagesShow(composer);
    expect(new URL(again.url).hash).not.toBe(hash);
    await poll(depth).not.toBe(before);
  } finally {
    await again.close();
  }
});

test("nothing that the composer does is refused by its own policy", async () => {
  const { page } = composer;
  await page.addInitScript(() => {
    const refused: string[] = [];
    Object.assign(window, { refused });
    addEventListener("securitypolicyviolation", ({ effectiveDirective, blockedURI }) =>
      refused.push(`${effectiveDirective} ${blockedURI}`),
    );
  });
  await page.reload();
  await stagesShow(composer);
  await deeper();
  expect(await page.evaluate("refused")).toEqual([]);
});

test("a page file that became a folder costs nothing: what was done is written when it can be", async () => {
  const before = composer.text();
  const theirs = outOfReach();
  await deeper();
  await poll(status).toContain("not saved");
  theirs((text) => text);
  await composer.saved();
  expect(composer.text()).not.toBe(before);
});

test("a disk that is full half-way through a file leaves the file as it was, and has room again", async () => {
  const { page } = composer;
  const before = composer.text();
  // No file of the command may grow longer than this from here on: writing stops in the middle.
  const lumbit = spawn(process.execPath, [program, "compose", composer.file, "--no-open", "--port", "0"]);
  const room = (bytes: string) => execFileSync("prlimit", ["--pid", String(lumbit.pid), `--fsize=${bytes}`]);
  try {
    const url = await new Promise<string>((found) =>
      lumbit.stdout.on("data", (said) => {
        const [address] = /http:\S+/.exec(String(said)) ?? [];
        if (address) found(address);
      }),
    );
    room("8192:unlimited");
    await page.goto(url);
    await stagesShow(composer);
    await deeper();
    await poll(status).toContain("the disk is full");
    expect(composer.text()).toBe(before);
    expect(readdirSync(dirname(composer.file)).filter((name) => name.includes("lumbit"))).toEqual([]);
    room("unlimited:unlimited");
    await composer.saved();
    expect(composer.text()).not.toBe(before);
  } finally {
    lumbit.kill();
  }
});

test("where another program has changed the file too, what is wanted of both is chosen piece by piece", async () => {
  const { page } = composer;
  const theirs = outOfReach();
  await deeper();
  const mine = String(await card("snow").getAttribute("aria-label"));
  await card("mid-kelp").click();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Undo mid-kelp: depth" }).waitFor();
  theirs((text) =>
    text
      .replace(/("name": "snow",[^}]*?"depth": )[\d.]+/, "$19")
      .replace(/"title": "[^"]*"/, '"title": "High tide"'),
  );
  await page.getByRole("button", { name: "Piece by piece" }).click();
  const piece = page.getByRole("radiogroup", { name: "descent, snow: depth" });
  await piece.getByText("there: 9").click();
  expect(await accessibilityFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Take these" }).click();
  await composer.saved();
  expect(depth()).toBe(9);
  expect(layer("mid-kelp")?.depth).not.toBe(0.45);
  expect(composer.onDisk().title).toBe("High tide");
  await page.getByRole("button", { name: "Undo two versions as one" }).click();
  await page.getByRole("button", { name: "Undo changed by another program" }).click();
  await poll(() => card("snow").getAttribute("aria-label")).toBe(mine);
});

test("a picture that vanishes leaves the others, and the page says which is missing", async () => {
  rmSync(join(dirname(composer.file), "art/snow.webp"));
  await poll(() => composer.page.getByRole("alert").allTextContents()).toContainEqual(
    expect.stringContaining("art/snow.webp"),
  );
  await card("title").click();
  await composer.page.keyboard.press("ArrowLeft");
  await composer.saved();
});

test("the main path by keyboard alone: a layer is chosen, brought deeper, moved, hidden and shown", async () => {
  const { page } = composer;
  /** Goes on with Tab until something has the focus. */
  const tabTo = async (label: RegExp) => {
    for (let step = 0; step < 60; step++) {
      const now = await page.evaluate(() => {
        const { ariaLabel, textContent } = document.activeElement as HTMLElement;
        return ariaLabel ?? textContent ?? "";
      });
      if (label.test(now)) return;
      await page.keyboard.press("Tab");
    }
    throw new Error(`nothing that is ${label} can be reached`);
  };
  await page.evaluate(() => (document.activeElement as HTMLElement)?.blur());
  await tabTo(/^near-kelp-right/);
  await page.keyboard.press("ArrowDown");
  const name = async () =>
    String(await page.getByRole("complementary").getByRole("heading").first().textContent());
  await poll(name).toBe("near-kelp-left");
  const before = layer("near-kelp-left");
  await page.keyboard.press("ArrowRight");
  await poll(() => layer("near-kelp-left")?.depth).not.toBe(before?.depth);
  await tabTo(/^More/);
  await page.keyboard.press("Enter");
  await page.keyboard.press("h");
  await page.keyboard.press("Enter");
  await poll(() => layer("near-kelp-left")?.hidden).toBe(true);
  await page.keyboard.press("Control+z");
  await poll(() => layer("near-kelp-left")?.hidden).toBe(undefined);
  await page.evaluate(() => (document.activeElement as HTMLElement)?.blur());
  await tabTo(/^Layers on the laptop/);
  await page.keyboard.press("Shift+ArrowDown");
  await poll(() => layer("near-kelp-left")?.place).not.toEqual(before?.place);
});

test("axe finds nothing at 200 %, with a scene, a page, a menu and the text open", async () => {
  const { page } = composer;
  await page.setViewportSize({ width: 640, height: 400 });
  expect(await accessibilityFaults(page)).toEqual([]);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole("complementary").getByRole("button", { name: "page", exact: true }).click();
  expect(await accessibilityFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Text", exact: true }).click();
  await page.getByRole("textbox", { name: /^Text of/ }).waitFor();
  expect(await accessibilityFaults(page)).toEqual([]);
});
