import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, expect, test } from "vitest";
import { lumbit, start, temporaryFolder } from "../command.ts";

/** What the command knows of pictures between runs: kept in the reader's cache folder, by content. */
const folder = temporaryFolder();
const cache = join(folder, "cache");
const plate = (name: string, image: string, left: string) => ({
  ...{ name, image, alt: "A plate on a shelf" },
  place: { left, width: "360px", top: "30vh" },
});

beforeAll(async () => {
  process.env.XDG_CACHE_HOME = cache;
  const stripes = Array.from({ length: 40 }, (_, index) => `<path d="M${index * 8} 0V240"/>`).join("");
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="320" height="240"><rect width="320" height="240" fill="#0b5a5f"/><g stroke="#d9efe6">${stripes}</g></svg>`;
  await sharp(Buffer.from(svg)).png().toFile(join(folder, "plate.png"));
  await sharp(Buffer.from(svg)).resize(2400).png().toFile(join(folder, "large.png"));
  writeFileSync(join(folder, "copy.png"), readFileSync(join(folder, "plate.png")));
  writeFileSync(
    join(folder, "page.json"),
    JSON.stringify({
      ...{
        format: "lumbit/1",
        title: "Tidehouse",
        lang: "en",
        page: { background: "#06202b", color: "#fff" },
      },
      scenes: [
        {
          ...{ name: "sea", height: "120vh" },
          layers: [
            { name: "title", text: "Plates", as: "h1", fontSize: "48px", place: { left: "5%", top: "5vh" } },
            plate("one", "plate.png", "5%"),
            plate("two", "copy.png", "55%"),
          ],
        },
        { name: "end", height: "100vh", layers: [] },
      ],
    }),
  );
  return () => delete process.env.XDG_CACHE_HOME;
});

const check = async () => {
  const { stdout, stderr } = await lumbit(["check", "page.json", "--json", "--viewport", "390x844"], folder);
  expect(stderr).toBe("");
  return JSON.parse(stdout) as { findings: { rule: string; layer: string; measured: string }[] };
};
const files = (path: string): string[] =>
  existsSync(path)
    ? readdirSync(path, { recursive: true })
        .map((name) => join(path, String(name)))
        .filter((name) => statSync(name).isFile())
    : [];
/** Pictures that are kept; figures are kept without a content. */
const contents = () => files(cache).filter((name) => name.includes("content-") && statSync(name).size > 0);

test("a picture is looked at once, whatever it is called, and the next run says the same", async () => {
  rmSync(cache, { recursive: true, force: true });
  const first = await check();
  expect(first.findings.map(({ rule, layer }) => `${rule} ${layer}`)).toEqual([
    "sharpness one",
    "sharpness two",
  ]);
  expect(contents()).toHaveLength(1);
  const [kept = ""] = contents();
  const written = statSync(kept).mtimeMs;
  expect(await check()).toEqual(first);
  expect(statSync(kept).mtimeMs).toBe(written);
});

test("what was damaged, and a folder that cannot be written, do no harm", async () => {
  const whole = await check();
  for (const kept of contents()) writeFileSync(kept, "not a picture");
  expect(await check()).toEqual(whole);
  rmSync(cache, { recursive: true, force: true });
  writeFileSync(cache, "a file where the folder would be");
  expect(await check()).toEqual(whole);
  rmSync(cache);
});

test("a picture that was changed is looked at anew", async () => {
  const before = await check();
  writeFileSync(join(folder, "copy.png"), readFileSync(join(folder, "large.png")));
  const after = await check();
  expect(before.findings).toHaveLength(2);
  expect(after.findings.map(({ layer }) => layer)).toEqual(["one"]);
  expect(contents()).toHaveLength(2);
});

test("the same page with the same files is judged once; another picture, page or screen is judged anew", () => {
  writeFileSync(join(folder, "copy.png"), readFileSync(join(folder, "plate.png")));
  rmSync(cache, { recursive: true, force: true });
  const judged = (viewport = "390x844") => {
    const before = contents().length;
    const { stdout } = start(["check", "page.json", "--json", "--viewport", viewport], folder);
    const { findings } = JSON.parse(stdout) as { findings: { rule: string; layer: string }[] };
    return { found: findings.map(({ rule, layer }) => `${rule} ${layer}`), more: contents().length - before };
  };
  const first = { found: ["sharpness one", "sharpness two"], more: 2 };
  expect(judged()).toEqual(first);
  expect(judged()).toEqual({ ...first, more: 0 });
  expect(judged("320x568").more).toBe(1);
  const text = readFileSync(join(folder, "page.json"), "utf8");
  writeFileSync(join(folder, "page.json"), text.replace('"360px","top"', '"150px","top"'));
  expect(judged()).toEqual({ found: ["sharpness two"], more: 1 });
  writeFileSync(join(folder, "page.json"), text);
  writeFileSync(join(folder, "copy.png"), readFileSync(join(folder, "large.png")));
  expect(judged().found).toEqual(["sharpness one"]);
});
