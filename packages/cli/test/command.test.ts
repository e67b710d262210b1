import { spawn } from "node:child_process";
import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { beforeEach, describe, expect, test } from "vitest";
import { lumbit, program, root, temporaryFolder } from "../../../test/command.ts";

const starter = join(root, "packages/cli/starter");
let folder: string;
let pageFile: string;
beforeEach(() => {
  folder = temporaryFolder();
  cpSync(starter, folder, { recursive: true });
  pageFile = join(folder, "page.json");
});
const edit = (change: (text: string) => string) =>
  writeFileSync(pageFile, change(readFileSync(pageFile, "utf8")));

describe("build", () => {
  const site = () => join(folder, "site");
  const build = async (...more: string[]) => await lumbit(["build", pageFile, "-o", site(), ...more]);

  test("writes a site whose script only some browsers load, and the same one again", async () => {
    expect(await build()).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/9 files, \d+ kB, \d+ bytes of script that only browsers/),
    });
    const files = readdirSync(site(), { recursive: true }).toSorted();
    const html = readFileSync(join(site(), "index.html"), "utf8");
    expect(html).not.toMatch(/<script(?! defer(?:="")? src="load)|\sstyle=|\son\w+=/);
    for (const [, url] of html.matchAll(/(?:src|href)="([^"]+)"/g))
      expect(existsSync(join(site(), String(url))), url).toBe(true);
    expect((await build()).status).toBe(0);
    expect(readdirSync(site(), { recursive: true }).toSorted()).toEqual(files);
  });

  test("says for programs what it wrote, and with --watch builds again when something changes", async () => {
    const { faults, files } = JSON.parse((await build("--json")).stdout);
    expect(faults).toEqual([]);
    expect(files.map(({ path }: { path: string }) => path)).toContain("index.html");
    const watching = spawn(process.execPath, [program, "build", pageFile, "-o", site(), "--watch"]);
    try {
      const said: string[] = [];
      for (const stream of [watching.stdout, watching.stderr])
        stream.on("data", (text) => said.push(String(text)));
      const html = () => readFileSync(join(site(), "index.html"), "utf8");
      await expect.poll(() => said.join(""), { timeout: 15_000 }).toContain("watching");
      edit((text) => text.replace("Low water at the tide mill", "High water"));
      await expect.poll(html, { timeout: 15_000 }).toContain("<title>High water</title>");
      edit((text) => text.replace('"depth"', '"deph"'));
      await expect.poll(() => said.join(""), { timeout: 15_000 }).toContain("deph");
      expect(html()).toContain("<title>High water</title>");
      edit((text) => text.replace('"deph"', '"depth"').replace("High water", "Slack water"));
      await expect.poll(html, { timeout: 15_000 }).toContain("<title>Slack water</title>");
    } finally {
      watching.kill();
    }
  });

  test("removes what it no longer needs and keeps what is not its own", async () => {
    await build();
    writeFileSync(join(site(), "robots.txt"), "mine");
    edit((text) => text.replace("Low water at the tide mill", "High water"));
    edit((text) => text.replace(/\{\s*"name": "reeds"[^}]*\}[^}]*\},?/, "").replace(/\},\s*\]/, "}]"));
    expect(await build()).toMatchObject({ status: 0, stderr: "" });
    expect(readFileSync(join(site(), "index.html"), "utf8")).toContain("<title>High water</title>");
    expect(readdirSync(join(site(), "assets")).filter((name) => name.startsWith("reeds"))).toEqual([]);
    expect(readFileSync(join(site(), "robots.txt"), "utf8")).toBe("mine");
  });

  test("overwrites nothing that it did not write, or that was changed since, unless told", async () => {
    mkdirSync(site());
    writeFileSync(join(site(), "index.html"), "mine");
    expect(await build()).toMatchObject({ status: 2, stderr: expect.stringContaining("index.html") });
    expect(readdirSync(site())).toEqual(["index.html"]);
    expect((await build("--force")).status).toBe(0);
    writeFileSync(join(site(), "index.html"), "mine again");
    expect((await build()).status).toBe(2);
    expect(readFileSync(join(site(), "index.html"), "utf8")).toBe("mine again");
  });
});

