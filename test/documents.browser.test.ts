import { spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import * as core from "lumbit/core";
import { readPage, type SharedFile } from "lumbit/document";
import ts from "typescript";
import { afterAll, describe, expect, test } from "vitest";
import { tableDocuments, withTables } from "../scripts/document-settings.mjs";
import { lumbit, program, root, temporaryFolder } from "./command.ts";

/** Every command and snippet of the documents is run here. */
const files = [
  "README.md",
  "ARCHITECTURE.md",
  ...readdirSync(join(root, "docs"))
    .filter((name) => name.endsWith(".md"))
    .map((name) => `docs/${name}`),
];
const read = (file: string) => readFileSync(join(root, file), "utf8");
const blocks = (file: string, language: string) =>
  [...read(file).matchAll(new RegExp(`\`\`\`${language}\n([\\s\\S]*?)\`\`\``, "g"))].map(([, code]) =>
    String(code),
  );

describe.each(files)("%s", (file) => {
  const commands = blocks(file, "sh").flatMap((block) => block.trim().split("\n"));
  const own = commands.filter((line) => line.startsWith("lumbit "));
  test.runIf(own.length > 0)("its commands work", async () => {
    const folder = temporaryFolder();
    if (!own.some((line) => line.startsWith("lumbit new"))) await lumbit(["new", "my-page"], folder);
    await lumbit(["new", "earlier"], folder);
    for (const line of own) {
      const args = line.split(" ").slice(1);
      const serving = { preview: ["--port", "0"], compose: ["--port", "0", "--no-open"] }[args[0] ?? ""];
      if (serving) await serves(process.execPath, [program, ...args, ...serving], folder);
      else expect(await lumbit(args, folder), line).toMatchObject({ status: 0, stderr: "" });
    }
  });

  test("its other commands are the repository's own", () => {
    const scripts = JSON.parse(read("package.json")).scripts;
    for (const line of commands.filter((line) => !own.includes(line))) {
      const name = /^npm (?:run )?([\w-]+)$/.exec(line)?.[1];
      expect(scripts, line).toHaveProperty(String(name));
    }
  });

  test("its JSON is right", () => {
    let shared: SharedFile | undefined;
    for (const block of blocks(file, "json")) {
      const value = JSON.parse(block);
      // What the page after it shares.
      if (value.format && !value.scenes) {
        shared = { file: "house.json", text: block };
        continue;
      }
      // A page, a scene or layers.
      const scene = value.hold || value.content ? value : { name: "s", layers: [value].flat() };
      const page = value.format ? value : { format: "lumbit/1", title: "t", lang: "en", scenes: [scene] };
      expect(readPage(JSON.stringify(page), file, shared).faults, block).toEqual([]);
    }
  });

  test("its TypeScript runs and prints what it says", () => {
    for (const block of blocks(file, "ts")) {
      const folder = join(root, "node_modules/.cache/lumbit-documents");
      mkdirSync(folder, { recursive: true });
      const program = join(folder, "snippet.mjs");
      writeFileSync(
        program,
        ts.transpileModule(block, {
          compilerOptions: { module: ts.ModuleKind.ESNext, target: ts.ScriptTarget.ESNext },
        }).outputText,
      );
      const { stdout, stderr } = spawnSync(process.execPath, [program], { encoding: "utf8" });
      expect(stderr, block).toBe("");
      const said = /console\.log\(.*\); \/\/ (\S+?):?( |$)/m.exec(block)?.[1];
      if (said) expect(stdout.trim()).toBe(said);
    }
  });

  test("its links and pictures are there", () => {
    for (const [, link] of read(file).matchAll(/\]\(([^)#:]+)\)/g))
      expect(existsSync(join(root, dirname(file), String(link))), link).toBe(true);
  });
});

test.each([
  ["react", "tsx", "app.tsx"],
  ["vue", "vue", "App.vue"],
  ["svelte", "svelte", "App.svelte"],
])("what the document for %s says is in its example, which runs in a test", (name, language, app) => {
  const plain = (text: string) => text.replaceAll(/\s+/g, "");
  const example = plain(read(`examples/${name}/src/${app}`));
  const said = blocks(`docs/${name}.md`, language);
  expect(said.length).toBe(2);
  for (const block of said) expect(example).toContain(plain(block));
});

test("npx lumbit runs in the repository", () => {
  const { stdout } = spawnSync("npx", ["--no", "--", "lumbit", "--version"], { cwd: root, encoding: "utf8" });
  expect(stdout.trim()).toBe(JSON.parse(read("packages/cli/package.json")).version);
});

test.each(["demo", "compose", "recipes"])("npm run %s serves what it says", (script) => {
  const more = script === "compose" ? ["--no-open"] : [];
  return serves("npm", ["run", script, "--", "--port", "0", ...more], root);
});

test.each(tableDocuments)("the tables in %s are those of the library", (file) => {
  const text = read(file);
  expect(text.match(/<!-- (settings: |recipes)/g)?.length).toBeGreaterThan(0);
  expect(withTables(text), "npm run document-settings writes them").toBe(text);
});

test("everything that lumbit/core exports is in the document of the library", () => {
  const text = read("docs/api.md");
  expect(Object.keys(core).length).toBeLessThan(20);
  for (const name of Object.keys(core)) expect(text, name).toMatch(new RegExp(`\`${name}[\`(]`));
});

test("every screenshot is shown in a document", () => {
  const documents = files.map(read).join("\n");
  for (const name of readdirSync(join(root, "docs/screenshots")))
    expect(documents).toContain(`screenshots/${name}`);
});

/** Runs a command until it has printed its address and that address answers; told to end, it ends. */
async function serves(program: string, args: string[], cwd: string): Promise<void> {
  const server = spawn(program, args, {
    cwd,
    detached: true,
    env: { ...process.env, NO_COLOR: "1", FORCE_COLOR: undefined },
  });
  try {
    let output = "";
    server.stdout.on("data", (data) => (output += data));
    await expect.poll(() => output, { timeout: 100_000 }).toMatch(/http:\/\/127\.0\.0\.1:\d+\//);
    const response = await fetch(String(/http:\S+/.exec(output)?.[0]));
    expect(await response.text()).toMatch(/data-lumbit-scene|id="(composer|recipes)"/);
  } finally {
    const ended = once(server, "exit");
    process.kill(-Number(server.pid));
    await ended;
  }
}

afterAll(() => rmSync(join(root, "node_modules/.cache/lumbit-documents"), { recursive: true, force: true }));
