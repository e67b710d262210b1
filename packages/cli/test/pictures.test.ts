import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import exif from "exif-reader";
import { parseHTML } from "linkedom";
import sharp from "sharp";
import { beforeAll, expect, test } from "vitest";
import { lumbit, temporaryFolder } from "../../../test/command.ts";

/** A folder of pictures of many kinds, each the background of a scene of its own. */
let folder: string;
/** Something with edges and colors, so that kinds differ in what they make of it. */
const drawing = (width: number, height: number, opacity = 1) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="#124"/><stop offset="1" stop-color="#fc8"/></linearGradient></defs>
      ${opacity === 1 ? '<rect width="100%" height="100%" fill="url(#g)"/>' : ""}
      ${Array.from({ length: 40 }, (_, index) => `<circle cx="${(index * 97) % width}" cy="${(index * 53) % height}" r="${20 + (index % 7) * 9}" fill="hsl(${index * 30} 60% 50%)" opacity="${opacity}"/>`).join("")}</svg>`,
    ),
  );

beforeAll(async () => {
  folder = temporaryFolder();
  const write = (name: string, content: string | Buffer) => writeFileSync(join(folder, name), content);
  write(
    "photo.jpg",
    await drawing(2400, 1500)
      .withExif({ IFD0: { Copyright: "The keepers", Make: "A camera" } })
      .jpeg({ quality: 95 })
      .toBuffer(),
  );
  write("wide.png", await drawing(900, 600).withIccProfile("p3").png().toBuffer());
  write("glass.png", await drawing(1200, 800, 0.3).png().toBuffer());
  write(
    "tiny.webp",
    await sharp({ create: { width: 40, height: 30, channels: 3, background: "#123" } })
      .webp({ quality: 1 })
      .toBuffer(),
  );
  const frames = await Promise.all([0.3, 0.9].map((opacity) => drawing(60, 40, opacity).png().toBuffer()));
  write(
    "moving.webp",
    await sharp(frames, { join: { animated: true } })
      .webp({ delay: [100, 100] })
      .toBuffer(),
  );
  write(
    "hill.svg",
    '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60"><path d="M0 60L90 0v60z"/></svg>',
  );
  const page = (more: object) => ({
    ...{ format: "lumbit/1", title: "Pictures", lang: "en", ...more },
    scenes: readdirSync(folder)
      .filter((name) => /\.(jpg|png|webp|svg)$/.test(name))
      .map((image) => ({
        name: image.replace(".", "-"),
        layers: [{ name: "picture", image, alt: "x", depth: 1 }],
      })),
  });
  write("page.json", JSON.stringify(page({})));
  write("faithful.json", JSON.stringify(page({ pictures: { similarity: 0.9999, copyright: true } })));
}, 120_000);

/** The files that a site has for a picture, by kind and width, and its element. */
function delivered(site: string, scene: string) {
  const { document } = parseHTML(readFileSync(join(folder, site, "index.html"), "utf8"));
  const section = document.querySelector(`[data-lumbit-scene="${scene}"]`);
  const image = section?.querySelector("img");
  const sources = [...(section?.querySelectorAll("source") ?? [])].map((source) => ({
    type: source.getAttribute("type"),
    sizes: source.getAttribute("sizes"),
    files: String(source.getAttribute("srcset"))
      .split(", ")
      .map((one) => one.split(" ") as [url: string, width: string])
      .map(([url, width]) => ({
        width: Number.parseInt(width, 10),
        bytes: readFileSync(join(folder, site, url)),
      })),
  }));
  const bytes = readFileSync(join(folder, site, String(image?.getAttribute("src"))));
  return { sources, image, bytes };
}
const original = (name: string) => readFileSync(join(folder, name));

test("photographs come in the widths that screens need, in smaller kinds, and as alike as asked", async () => {
  const { stderr } = await lumbit(["build", "page.json", "-o", "site"], folder);
  expect(stderr).toBe("");
  const { sources, image, bytes } = delivered("site", "photo-jpg");
  expect(sources.map(({ type }) => type)).toEqual(["image/avif", "image/webp"]);
  for (const { type, files, sizes } of sources) {
    expect(sizes).toMatch(/^max\(/);
    expect(files[0]?.width).toBe(2400);
    for (const { width, bytes } of files) {
      const metadata = await sharp(bytes).metadata();
      expect([width, `image/${metadata.format === "heif" ? "avif" : metadata.format}`]).toEqual([
        metadata.width,
        type,
      ]);
      expect(bytes.byteLength).toBeLessThan(original("photo.jpg").byteLength / 2);
      expect(metadata.exif).toBeUndefined();
    }
  }
  expect(sources[0]?.files.length).toBeGreaterThan(2);
  expect((await sharp(bytes).metadata()).format).toBe("jpeg");
  // The box is that of the original.
  expect([image?.getAttribute("width"), image?.getAttribute("height")]).toEqual(["2400", "1500"]);
  const style = readdirSync(join(folder, "site")).find((name) => name.endsWith(".css"));
  const [placeholder = ""] =
    /linear-gradient\(#[^)]*\)/.exec(readFileSync(join(folder, "site", String(style)), "utf8")) ?? [];
  expect(placeholder.length).toBeGreaterThan(30);
  expect(placeholder.length).toBeLessThan(100);
});

test("transparent parts, wide colors, movement and vectors survive; what gets larger is left as it is", async () => {
  const glass = delivered("site", "glass-png");
  for (const { bytes } of glass.sources.flatMap(({ files }) => files)) {
    const opacity = (one: Buffer) =>
      sharp(one).resize(300, 200, { fit: "fill" }).ensureAlpha().extractChannel(3).raw().toBuffer();
    const [before, after] = [[...(await opacity(original("glass.png")))], await opacity(bytes)];
    const apart = before.reduce((sum, value, index) => sum + Math.abs(value - (after[index] ?? 0)), 0);
    expect(apart / 60_000).toBeLessThan(4);
  }
  expect(glass.sources.length).toBeGreaterThan(0);
  for (const { bytes } of delivered("site", "wide-png").sources.flatMap(({ files }) => files))
    expect((await sharp(bytes).metadata()).icc?.toString("latin1")).toMatch(/P3|p\0?3/i);
  for (const [scene, name] of [
    ["moving-webp", "moving.webp"],
    ["hill-svg", "hill.svg"],
    ["tiny-webp", "tiny.webp"],
  ] as const) {
    const { sources, bytes } = delivered("site", scene);
    expect(sources, name).toEqual([]);
    expect(bytes.equals(original(name)), name).toBe(true);
  }
});

test("the page says how alike pictures are, and whether they tell who made them", async () => {
  await lumbit(["build", "faithful.json", "-o", "faithful"], folder);
  const [plain, faithful] = ["site", "faithful"].map((site) => delivered(site, "photo-jpg"));
  const bytes = (one: typeof plain) => Number(one?.sources[0]?.files[0]?.bytes.byteLength);
  expect(bytes(faithful)).toBeGreaterThan(1.2 * bytes(plain));
  const metadata = await sharp(faithful?.sources[0]?.files[0]?.bytes).metadata();
  const { Image } = exif(metadata.exif as Buffer);
  expect(Image?.Copyright).toBe("The keepers");
  expect(Image?.Make).toBeUndefined();
});

test.each([
  [1600, 6],
  [20, 1200],
  [14_400, 400],
])("a picture of %i x %i is delivered", async (width, height) => {
  const own = temporaryFolder();
  await sharp({ create: { width, height, channels: 3, background: "#7a9" } })
    .png()
    .toFile(join(own, "line.png"));
  const place = { left: 0, width: "100%", top: "20vh" };
  const layers = [{ name: "line", image: "line.png", alt: "", depth: 0.5, place }];
  const page = {
    format: "lumbit/1",
    title: "Line",
    lang: "en",
    scenes: [{ name: "a", height: "150vh", layers }],
  };
  writeFileSync(join(own, "page.json"), JSON.stringify(page));
  expect(await lumbit(["build", "page.json", "-o", "site"], own)).toMatchObject({ status: 0, stderr: "" });
  const shown = readdirSync(join(own, "site"), { recursive: true, encoding: "utf8" }).filter((name) =>
    /(^|\/)line\.[^/]*$/.test(name),
  );
  for (const name of shown) {
    const file = await sharp(join(own, "site", name)).metadata();
    expect(file.height).toBeGreaterThanOrEqual(1);
    expect(file.width).toBeLessThanOrEqual(width);
  }
  expect(shown.length).toBeGreaterThan(0);
});

test("--originals copies them", async () => {
  const { stderr } = await lumbit(["build", "page.json", "-o", "originals", "--originals"], folder);
  expect(stderr).toBe("");
  for (const name of ["photo.jpg", "wide.png", "glass.png"]) {
    const { sources, bytes } = delivered("originals", name.replace(".", "-"));
    expect(sources).toEqual([]);
    expect(bytes.equals(original(name)), name).toBe(true);
  }
});