describe("bad input", () => {
  const build = async () => await lumbit(["build", pageFile, "-o", join(folder, "site")]);
  const withImage = (image: string) => edit((text) => text.replace("art/sky.svg", image));

  test.each<[string, () => void, RegExp]>([
    [
      "broken JSON",
      () => edit((text) => text.replace(",", "")),
      /page\.json:3:3: this is not valid JSON: a comma is missing/,
    ],
    [
      "an unknown key",
      () => edit((text) => text.replace('"depth": 5', '"deph": 5')),
      /page\.json:\d+:\d+ at \/scenes\/0\/layers\/1\/deph: unknown key "deph", did you mean "depth"\?/,
    ],
    [
      "a missing picture",
      () => withImage("art/skyy.svg"),
      /at \/scenes\/0\/layers\/0\/image: there is no file "art\/skyy\.svg"/,
    ],
    ["no picture", () => withImage("page.json"), /"page\.json" is no picture/],
    ["a folder", () => withImage("art"), /"art" is a folder/],
    ["a path that leaves the folder", () => withImage("../../etc/passwd"), /leaves the page file's folder/],
    [
      "a link that leaves the folder",
      () => {
        symlinkSync("/etc/hostname", join(folder, "art/link.png"));
        withImage("art/link.png");
      },
      /leaves the page file's folder/,
    ],
    [
      "a font that is none",
      () =>
        edit((text) =>
          text.replace('"scenes"', '"fonts": [{ "family": "X", "src": "art/sky.svg" }], "scenes"'),
        ),
      /is no font/,
    ],
    [
      "a weight that follows the scroll in a font without that axis",
      () => {
        copyFileSync(
          join(root, "node_modules/@fontsource/tinos/files/tinos-latin-400-normal.woff2"),
          join(folder, "text.woff2"),
        );
        edit((text) => {
          const page = JSON.parse(text);
          page.fonts = [{ family: "Tinos", src: "text.woff2" }];
          const title = page.scenes[0].layers.find((layer: { text?: string }) => layer.text);
          title.fontFamily = "Tinos, serif";
          title.place = { left: "10%", width: "80%", top: "20vh" };
          const stops = [
            { at: "exit 0%", value: 300 },
            { at: "exit 50%", value: 700 },
          ];
          title.ramps = [{ property: "fontWeight", stops }];
          return JSON.stringify(page);
        });
      },
      /\/ramps\/0\/property: the font Tinos has no axis "wght" \(it is not a variable font\)/,
    ],
  ])("%s: a message, exit 2, nothing written", async (_, spoil, message) => {
    spoil();
    const { status, stderr, stdout } = await build();
    expect(stderr).toMatch(message);
    expect(stderr).not.toMatch(/\n\s+at .*\.m?js:\d+/);
    expect({ status, stdout }).toEqual({ status: 2, stdout: "" });
    expect(existsSync(join(folder, "site"))).toBe(false);
  });

  test("faults of the page file and of the files that it names come in one run, in order", async () => {
    edit((text) => text.replace('"depth": 5', '"deph": 5').replace("art/mill.svg", "art/mil.svg"));
    withImage("../sky.svg");
    const { stderr, status } = await build();
    expect(status).toBe(2);
    const places = [...stderr.matchAll(/ at (\/\S+):/g)].map(([, place]) => place);
    expect(places).toEqual([
      "/scenes/0/layers/0/image",
      "/scenes/0/layers/1/deph",
      "/scenes/0/layers/3/image",
    ]);
    expect(stderr).toContain("3 faults in the page file; nothing was written");
  });

  test("a missing page file, a wrong viewport, a wrong option, a wrong command", async () => {
    expect(await lumbit(["build", "nowhere.json", "-o", "x"])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining("there is no file nowhere.json"),
    });
    expect(await lumbit(["measure", pageFile, "--viewport", "0x800"])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining("WIDTHxHEIGHT"),
    });
    expect(await lumbit(["measure", pageFile, "--scroll", "much"])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining("number of px"),
    });
    expect(await lumbit(["measure", pageFile, "--jsn"])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining("Did you mean --json?"),
    });
    expect(await lumbit(["biuld"])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining("Did you mean build?"),
    });
  });
});

