import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";

test("the core imports nothing from outside itself", () => {
  const folder = import.meta.dirname;
  const files = readdirSync(folder).filter((name) => name.endsWith(".ts") && !name.endsWith(".test.ts"));
  expect(files.length).toBeGreaterThan(5);
  for (const file of files)
    for (const [, from] of readFileSync(join(folder, file), "utf8").matchAll(/from "([^"]+)"/g))
      expect(from, file).toMatch(/^\.\/[\w-]+\.ts$/);
});
