import { readdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** Where the composer is that was built. */
export const appFolder = join(
  dirname(fileURLToPath(import.meta.resolve("@lumbit/composer/package.json"))),
  "dist",
);

/** Its files, by their paths in it; its copy of the demo is for those who have no folder. */
export function builtApp(): Map<string, Buffer> {
  const files = readdirSync(appFolder, { recursive: true, withFileTypes: true }).filter((entry) =>
    entry.isFile(),
  );
  return new Map(
    files.flatMap(({ parentPath, name }) => {
      const file = join(parentPath, name);
      const path = file.slice(appFolder.length + 1).replaceAll("\\", "/");
      return path.startsWith("demo/") ? [] : [[path, readFileSync(file)] as const];
    }),
  );
}
