import { defineConfig } from "tsdown";

export default defineConfig([
  {
    entry: {
      lumbit: "src/runtime/index.ts",
      core: "src/core/public.ts",
      internal: "src/core/index.ts",
      document: "src/document/index.ts",
      checks: "src/checks/index.ts",
      settings: "src/settings/index.ts",
      static: "src/static/index.ts",
    },
    platform: "neutral",
    // Where faults are planted only what runs is needed.
    dts: !process.env.LUMBIT_UNTYPED,
  },
  // One file each for pages: what browsers without scroll-driven animations load, what plays cues, what sways, what
  // keeps reels' titles, what measures heights and lines that CSS cannot know.
  ...Object.entries({
    scripted: "src/runtime/start.ts",
    cues: "src/runtime/start-cues.ts",
    sway: "src/runtime/start-sway.ts",
    reels: "src/runtime/start-reels.ts",
    lines: "src/runtime/start-lines.ts",
    edges: "src/runtime/start-edges.ts",
  }).map(
    ([name, path]) =>
      ({
        entry: { [name]: path },
        outDir: "dist/browser",
        platform: "browser",
        minify: true,
        clean: false,
        dts: false,
      }) as const,
  ),
]);
