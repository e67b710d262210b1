import { cpSync, existsSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import sharp from "sharp";
import { expect, test } from "vitest";
import { launchChromium } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";

const folder = temporaryFolder();
cpSync(join(root, "test/faults"), folder, { recursive: true });
lumbit(["new", "mine"], folder);

test("draws the page where its browser shows it, in one file that asks for nothing", async () => {
  const { stdout, stderr } = lumbit(
    ["proof", "mine/page.json", "-o", "proof.html", "--scene", "low-water", "--viewport", "1280x800"],
    folder,
  );
  expect(stderr).toBe("");
  expect(stdout).toMatch(/proof\.html: 1 screens?, 5 moments, \d+ kB/);
  const { scenes } = JSON.parse(
    lumbit(["measure", "mine/page.json", "--viewport", "1280x800", "--scroll", "220", "--json"], folder)
      .stdout,
  );
  const title = scenes[0].layers.find(({ name }: { name: string }) => name === "title");
  const browser = await launchChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1800, height: 900 }, javaScriptEnabled: true });
    const asked: string[] = [];
    page.on("request", (request) => asked.push(request.url()));
    await page.goto(pathToFileURL(join(folder, "proof.html")).href);
    expect(asked.filter((url) => !/^(data|file):/.test(url))).toEqual([]);
    expect(await page.locator("script").count()).toBe(0);
    // The second of five moments in the 880 px that can be scrolled.
    const cell = page.locator(".cell").nth(1);
    expect(await page.locator("figcaption").nth(1).textContent()).toBe("scroll 220");
    const [around, drawn] = await Promise.all([
      cell.boundingBox(),
      cell.getByText("Low water").boundingBox(),
    ]);
    const scale = (around?.width ?? 0) / 1280;
    expect(((drawn?.y ?? 0) - (around?.y ?? 0)) / scale).toBeCloseTo(title.top, -0.5);
    expect((drawn?.height ?? 0) / scale).toBeCloseTo(title.height, -0.5);
  } finally {
    await browser.close();
  }
});

test("marks what was found in the pictures, and lists it", () => {
  lumbit(["proof", "contrast.json", "-o", "marked.html", "--viewport", "1280x800"], folder);
  const html = readFileSync(join(folder, "marked.html"), "utf8");
  expect(html.match(/class="mark"/g)?.length).toBeGreaterThan(0);
  expect(html).toContain("<b>sea / title</b> contrast (error): contrast 1.4 at scroll 0, 3 is needed");
});

test("a picture and a document are made by an installed browser", async () => {
  const args = ["proof", "room.json", "--viewport", "390x844", "--viewport", "1280x800"];
  expect(lumbit([...args, "-o", "sheet.png"], folder).stderr).toBe("");
  const { width = 0, height = 0 } = await sharp(join(folder, "sheet.png")).metadata();
  expect([width > 1000, height > 700]).toEqual([true, true]);
  expect(lumbit([...args, "-o", "sheet.pdf"], folder).stderr).toBe("");
  expect(readFileSync(join(folder, "sheet.pdf")).subarray(0, 5).toString()).toBe("%PDF-");
});

test("text is text, whatever it says", () => {
  const page = JSON.parse(readFileSync(join(folder, "faint.json"), "utf8"));
  page.title = "</style><script>alert(1)</script>";
  page.scenes[0].layers[0].text = '<img src=x onerror="alert(1)">';
  writeFileSync(join(folder, "hostile.json"), JSON.stringify(page));
  lumbit(["proof", "hostile.json", "-o", "hostile.html", "--viewport", "390x844"], folder);
  const html = readFileSync(join(folder, "hostile.html"), "utf8");
  expect(html).not.toMatch(/<script|<img/);
});

test("replaces no file unless told, and leaves none half-written", () => {
  writeFileSync(join(folder, "kept.html"), "mine");
  const kept = lumbit(["proof", "room.json", "-o", "kept.html"], folder);
  expect(kept).toMatchObject({ status: 2, stdout: "" });
  expect(kept.stderr).toMatch(/is there already/);
  expect(readFileSync(join(folder, "kept.html"), "utf8")).toBe("mine");
  lumbit(["proof", "room.json", "-o", "kept.html", "--force", "--viewport", "390x844"], folder);
  expect(statSync(join(folder, "kept.html")).size).toBeGreaterThan(1000);
  for (const [args, message] of [
    [["-o", "sheet.gif"], /end its name with \.html, \.png or \.pdf/],
    [["-o", "none.html", "--scene", "reef"], /there is no scene "reef"; the page has sea/],
    [["-o", "none.html", "--viewport", "0x0"], /each from 1 to 20000/],
  ] as const) {
    const { status, stderr } = lumbit(["proof", "room.json", ...args], folder);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  }
  expect(existsSync(join(folder, "none.html"))).toBe(false);
});
