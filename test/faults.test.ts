import { cpSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { launchChromium, scrollPage } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

/** Small pages with one planted fault each, and their mended twins beside them. */
const names = readdirSync(join(root, "test/faults"))
  .filter((name) => !name.includes(".mended"))
  .map((name) => name.replace(".json", ""));
const ruleOf = (name: string) => name.replace(/-.*/, "");

const folder = temporaryFolder();
interface Found {
  findings: {
    rule: string;
    severity: string;
    places: { viewport: string; from: number; to: number }[];
    change?: { op: string; path: string }[];
  }[];
}
const check = (name: string, ...more: string[]) => {
  const { stdout, stderr, status } = lumbit(["check", `${name}.json`, "--json", ...more], folder);
  return { status, stderr, ...(JSON.parse(stdout) as Found) };
};

beforeAll(async () => {
  cpSync(join(root, "test/faults"), folder, { recursive: true });
  const draw = (name: string, width: number, height: number, shapes: string) =>
    sharp(
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${shapes}</svg>`,
      ),
    )
      .png()
      .toFile(join(folder, name));
  const stripes = (width: number, height: number) =>
    `<rect width="100%" height="100%" fill="#0b5a5f"/><g stroke="#d9efe6">${Array.from({ length: width / 8 }, (_, index) => `<path d="M${index * 8} 0V${height}"/>`).join("")}</g>`;
  await draw(
    "reef.png",
    1600,
    500,
    '<path d="M0 500V260Q200 120 420 250T860 210T1260 260T1600 180V500Z" fill="#0b5a5f"/>',
  );
  await draw("plate.png", 320, 240, stripes(320, 240));
  await draw("plate@large.png", 2400, 1800, stripes(2400, 1800));
  const noise = (size: number) =>
    sharp({
      create: {
        width: size,
        height: size,
        channels: 3,
        background: "#000",
        noise: { type: "gaussian", mean: 120, sigma: 40 },
      },
    }).png();
  await noise(900).toFile(join(folder, "noise.png"));
  await noise(400).toFile(join(folder, "noise@small.png"));
  const bands = Array.from(
    { length: 33 },
    (_, index) => `<rect x="${80 * index}" width="40" height="1600"/>`,
  );
  await draw(
    "bands.png",
    2600,
    1600,
    `<rect width="100%" height="100%" fill="#06202b"/><g fill="#dff0e8">${bands.join("")}</g>`,
  );
  await draw("water.png", 2600, 1600, '<rect width="100%" height="100%" fill="#0e6a70"/>');
});

describe.each(names)("a page with a fault of %s", (name) => {
  test("has that fault and no other", () => {
    const { findings, status, stderr } = check(name);
    expect(stderr).toBe("");
    expect(findings.map(({ rule }) => rule)).toEqual([ruleOf(name)]);
    expect(status).toBe(1);
    expect(findings[0]?.change).toBeDefined();
  });

  test("is its mended twin after --fix, without any", () => {
    const { findings, status } = check(name, "--fix");
    expect(findings).toEqual([]);
    expect(status).toBe(0);
    const [mended, twin] = [join(folder, `${name}.json`), join(root, `test/faults/${name}.mended.json`)];
    expect(JSON.parse(readFileSync(mended, "utf8"))).toEqual(JSON.parse(readFileSync(twin, "utf8")));
  });
});

describe("the browser shows that the fault is gone", () => {
  let browser: Awaited<ReturnType<typeof launchChromium>>;
  beforeAll(async () => {
    browser = await launchChromium();
  });
  afterAll(async () => {
    await browser?.close();
  });

  /** What a page shows in the browser, before and after `--fix`. */
  async function seen<T>(
    name: string,
    options: NonNullable<Parameters<typeof browser.newPage>[0]>,
    look: (page: Page) => Promise<T>,
  ): Promise<[broken: T, mended: T]> {
    const results: T[] = [];
    for (const version of ["broken", "mended"]) {
      const copy = `${version}-${name}`;
      cpSync(join(root, `test/faults/${name}.json`), join(folder, `${copy}.json`));
      if (version === "mended") check(copy, "--fix");
      lumbit(["build", `${copy}.json`, "-o", `site-${copy}`], folder);
      const { origin, close } = await serveFolder(join(folder, `site-${copy}`));
      const page = await browser.newPage(options);
      await page.goto(`${origin}/`);
      results.push(await look(page));
      await page.close();
      close();
      rmSync(join(folder, `site-${copy}`), { recursive: true });
    }
    return results as [T, T];
  }
  /** The pixels of a page at scroll positions. */
  const shots = (name: string, viewport: { width: number; height: number }, scrolls: number[]) =>
    seen(name, { viewport }, async (page) => {
      const taken: Buffer[] = [];
      for (const scroll of scrolls) {
        await scrollPage(page, scroll);
        await page.waitForTimeout(100);
        taken.push(
          await sharp(await page.screenshot())
            .removeAlpha()
            .raw()
            .toBuffer(),
        );
      }
      return taken;
    });

  test("no ground shows below the reef", async () => {
    const viewport = { width: 1280, height: 800 };
    const ground = [6, 32, 43];
    // Rows just above the scene's end, 1280 px down the page, where the page beneath would show through.
    const bare = (pixels: Buffer, row: number) =>
      Array.from({ length: 1280 }, (_, x) => 3 * (row * 1280 + x)).filter((at) =>
        ground.every((value, index) => Math.abs((pixels[at + index] ?? 0) - value) < 3),
      ).length;
    const [broken, mended] = await shots("edge", viewport, [490, 560]);
    const rows = [788, 718] as const;
    const most = (taken: Buffer[]) =>
      Math.max(...taken.map((pixels, index) => bare(pixels, rows[index] ?? 0)));
    expect(most(broken)).toBeGreaterThan(1000);
    expect(most(mended)).toBeLessThan(10);
  });

  test("the words end before the side of the screen", async () => {
    const viewport = { width: 320, height: 568 };
    const [broken, mended] = await seen("overflow", { viewport }, async (page) => {
      const box = await page.locator("[data-lumbit-layer=words]").boundingBox();
      expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
      return (box?.x ?? 0) + (box?.width ?? 0) - 320;
    });
    expect(broken).toBeGreaterThan(100);
    expect(mended).toBeLessThan(0);
  });

  const layer = (name: string) => `[data-lumbit-layer=${name}]`;
  test.each([
    ["overlap", layer("ebb"), layer("flow"), 1],
    ["overlap-content", layer("words"), ".lumbit-content p", 1],
    ["reading-covered", layer("words"), layer("rock"), 1],
    // Of a picture what is around its subject.
    ["subject-covered", layer("plate"), layer("rock"), 0.2],
  ])("what was %s stands apart", async (name, one, other, share) => {
    for (const viewport of [
      { width: 390, height: 844 },
      { width: 1280, height: 800 },
    ]) {
      const [broken, mended] = await seen(name, { viewport, reducedMotion: "reduce" }, async (page) => {
        const [a, b] = [await page.locator(one).boundingBox(), await page.locator(other).boundingBox()];
        if (!a || !b) throw new Error("it is not there");
        const away = (at: "x" | "y", size: "width" | "height") =>
          Math.abs(a[at] + a[size] / 2 - b[at] - b[size] / 2) - (share * a[size] + b[size]) / 2;
        return Math.max(away("x", "width"), away("y", "height"));
      });
      expect(broken).toBeLessThan(0);
      expect(mended).toBeGreaterThanOrEqual(0);
    }
  });

  test("what moves as one group looks as it did", async () => {
    const [broken, mended] = await shots("weight", { width: 1280, height: 800 }, [0, 200, 600]);
    // The rims of ellipses are drawn a little otherwise in a box that moves; half a pixel would be 40 and more.
    for (const [index, pixels] of broken.entries()) {
      const off = pixels.reduce(
        (most, value, at) => Math.max(most, Math.abs(value - (mended[index]?.[at] ?? 255))),
        0,
      );
      expect(off, `moment ${index}`).toBeLessThan(24);
    }
  });

  test("words that movement alone brought in, or freed, are there for who asks for less of it", async () => {
    const options = { viewport: { width: 390, height: 844 }, reducedMotion: "reduce" } as const;
    const box = async (page: Page, name: string) => {
      const found = await page.locator(name).boundingBox();
      if (!found) throw new Error(`${name} is not there`);
      return found;
    };
    const inside = await seen("still", options, async (page) => {
      const [words, scene] = [await box(page, layer("words")), await box(page, "[data-lumbit-scene=sea]")];
      return scene.y + scene.height - words.y - words.height;
    });
    expect(inside[0]).toBeLessThan(0);
    expect(inside[1]).toBeGreaterThan(0);
    const free = await seen("still-covered", options, async (page) => {
      const [words, sluice] = [await box(page, layer("words")), await box(page, layer("sluice"))];
      return words.y - sluice.y - sluice.height;
    });
    expect(free[0]).toBeLessThan(0);
    expect(free[1]).toBeGreaterThan(0);
  });

  const luminance = (r: number, g: number, b: number) => {
    const linear = (value: number) =>
      value <= 0.04045 * 255 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
    return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
  };
  /** The luminances of all pixels in a part of a screen that is 1280 px wide, from dark to bright. */
  const luminances = (
    pixels: Buffer | undefined,
    { left, top, right, bottom }: Record<"left" | "top" | "right" | "bottom", number>,
  ) => {
    const values: number[] = [];
    for (let y = top; y < bottom; y++)
      for (let x = left; x < right; x++) {
        const at = 3 * (y * 1280 + x);
        values.push(luminance(pixels?.[at] ?? 0, pixels?.[at + 1] ?? 0, pixels?.[at + 2] ?? 0));
      }
    return values.sort((a, b) => a - b);
  };
  const contrast = (dark = 0, bright = 0) => (bright + 0.05) / (dark + 0.05);

  test("the title stands out, by the pixels of the screen", async () => {
    const [broken, mended] = await shots("contrast", { width: 1280, height: 800 }, [0]);
    const ofTitle = ([pixels]: Buffer[]) => {
      const values = luminances(pixels, { left: 400, top: 80, right: 880, bottom: 145 });
      return contrast(values[0], values.at(-1));
    };
    expect(ofTitle(broken)).toBeLessThan(2);
    expect(ofTitle(mended)).toBeGreaterThanOrEqual(3);
  });

  test("words on light and dark bands stand out of both, by the pixels of the screen", async () => {
    const [broken, mended] = await shots("contrast-shade", { width: 1280, height: 800 }, [0]);
    // The letters, on both bands, against the brightest that is around them.
    const ofWords = ([pixels]: Buffer[]) => {
      const letters = luminances(pixels, { left: 256, top: 240, right: 600, bottom: 266 }).at(-1);
      return contrast(luminances(pixels, { left: 256, top: 300, right: 600, bottom: 326 }).at(-1), letters);
    };
    expect(ofWords(broken)).toBeLessThan(1.5);
    expect(ofWords(mended)).toBeGreaterThanOrEqual(4.5);
  });
});

describe("lumbit check", () => {
  test("finds nothing in the demo, and silences nothing there", () => {
    const { stdout, status } = lumbit(["check", join(root, "examples/tidehouse/page.json")], folder);
    expect(stdout).toContain("nothing found on 8 screens");
    expect(status).toBe(0);
    expect(readFileSync(join(root, "examples/tidehouse/page.json"), "utf8")).not.toContain('"checks"');
  });

  test("tells people what, where, why and what mends it", () => {
    cpSync(join(root, "test/faults/faint.json"), join(folder, "people.json"));
    const { stdout, status } = lumbit(["check", "people.json", "--viewport", "1280x800"], folder);
    expect(status).toBe(1);
    expect(stdout).toMatch(
      /sea \/ stone {2}faint\n {2}moves 1\.7 px against its scene, less than 8\.0 px are not seen\n {2}on 1280x800 from 0 to 960 px of scroll\n/,
    );
    expect(stdout).toContain("→ remove /scenes/0/layers/1/depth");
    expect(stdout).toContain("1 note on 1 screen; --fix mends all of them");
  });

  test("mends the file as it was written, and says what it changed", () => {
    const before = readFileSync(join(root, "test/faults/strong.json"), "utf8").replaceAll("  ", "\t");
    const file = join(folder, "written.json");
    cpSync(join(root, "test/faults/strong.json"), file);
    const { stdout } = lumbit(["check", "written.json", "--fix"], folder);
    expect(stdout).toContain("set /scenes/0/layers/1/speed to 2.5\n1 change written to written.json");
    const after = readFileSync(file, "utf8");
    expect(after.replaceAll("  ", "\t")).toBe(before.replace('"speed": 4', '"speed": 2.5'));
  });

  test("makes a smaller picture beside the large one, and none over another one", async () => {
    const page = JSON.parse(readFileSync(join(root, "test/faults/wasted.json"), "utf8"));
    page.scenes[0].layers[1].place.width = "190px";
    writeFileSync(join(folder, "small.json"), JSON.stringify(page));
    const { stdout } = lumbit(["check", "small.json"], folder);
    expect(stdout).toContain("→ make noise-380.png of 380 x 380 px\n  → set /scenes/0/layers/1/image to");
    writeFileSync(join(folder, "noise-380.png"), "of the studio");
    const refused = lumbit(["check", "small.json", "--fix"], folder);
    expect(refused).toMatchObject({ status: 2, stdout: "" });
    expect(refused.stderr).toMatch(/another noise-380\.png .* nothing was written over/);
    expect(readFileSync(join(folder, "noise-380.png"), "utf8")).toBe("of the studio");
    expect(JSON.parse(readFileSync(join(folder, "small.json"), "utf8"))).toEqual(page);
    rmSync(join(folder, "noise-380.png"));
    expect(lumbit(["check", "small.json", "--fix"], folder).stdout).toContain("nothing found");
    expect(await sharp(join(folder, "noise-380.png")).metadata()).toMatchObject({ width: 380, height: 380 });
  });

  test("leaves to the designer what is another composition", () => {
    const page = JSON.parse(readFileSync(join(root, "test/faults/sharpness.json"), "utf8"));
    page.scenes[0].layers[1].place = { left: "10%", width: "80%", top: "30vh" };
    writeFileSync(join(folder, "soft.json"), JSON.stringify(page));
    expect(check("soft").findings).toMatchObject([{ rule: "sharpness" }]);
    expect(check("soft").findings[0]?.change).toBeUndefined();
  });

  test("hides nothing that some screen shows", () => {
    const page = JSON.parse(readFileSync(join(root, "test/faults/unseen.json"), "utf8"));
    page.scenes[0].layers[1].place = { left: "600px", width: "300px", top: "50vh", height: "20vh" };
    writeFileSync(join(folder, "wide.json"), JSON.stringify(page));
    const { findings } = check("wide", "--viewport", "390x844", "--viewport", "1280x800");
    expect(findings).toMatchObject([{ rule: "unseen", places: [{ viewport: "390x844" }] }]);
    expect(findings[0]?.change).toBeUndefined();
  });

  test("speaks SARIF to code hosts", () => {
    cpSync(join(root, "test/faults/alt.json"), join(folder, "host.json"));
    const { stdout } = lumbit(["check", "host.json", "--sarif"], folder);
    const { version, runs } = JSON.parse(stdout);
    expect(version).toBe("2.1.0");
    const [result] = runs[0].results;
    const text = readFileSync(join(folder, "host.json"), "utf8").split("\n");
    const { startLine } = result.locations[0].physicalLocation.region;
    expect(text[startLine - 1]).toContain('"alt": "water.png"');
    expect(result).toMatchObject({ ruleId: "alt", level: "error" });
    expect(runs[0].tool.driver.rules.map(({ id }: { id: string }) => id)).toEqual(
      expect.arrayContaining(names.map(ruleOf)),
    );
  });

  test("looks at pictures of any kind, and says which cannot be decoded", async () => {
    const plain = (width: number, height: number) =>
      sharp({ create: { width, height, channels: 3, background: "#0e6a70" } });
    await plain(1, 1).png().toFile(join(folder, "one.png"));
    await plain(20_000, 40).png().toFile(join(folder, "wide.png"));
    writeFileSync(join(folder, "other.webp"), await plain(800, 600).png().toBuffer());
    const frames = Buffer.alloc(40 * 60 * 3, 90);
    await sharp(frames, { raw: { width: 40, height: 60, channels: 3, pageHeight: 30 } })
      .gif()
      .toFile(join(folder, "moving.gif"));
    const page = (image: string) => ({
      format: "lumbit/1",
      title: "t",
      lang: "en",
      scenes: [{ name: "a", layers: [{ name: "x", image, alt: "" }] }],
    });
    const run = (image: string) => {
      writeFileSync(join(folder, "any.json"), JSON.stringify(page(image)));
      return lumbit(["check", "any.json"], folder);
    };
    for (const image of ["one.png", "wide.png", "other.webp", "moving.gif"]) {
      const { stderr, status } = run(image);
      expect(stderr, image).toBe("");
      expect(status, image).toBeLessThan(2);
    }
    const whole = await plain(800, 600).jpeg().toBuffer();
    writeFileSync(join(folder, "torn.jpg"), whole.subarray(0, whole.length / 2));
    const torn = run("torn.jpg");
    expect(torn).toMatchObject({ status: 2, stdout: "" });
    expect(torn.stderr).toMatch(/"torn\.jpg" cannot be decoded, so it will not show either; save it anew/);
    writeFileSync(join(folder, "any.json"), " ".repeat(11 * 1024 * 1024));
    const large = lumbit(["check", "any.json"], folder);
    expect(large.status).toBe(2);
    expect(large.stderr).toMatch(/larger than 10 MB/);
  });

  test.each([
    ["a viewport of 0", ["--viewport", "0x800"], /each from 1 to 20000/],
    ["no viewport", ["--viewport", "wide"], /WIDTHxHEIGHT/],
  ])("refuses %s", (_, more, message) => {
    const { status, stderr, stdout } = lumbit(["check", "faint.json", ...more], folder);
    expect({ status, stdout }).toEqual({ status: 2, stdout: "" });
    expect(stderr).toMatch(message);
  });
});
