import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";

test.each(["core", "settings"])(
  "%s imports nothing from outside itself but the table of settings",
  (name) => {
    const folder = join(import.meta.dirname, "..", name);
    const files = readdirSync(folder).filter((name) => name.endsWith(".ts") && !name.endsWith(".test.ts"));
    expect(files.length).toBeGreaterThan(5);
    for (const file of files)
      for (const [, from] of readFileSync(join(folder, file), "utf8").matchAll(/from "([^"]+)"/g))
        expect(from, file).toMatch(/^(\.\/[\w-]+|\.\.\/settings\/index)\.ts$/);
  },
);
