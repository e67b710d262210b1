import { spawn } from "node:child_process";
import {
  chmodSync,
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { lumbit, program, root, temporaryFolder } from "../../../test/command.ts";
import { withAside } from "../src/aside.ts";

const environment = { ...process.env, NO_COLOR: "1", FORCE_COLOR: undefined };

test("what is being written goes when the run is told to end, and what a killed run left goes with the next one", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine"], folder);
  // No process has a number as large as that.
  const abandoned = join(folder, "site.lumbit-4194999-0123abcd");
  const foreign = join(folder, "site.lumbit-notes");
  const other = join(folder, `site.lumbit-${process.pid}-0123abcd`);
  for (const name of [abandoned, foreign, other]) mkdirSync(name);
  expect((await lumbit(["build", "mine/page.json", "-o", "site"], folder)).status).toBe(0);
  expect([abandoned, foreign, other].map((name) => existsSync(name))).toEqual([false, true, true]);

  const told: string[] = [];
  const listen = () => void told.push("ended");
  process.on("SIGTERM", listen);
  let aside = "";
  const work = withAside(join(folder, "big"), async (path) => {
    aside = path;
    mkdirSync(path);
    expect(existsSync(path)).toBe(true);
    process.emit("SIGTERM", "SIGTERM");
    expect(existsSync(path)).toBe(false);
  });
  await work;
  process.off("SIGTERM", listen);
  expect(aside).toContain(String(process.pid));
  expect(told).toEqual(["ended"]);
});

test("a signal ends a command that writes, and nothing stays beside its place", async () => {
  const folder = temporaryFolder();
  cpSync(join(root, "examples/tidehouse"), join(folder, "tidehouse"), { recursive: true });
  const run = spawn(process.execPath, [program, "build", "tidehouse/page.json", "-o", "site"], {
    cwd: folder,
    env: environment,
  });
  await expect
    .poll(() => readdirSync(folder).some((name) => name.startsWith("site")), { timeout: 20_000, interval: 2 })
    .toBe(true);
  const ended = new Promise((done) => run.once("exit", (code, signal) => done(code ?? signal)));
  run.kill("SIGTERM");
  // It may have been done just then.
  expect(["SIGTERM", 0]).toContain(await ended);
  expect(readdirSync(folder).filter((name) => name.includes(".lumbit-"))).toEqual([]);
});

test("files that are what they would be written as are in nobody's way", async () => {
  const folder = temporaryFolder();
  for (const name of ["one", "two"]) await lumbit(["new", name], folder);
  await lumbit(["build", "one/page.json", "-o", "first"], folder);
  await lumbit(["build", "two/page.json", "-o", "second"], folder);
  // As a killed run leaves it: files of the next build, which no list names.
  const own = readdirSync(join(folder, "second/assets"));
  mkdirSync(join(folder, "third/assets"), { recursive: true });
  for (const name of own) cpSync(join(folder, "second/assets", name), join(folder, "third/assets", name));
  const { status, stderr } = await lumbit(["build", "two/page.json", "-o", "third"], folder);
  expect([status, stderr]).toEqual([0, ""]);
});

/** A page with something that can be mended unasked. */
const mendable = () => {
  const folder = temporaryFolder();
  cpSync(join(root, "test/faults"), folder, { recursive: true });
  const name = readdirSync(folder).find((file) => file === "order.json") as string;
  return { folder, file: join(folder, name), name };
};

test("check --fix keeps permissions and links", async () => {
  const { folder, file, name } = mendable();
  chmodSync(file, 0o600);
  symlinkSync(name, join(folder, "link.json"));
  const before = readFileSync(file, "utf8");
  await lumbit(["check", "link.json", "--fix", "--viewport", "1280x800"], folder);
  expect(readFileSync(file, "utf8")).not.toBe(before);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  expect(lstatSync(join(folder, "link.json")).isSymbolicLink()).toBe(true);
});

