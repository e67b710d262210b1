import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, expect, test } from "vitest";
import { lumbit, temporaryFolder } from "../../../test/command.ts";

let folder: string;
const write = (name: string, scene: string, links: string[]) =>
  writeFileSync(
    join(folder, name),
    JSON.stringify({
      ...{ format: "lumbit/1", title: name, lang: "en" },
      scenes: [
        {
          name: scene,
          content: links.map((href, index) =>
            index ? { text: `To [${href}](${href})` } : { text: href, href },
          ),
          layers: [{ name: "sea", image: "sea.png", alt: "", depth: 1 }],
        },
      ],
    }),
  );
const build = (...args: string[]) => lumbit(["build", ...args, "-o", "site", "--force"], folder);

beforeAll(async () => {
  folder = temporaryFolder();
  const sea = sharp({ create: { width: 90, height: 60, channels: 3, background: "#135" } });
  writeFileSync(join(folder, "sea.png"), await sea.png().toBuffer());
  write("tides.json", "spring", ["index.html", "./index.html#shore", "https://tidehouse.example/a.html"]);
  write("index.json", "shore", [
    "tides.html",
    "tides.html#spring",
    "tides.html#top",
    "tides.html#spring/sea",
  ]);
});

test("several pages are one site: a document each, what they share once, links from one to the other", async () => {
  const { stdout, stderr } = await build("tides.json", "index.json");
  expect(stderr).toBe("");
  expect(stdout).toMatch(/^site: \d+ files/);
  const site = join(folder, "site");
  expect(readdirSync(site).filter((name) => name.endsWith(".html"))).toEqual(["index.html", "tides.html"]);
  expect(readdirSync(join(site, "assets")).filter((name) => name.endsWith(".png"))).toHaveLength(1);
  expect(readdirSync(site).filter((name) => name.startsWith("scripted."))).toHaveLength(1);
  const index = readFileSync(join(site, "index.html"), "utf8");
  expect(index).toContain("<title>index.json</title>");
  expect(index).toContain('<a href="tides.html#spring">');
  // What another page leads to is a target, and nothing else.
  expect(readFileSync(join(site, "tides.html"), "utf8")).toContain('<span id="spring/sea"');
  expect(index).not.toContain("<span id=");
  const own = /href="(page\.\w+\.css)"/.exec(index)?.[1];
  expect(readdirSync(site)).toContain(own);
});

test("without a page called index the first is the site's own", async () => {
  write("low.json", "ebb", ["tide.html"]);
  write("tide.json", "flood", ["index.html"]);
  expect((await build("low.json", "tide.json")).stderr).toBe("");
  expect(readFileSync(join(folder, "site/index.html"), "utf8")).toContain("<title>low.json</title>");
});

test("links to pages and scenes that are not among them, and what is of one page, are said", async () => {
  write("lost.json", "shore", ["tydes.html", "tides.html#neap", "tides.html#spring/lamp"]);
  const { stderr, status } = await build("lost.json", "tides.json");
  expect(status).toBe(2);
  expect(stderr).toMatch(/lost\.json:1:\d+ at \/scenes\/0\/content\/0\/href: there is no page "tydes\.html"/);
  expect(stderr).toContain(
    'there is no scene "neap" on tides.html, so the link leads nowhere; its scenes are spring',
  );
  expect(stderr).toContain(
    'there is no layer or block "lamp" in the scene "spring", so the link leads nowhere; there are sea',
  );
  // Of a page alone nobody knows what else is there.
  expect((await build("lost.json")).stderr).toBe("");
  expect((await build("lost.json", "tides.json", "--fragment", "shore")).stderr).toContain("is of one page");
  expect((await build("low.json", "tide.json", "tide.json")).stderr).toContain("would both be");
});

test("what pages share stands in one file, which *.json names too", async () => {
  const house = {
    format: "lumbit/1",
    page: { color: "#fed", header: { links: [{ text: "Tides", href: "tide.html" }] } },
    parts: { lamp: { text: "Lamp", depth: 1 } },
  };
  const page = (title: string, own: object = {}) => ({
    ...{ format: "lumbit/1", title, lang: "en", shared: "house.json", ...own },
    scenes: [{ name: "shore", layers: [{ name: "lamp", part: "lamp" }] }],
  });
  const put = (name: string, document: object) =>
    writeFileSync(join(folder, name), JSON.stringify(document, null, 2));
  put("house.json", house);
  put("low.json", page("Low", { page: { color: "#def" } }));
  put("tide.json", page("Tide"));
  expect((await build("house.json", "low.json", "tide.json")).stderr).toBe("");
  const site = join(folder, "site");
  expect(readdirSync(site).filter((name) => name.endsWith(".html"))).toEqual(["index.html", "tide.html"]);
  const [low, tide] = ["index", "tide"].map((name) => {
    const html = readFileSync(join(site, `${name}.html`), "utf8");
    const [, css = ""] = /href="(page\.\w+\.css)"/.exec(html) ?? [];
    return html + readFileSync(join(site, css), "utf8");
  });
  for (const text of [low, tide]) expect(text).toMatch(/<a href="tide.html">Tides<\/a>[\s\S]*>Lamp</);
  expect(low).toContain("color: #def");
  expect(tide).toContain("color: #fed");
  // What is wrong is told where it is written, and a mend of one page leaves what all of them have.
  const pale = { lamp: { text: "Lamp and wick", color: "#ddd", depth: 1 } };
  put("house.json", { ...house, page: { background: "#fff" }, parts: pale });
  put("own.json", { ...page("Own", { parts: pale }) });
  const fixed = async (name: string) => (await lumbit(["check", name, "--fix"], folder)).stdout;
  const before = readFileSync(join(folder, "house.json"), "utf8");
  expect(await fixed("own.json")).toContain("set /parts/lamp/color");
  const told = await fixed("tide.json");
  expect(told).not.toContain("/parts/lamp");
  expect(told).toContain("shore / lamp  contrast");
  expect(readFileSync(join(folder, "house.json"), "utf8")).toBe(before);
  put("house.json", { ...house, page: { colour: "red" } });
  expect((await build("low.json", "tide.json")).stderr).toMatch(
    /house\.json:\d+:5 at \/page\/colour: unknown key "colour", did you mean "color"/,
  );
  expect((await build("house.json")).stderr).toContain('"title" is missing');
  const header = { links: [{ text: "Low", href: "low.html" }] };
  put("house.json", { ...house, page: { header } });
  const { stderr } = await build("low.json", "tide.json");
  expect(stderr.match(/low\.json is the site's own page: link to index\.html/g)).toHaveLength(1);
});
