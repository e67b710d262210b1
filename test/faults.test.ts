import { cpSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { lumbit, root } from "./command.ts";
import { faultNames, faultPages } from "./fault-pages.ts";

const ruleOf = (name: string) => name.replace(/-.*/, "");
const { folder, check } = faultPages();

describe.each(faultNames)("a page with a fault of %s", (name) => {
  test("has that fault and no other", async () => {
    const { findings, status, stderr } = await check(name);
    expect(stderr).toBe("");
    expect(findings.map(({ rule }) => rule)).toEqual([ruleOf(name)]);
    expect(status).toBe(1);
    expect(findings[0]?.change).toBeDefined();
  });

  test("is its mended twin after --fix, without any", async () => {
    const { findings, status } = await check(name, "--fix");
    expect(findings).toEqual([]);
    expect(status).toBe(0);
    const [mended, twin] = [join(folder, `${name}.json`), join(root, `test/faults/${name}.mended.json`)];
    expect(JSON.parse(readFileSync(mended, "utf8"))).toEqual(JSON.parse(readFileSync(twin, "utf8")));
  });
});

describe("lumbit check", () => {
  test("finds nothing in the demo, and silences nothing there", async () => {
    const { stdout, status } = await lumbit(["check", join(root, "examples/tidehouse/page.json")], folder);
    expect(stdout).toContain("nothing found on 8 screens");
    expect(status).toBe(0);
    expect(readFileSync(join(root, "examples/tidehouse/page.json"), "utf8")).not.toContain('"checks"');
  });

  test("tells people what, where, why and what mends it", async () => {
    cpSync(join(root, "test/faults/faint.json"), join(folder, "people.json"));
    const { stdout, status } = await lumbit(["check", "people.json", "--viewport", "1280x800"], folder);
    expect(status).toBe(1);
    expect(stdout).toMatch(
      /sea \/ stone {2}faint\n {2}moves 1\.7 px against its scene, less than 8\.0 px are not seen\n {2}on 1280x800 from 0 to 960 px of scroll\n/,
    );
    expect(stdout).toContain("→ remove /scenes/0/layers/1/depth");
    expect(stdout).toContain("1 note on 1 screen; --fix mends all of them");
  });

  test("mends the file as it was written, and says what it changed", async () => {
    const before = readFileSync(join(root, "test/faults/strong.json"), "utf8").replaceAll("  ", "\t");
    const file = join(folder, "written.json");
    cpSync(join(root, "test/faults/strong.json"), file);
    const { stdout } = await lumbit(["check", "written.json", "--fix"], folder);
    expect(stdout).toContain("set /scenes/0/layers/1/speed to 2.5\n1 change written to written.json");
    const after = readFileSync(file, "utf8");
    expect(after.replaceAll("  ", "\t")).toBe(before.replace('"speed": 4', '"speed": 2.5'));
  });

  test("makes a smaller picture beside the large one, and none over another one", async () => {
    const page = JSON.parse(readFileSync(join(root, "test/faults/wasted.json"), "utf8"));
    page.scenes[0].layers[1].place.width = "190px";
    writeFileSync(join(folder, "small.json"), JSON.stringify(page));
    const { stdout } = await lumbit(["check", "small.json"], folder);
    expect(stdout).toContain("→ make noise-380.gif of 380 x 380 px\n  → set /scenes/0/layers/1/image to");
    writeFileSync(join(folder, "noise-380.gif"), "of the studio");
    const refused = await lumbit(["check", "small.json", "--fix"], folder);
    expect(refused).toMatchObject({ status: 2, stdout: "" });
    expect(refused.stderr).toMatch(/another noise-380\.gif .* nothing was written over/);
    expect(readFileSync(join(folder, "noise-380.gif"), "utf8")).toBe("of the studio");
    expect(JSON.parse(readFileSync(join(folder, "small.json"), "utf8"))).toEqual(page);
    rmSync(join(folder, "noise-380.gif"));
    expect((await lumbit(["check", "small.json", "--fix"], folder)).stdout).toContain("nothing found");
    expect(await sharp(join(folder, "noise-380.gif")).metadata()).toMatchObject({ width: 380, height: 380 });
  });

  test("leaves to the designer what is another composition", async () => {
    const page = JSON.parse(readFileSync(join(root, "test/faults/sharpness.json"), "utf8"));
    page.scenes[0].layers[1].place = { left: "10%", width: "80%", top: "30vh" };
    writeFileSync(join(folder, "soft.json"), JSON.stringify(page));
    expect((await check("soft")).findings).toMatchObject([{ rule: "sharpness" }]);
    expect((await check("soft")).findings[0]?.change).toBeUndefined();
  });

  test("hides nothing that some screen shows", async () => {
    const page = JSON.parse(readFileSync(join(root, "test/faults/unseen.json"), "utf8"));
    page.scenes[0].layers[1].place = { left: "600px", width: "300px", top: "50vh", height: "20vh" };
    writeFileSync(join(folder, "wide.json"), JSON.stringify(page));
    const { findings } = await check("wide", "--viewport", "390x844", "--viewport", "1280x800");
    expect(findings).toMatchObject([{ rule: "unseen", places: [{ viewport: "390x844" }] }]);
    expect(findings[0]?.change).toBeUndefined();
  });

  test("speaks SARIF to code hosts", async () => {
    cpSync(join(root, "test/faults/alt.json"), join(folder, "host.json"));
    const { stdout } = await lumbit(["check", "host.json", "--sarif"], folder);
    const { version, runs } = JSON.parse(stdout);
    expect(version).toBe("2.1.0");
    const [result] = runs[0].results;
    const text = readFileSync(join(folder, "host.json"), "utf8").split("\n");
    const { startLine } = result.locations[0].physicalLocation.region;
    expect(text[startLine - 1]).toContain('"alt": "water.png"');
    expect(result).toMatchObject({ ruleId: "alt", level: "error" });
    expect(runs[0].tool.driver.rules.map(({ id }: { id: string }) => id)).toEqual(
      expect.arrayContaining(faultNames.map(ruleOf)),
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
    const run = async (image: string) => {
      writeFileSync(join(folder, "any.json"), JSON.stringify(page(image)));
      return await lumbit(["check", "any.json"], folder);
    };
    for (const image of ["one.png", "wide.png", "other.webp", "moving.gif"]) {
      const { stderr, status } = await run(image);
      expect(stderr, image).toBe("");
      expect(status, image).toBeLessThan(2);
    }
    const whole = await plain(800, 600).jpeg().toBuffer();
    writeFileSync(join(folder, "torn.jpg"), whole.subarray(0, whole.length / 2));
    const torn = await run("torn.jpg");
    expect(torn).toMatchObject({ status: 2, stdout: "" });
    expect(torn.stderr).toMatch(/"torn\.jpg" ends before its picture does; copy or save it anew/);
    // Begin and end are those of a picture; what is between them cannot be decoded.
    const drawn = await plain(800, 600).png().toBuffer();
    writeFileSync(join(folder, "spoilt.png"), drawn.fill(0, drawn.length >> 1, drawn.length - 20));
    const spoilt = await run("spoilt.png");
    expect(spoilt).toMatchObject({ status: 2, stdout: "" });
    expect(spoilt.stderr).toMatch(
      /"spoilt\.png" cannot be decoded, so it will not show either; save it anew/,
    );
    writeFileSync(join(folder, "any.json"), " ".repeat(11 * 1024 * 1024));
    const large = await lumbit(["check", "any.json"], folder);
    expect(large.status).toBe(2);
    expect(large.stderr).toMatch(/larger than 10 MB/);
  });

  test.each([
    ["a viewport of 0", ["--viewport", "0x800"], /each from 1 to 20000/],
    ["no viewport", ["--viewport", "wide"], /WIDTHxHEIGHT/],
  ])("refuses %s", async (_, more, message) => {
    const { status, stderr, stdout } = await lumbit(["check", "faint.json", ...more], folder);
    expect({ status, stdout }).toEqual({ status: 2, stdout: "" });
    expect(stderr).toMatch(message);
  });
});
