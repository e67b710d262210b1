import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { buildSite, checkProject, measureProject, proofOf, readProject, requireProject } from "@lumbit/cli";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "../../../test/command.ts";

/** What the command does, as functions. */
test("a project is read, built, checked, measured and proved, as the command does it", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine"], folder);
  const file = join(folder, "mine/page.json");
  const { project, faults } = await readProject(file);
  expect(faults).toEqual([]);
  if (!project) throw new Error("no project");
  const told: string[] = [];
  const site = await buildSite(project, {
    output: join(folder, "site"),
    onProgress: (text) => told.push(text),
  });
  expect(told).toEqual([
    "building the site",
    ...Array.from({ length: 5 }, (_, index) => `making pictures: ${index + 1} of 5`),
    "",
  ]);
  expect(readFileSync(join(folder, "site/index.html"), "utf8")).toBe(site.get("index.html"));

  const viewport = { width: 390, height: 844 };
  const json = async (...args: string[]) =>
    JSON.parse((await lumbit([...args, "--viewport", "390x844", "--json"], folder)).stdout);
  const { findings } = await json("check", "mine/page.json");
  expect(JSON.parse(JSON.stringify(await checkProject(project, { viewports: [viewport] })))).toEqual(
    findings,
  );
  const { poses } = await json("measure", "mine/page.json", "--scroll", "200");
  expect(JSON.parse(JSON.stringify(measureProject(project, { viewport, scroll: 200 })))).toEqual(poses[0]);
  const { content, screens, moments } = await proofOf(project, {
    kind: "html",
    viewports: [viewport],
    moments: 3,
  });
  expect([screens, moments]).toEqual([1, 3]);
  expect(String(content)).toContain("390");
  await expect(requireProject(join(folder, "nowhere.json"))).rejects.toThrow("there is no file");
});

test("work that is given up writes nothing", async () => {
  const folder = temporaryFolder();
  await lumbit(["new", "mine"], folder);
  const project = await requireProject(join(folder, "mine/page.json"));
  const given = new AbortController();
  const onProgress = () => given.abort(new Error("enough"));
  const { signal } = given;
  await expect(buildSite(project, { output: join(folder, "site"), onProgress, signal })).rejects.toThrow(
    "enough",
  );
  expect(existsSync(join(folder, "site"))).toBe(false);
});
