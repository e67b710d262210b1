import { defineConfig } from "tsdown";

export default defineConfig([
  {
    entry: {
      lumbit: "src/runtime/index.ts",
      core: "src/core/index.ts",
      document: "src/document/index.ts",
      static: "src/static/index.ts",
    },
    platform: "neutral",
    dts: true,
  },
  // One file for pages: what browsers without scroll-driven animations load.
  {
    entry: { scripted: "src/runtime/start.ts" },
    outDir: "dist/browser",
    platform: "browser",
    minify: true,
    dts: false,
  },
]);
