import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "../../../../test/command.ts";
import { readPicture } from "./read-picture.ts";

const svg = (attributes: string, namespace = ' xmlns="http://www.w3.org/2000/svg"') =>
  Buffer.from(
    `<?xml version="1.0"?><!-- <svg width="1"> --><svg${namespace} ${attributes}><rect width="9" height="9"/></svg>`,
  );
const plain = sharp({ create: { width: 40, height: 30, channels: 3, background: "#084" } });

// What Chromium says of the same files.
test.each([
  ['width="30mm" height="20mm"', 113, 76],
  ['width="30pt" height="20pt"', 40, 27],
  ['width="2in" height="1in"', 192, 96],
  ['width="10em" height="5em"', 160, 80],
  ["width='10pc' height='5pc'", 160, 80],
  ['width="2.54cm" height="5.08cm"', 96, 192],
  ['width="101.6q" height="101.6Q"', 96, 96],
  ['viewBox="0 0 400 100"', 300, 75],
  ['width="200" viewBox="0,0,400,100"', 200, 50],
  ['height="200" viewBox="0 0 400 100"', 800, 200],
  ['width="100%" height="100%" viewBox="0 0 400 100"', 300, 75],
  ["", 300, 150],
  ['width="120"', 120, 150],
])("an SVG file with %s is as large as in a browser", async (attributes, width, height) => {
  expect(await readPicture("a.svg", svg(attributes))).toEqual({ width, height, extension: "svg" });
});

test.each([
  ["a tag that is never closed", `<svg ${'a="b" '.repeat(100_000)}`],
  ["a value that is never closed", `<svg ${'a="b" '.repeat(100_000)}c="`],
  ["comments that are never closed", "<!--".repeat(60_000)],
  ["comments and no picture", "<!-- -->".repeat(60_000)],
  ["document types without an end", "<!DOCTYPE svg [".repeat(60_000)],
  ["white space", `<svg${" ".repeat(300_000)}`],
  ["another root", '<html><svg xmlns="http://www.w3.org/2000/svg"/></html>'],
])("%s is gone through once, and said", async (_, text) => {
  expect(await readPicture("a.svg", Buffer.from(text))).toMatch(/is no picture/);
});

test("what may stand before the root of an SVG file is passed over", async () => {
  const text = `\ufeff<?xml version="1.0"?>\n<!DOCTYPE svg [ <!ENTITY a "<svg width='1'>"> ]>\n<!-- <svg> --><svg:svg xmlns:svg='http://www.w3.org/2000/svg' title="a > b" width = "80" height="60"\n/>`;
  expect(await readPicture("a.svg", Buffer.from(text))).toEqual({ width: 80, height: 60, extension: "svg" });
});

test("a photograph is turned as browsers turn it: one in WebP is not", async () => {
  const turned = (format: "webp" | "jpeg") =>
    plain.clone().withMetadata({ orientation: 6 })[format]().toBuffer();
  expect(await readPicture("a.webp", await turned("webp"))).toMatchObject({ width: 40, height: 30 });
  expect(await readPicture("a.jpg", await turned("jpeg"))).toMatchObject({ width: 30, height: 40 });
});

test.each(["png", "jpeg", "webp", "gif", "avif"] as const)(
  "a %s that is cut off anywhere is said, a whole one is not",
  async (format) => {
    const noisy = sharp({
      create: {
        width: 64,
        height: 48,
        channels: 3,
        background: "#000",
        noise: { type: "gaussian", mean: 128, sigma: 40 },
      },
    });
    const bytes = await noisy[format]().toBuffer();
    expect(await readPicture(`a.${format}`, bytes)).toMatchObject({ width: 64, height: 48 });
    for (const share of [0.5, 0.8, 0.97]) {
      const said = await readPicture(`a.${format}`, bytes.subarray(0, Math.floor(bytes.length * share)));
      expect(said, `${format} up to ${share}`).toMatch(/ends before its picture does|is no picture/);
    }
  },
);

test("what browsers would not show is said", async () => {
  expect(await readPicture("a.svg", svg('width="9" height="9"', ""))).toMatch(
    /has no xmlns="http:\/\/www\.w3\.org\/2000\/svg"/,
  );
  expect(await readPicture("a.svgz", Buffer.from([0x1f, 0x8b, 8, 0]))).toMatch(/compressed with gzip/);
  expect(await readPicture("a.svg", svg('width="0.3" height="9"'))).toMatch(/0 px large/);
  expect(await readPicture("a.webp", Buffer.from("nothing"))).toMatch(/is no picture; name a WebP/);
  const large = await sharp({ create: { width: 12_000, height: 12_000, channels: 3, background: "#fff" } })
    .png({ compressionLevel: 1 })
    .toBuffer();
  expect(await readPicture("a.png", large)).toMatch(
    /too many pixels \(12000 x 12000\); make it smaller than 100 megapixels/,
  );
});

test("files are published as what they are, under names that every disk takes; one that never ends is not opened", async () => {
  const folder = temporaryFolder();
  mkdirSync(join(folder, "art"));
  const long = `${"n".repeat(246)}.webp`;
  writeFileSync(join(folder, "art", long), await plain.clone().webp().toBuffer());
  writeFileSync(join(folder, "art/named.svg"), await plain.clone().png().toBuffer());
  execFileSync("mkfifo", [join(folder, "art/pipe.png")]);
  const page = (...images: string[]) =>
    JSON.stringify({
      ...{ format: "lumbit/1", title: "t", lang: "en" },
      scenes: [{ name: "a", layers: images.map((image, index) => ({ name: `p${index}`, image, alt: "" })) }],
    });
  const built = async (text: string) => {
    writeFileSync(join(folder, "page.json"), text);
    return lumbit(["build", "page.json", "-o", "site", "--force", "--json"], folder);
  };
  const { files } = JSON.parse((await built(page(`art/${long}`, "art/named.svg"))).stdout);
  const names = files.map(({ path }: { path: string }) => path);
  expect(names).toContainEqual(expect.stringMatching(/^assets\/named\.\w{10}\.png$/));
  expect(names).toContainEqual(expect.stringMatching(/^assets\/n{80}\.\w{10}\.webp$/));
  expect(JSON.parse((await built(page("art/pipe.png"))).stdout).faults[0].message).toContain(
    '"art/pipe.png" is no file',
  );
  const font = page("art/named.svg").replace(
    '"lang"',
    '"fonts":[{"family":"F","src":"art/named.svg"}],"lang"',
  );
  expect(JSON.parse((await built(font)).stdout).faults[0].message).toContain('"art/named.svg" is no font');
});