describe("measure", () => {
  test("tells the pose for programs, and says which texts are estimates", async () => {
    const { status, stdout } = await lumbit([
      "measure",
      pageFile,
      "--viewport",
      "1280x800",
      "--scroll",
      "400",
      "--json",
    ]);
    expect(status).toBe(0);
    const { faults, poses } = JSON.parse(stdout);
    expect(faults).toEqual([]);
    const [pose] = poses;
    expect(pose).toMatchObject({ viewport: { width: 1280, height: 800 }, scroll: 400, scrollHeight: 1680 });
    const [sky, hills, title] = pose.scenes[0].layers;
    expect(sky).toEqual({
      name: "sky",
      // One pixel past its pane on every side, so that no edge is painted half.
      left: -1,
      top: -1,
      width: 1282,
      height: 802,
      opacity: 1,
      scale: 1,
      rotate: 0,
      blur: 0,
      brightness: 1,
      saturation: 1,
      visible: true,
      // The page begins with this scene, and as it was composed.
      settles: 0,
    });
    expect(hills.top).toBeCloseTo(800 * 0.44 - 400 / 6, 6);
    expect(title.estimated).toBe(true);
  });

  test("rules for touch screens hold on small screens, and on those that are said to be touched", async () => {
    const folder = temporaryFolder();
    const moon = { name: "moon", shape: "ellipse", background: "#fff", depth: 1 };
    const page = {
      ...{ format: "lumbit/1", title: "t", lang: "en" },
      scenes: [
        { name: "sky", layers: [{ ...moon, rules: [{ media: "(pointer: coarse)", hidden: true }] }] },
        { name: "sea", layers: [] },
      ],
    };
    writeFileSync(join(folder, "page.json"), JSON.stringify(page));
    const visible = async (viewport: string) => {
      const { stdout } = await lumbit(["measure", "page.json", "--viewport", viewport, "--json"], folder);
      return JSON.parse(stdout).poses[0].scenes[0].layers[0]?.visible ?? false;
    };
    for (const [viewport, shown] of [
      ["390x844", false],
      ["390x844:fine", true],
      ["1280x800", true],
      ["1280x800:coarse", false],
    ] as const)
      expect(await visible(viewport), viewport).toBe(shown);
    const { status, stderr } = await lumbit(["measure", "page.json", "--viewport", "1280x800:touch"], folder);
    expect(status).toBe(2);
    expect(stderr).toContain("such as 1280x800:coarse for a touch screen");
  });

  test("prints a table for people", async () => {
    const { stdout } = await lumbit(["measure", pageFile]);
    expect(stdout).toContain("viewport 1280 x 800, scrolled 0.0 of 880.0 px");
    expect(stdout).toMatch(/sky\s+horizon\s+0\.000\s.*\d+x\d+ of a vector/);
    const side = (await lumbit(["measure", pageFile, "--viewport", "390x844", "--viewport", "1280x800"]))
      .stdout;
    expect(side).toMatch(
      /layer\s+depth\s+speed\s+390x844\s+overscan\s+pixels\s+1280x800\s+overscan\s+pixels/,
    );
    const { poses } = JSON.parse(
      (await lumbit(["measure", pageFile, "--viewport", "390x844", "--viewport", "1280x800", "--json"]))
        .stdout,
    );
    expect(poses.map(({ viewport }: { viewport: { width: number } }) => viewport.width)).toEqual([390, 1280]);
  });
});

test("faults of the page file are JSON too, where that is asked for", async () => {
  edit((text) => text.replace('"depth"', '"deph"'));
  for (const [command, ...more] of [["check"], ["measure"], ["build", "-o", join(folder, "site")]] as const) {
    const { status, stdout } = await lumbit([command, pageFile, "--json", ...more]);
    expect(status, command).toBe(2);
    const { faults } = JSON.parse(stdout);
    expect(faults[0], command).toMatchObject({
      line: expect.any(Number),
      message: expect.stringContaining("deph"),
    });
  }
});

test("a check ends with 1 from the severity on that is asked for", async () => {
  const warned = '"checks": [{ "rule": "alt", "severity": "warning", "reason": "a draft" }], "scenes"';
  edit((text) => text.replace('"alt": ""', '"alt": "hills.svg"').replace('"scenes"', warned));
  const { findings } = JSON.parse((await lumbit(["check", pageFile, "--json"])).stdout);
  expect(findings.map(({ severity }: { severity: string }) => severity)).not.toContain("error");
  expect(findings.length).toBeGreaterThan(0);
  expect((await lumbit(["check", pageFile])).status).toBe(1);
  expect((await lumbit(["check", pageFile, "--fail-on", "error"])).status).toBe(0);
  expect((await lumbit(["check", pageFile, "--fail-on", "grave"])).status).toBe(2);
});

describe("new", () => {
  test("makes a page that builds at once, with the schema beside it", async () => {
    const made = join(folder, "mine");
    expect(await lumbit(["new", made])).toMatchObject({
      status: 0,
      stdout: expect.stringContaining("npx lumbit preview"),
    });
    const { $schema } = JSON.parse(readFileSync(join(made, "page.json"), "utf8"));
    expect(existsSync(join(made, $schema))).toBe(true);
    expect((await lumbit(["build", join(made, "page.json"), "-o", join(made, "site")])).status).toBe(0);
  });

  test("leaves a folder with something in it alone", async () => {
    expect(await lumbit(["new", folder])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining("is not empty"),
    });
    expect(readdirSync(folder).toSorted()).toEqual(["art", "page.json"]);
  });
});

test("every command explains itself with an example", async () => {
  for (const command of ["new", "preview", "check", "measure", "proof", "build"])
    expect(await lumbit([command, "--help"])).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/Examples?:\n {2}lumbit /),
    });
});
