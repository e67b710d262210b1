import { cpSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

const demo = join(import.meta.dirname, "../../examples/tidehouse");
/** What of the demo is its page. */
const parts = ["page.json", "art", "fonts"];

/** Puts the demo beside the app, with a list of its files: who has no server to ask begins with it too. */
const withDemo = (): Plugin => ({
  name: "demo",
  apply: "build",
  writeBundle({ dir = "dist" }) {
    const home = join(dir, "demo");
    for (const part of parts) cpSync(join(demo, part), join(home, part), { recursive: true });
    const files = readdirSync(home, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && entry.name !== "files.json")
      .map(({ parentPath, name }) =>
        join(parentPath, name)
          .slice(home.length + 1)
          .replaceAll("\\", "/"),
      );
    writeFileSync(join(home, "files.json"), JSON.stringify(files));
  },
});

/** The app; the document of its stages is in `public`. */
export default defineConfig({
  base: "./",
  plugins: [react(), withDemo()],
  build: {
    // Pictures and fonts as files, so that no policy has to allow data addresses.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
  },
});