test("check --fix changes a part where it is written, once for all that use it", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine", "--from", "one-part-many"], folder);
  const file = join(folder, "mine/page.json");
  const page = JSON.parse(readFileSync(file, "utf8"));
  page.parts.wide = { part: "serif", fontSize: { min: "60px", max: "104px" }, wrap: false };
  const title = { name: "wide", part: "wide", text: "Five marks on the way down", depth: 4 };
  page.scenes[0].layers[0] = {
    ...title,
    copies: { times: 2, down: "9vh" },
    place: { center: "x", top: "9vh" },
  };
  writeFileSync(file, JSON.stringify(page, null, 2));
  const { stdout } = await lumbit(["check", "mine/page.json", "--fix", "--viewport", "390x844"], folder);
  expect(stdout).toContain("remove /parts/wide/wrap");
  const { parts, scenes } = JSON.parse(readFileSync(file, "utf8"));
  expect(parts.wide).toEqual({ part: "serif", fontSize: { min: "60px", max: "104px" } });
  expect(scenes[0].layers).toContainEqual(
    expect.objectContaining({ name: "wide", copies: { times: 2, down: "9vh" } }),
  );
});

test("lumbit new makes a page in the folder where one stands", async () => {
  const folder = temporaryFolder();
  const { ino } = statSync(folder);
  expect((await lumbit(["new", "."], folder)).status).toBe(0);
  expect(statSync(folder).ino).toBe(ino);
  expect((await lumbit(["check", "page.json", "--viewport", "1280x800"], folder)).status).toBe(0);
  expect((await lumbit(["new", "."], folder)).stderr).toContain("is not empty");
});

test("lumbit new begins with a recipe, and tells which there are", async () => {
  const folder = temporaryFolder();
  const { stdout } = await lumbit(["new", "--list", "--json"], folder);
  const recipes: { name: string; for: string }[] = JSON.parse(stdout).recipes;
  expect((await lumbit(["new", "--list"], folder)).stdout.match(/^[a-z]/gm)).toHaveLength(recipes.length);
  expect((await lumbit(["new", "mine", "--from", "six-hills"], folder)).status).toBe(0);
  expect(readdirSync(join(folder, "mine")).sort()).toEqual(["fonts", "lumbit-1.schema.json", "page.json"]);
  for (const [args, said] of [
    [
      ["new", "other", "--from", "seven-hills"],
      /there is no recipe "seven-hills"; there are arriving-planes/,
    ],
    [["new"], /name the folder to make/],
    [["new", "mine", "--from", "six-hills"], /mine is not empty/],
  ] as const) {
    const { status, stderr } = await lumbit(args, folder);
    expect([status, stderr]).toEqual([2, expect.stringMatching(said)]);
  }
  expect(readdirSync(folder)).toEqual(["mine"]);
});

test.each([
  ["build", "page.json", "-o", ""],
  ["proof", "page.json", "-o", " "],
  ["hand-over", "page.json", "-o", ""],
  ["preview", "page.json", "--port", ""],
])("lumbit %s %s %s %j is wrong use", async (...args) => {
  expect((await lumbit(args, root)).status).toBe(2);
});

test("build --watch and preview follow a page file that was away for a moment; nothing is changed through preview", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "."], folder);
  const file = join(folder, "page.json");
  const preview = spawn(process.execPath, [program, "preview", "page.json", "--port", "0"], {
    cwd: folder,
    env: environment,
  });
  const watch = spawn(process.execPath, [program, "build", "page.json", "-o", "site", "--watch"], {
    cwd: folder,
    env: environment,
  });
  let said = "";
  for (const stream of [preview.stdout, preview.stderr]) stream.on("data", (data) => (said += data));
  const poll = <T>(value: () => T) => expect.poll(value, { timeout: 20_000 });
  await poll(() => said).toMatch(/http:\S+/);
  const url = String(/http:\S+/.exec(said)?.[0]);
  await poll(() => existsSync(join(folder, "site/index.html"))).toBe(true);
  renameSync(file, join(folder, "keep"));
  await poll(() => said).toContain("there is no file");
  writeFileSync(file, readFileSync(join(folder, "keep"), "utf8").replaceAll("Low water", "Spring tide"));
  await poll(async () => (await fetch(url)).text()).toContain("Spring tide");
  await poll(() => readFileSync(join(folder, "site/index.html"), "utf8")).toContain("Spring tide");
  for (const method of ["POST", "PUT", "DELETE", "OPTIONS"])
    expect((await fetch(url, { method })).status, method).toBe(405);
  expect((await fetch(url, { method: "HEAD" })).status).toBe(200);
  for (const run of [preview, watch]) run.kill("SIGTERM");
});
