import { defineConfig } from "tsdown";

export default defineConfig({
  entry: { lumbit: "src/lumbit.ts", worker: "src/check/worker.ts" },
  platform: "node",
  dts: false,
  sourcemap: true,
  // With what it depends on: hundreds of small files, which every start and every thread would load anew.
  noExternal: [/^lumbit\//],
  inputOptions: { resolve: { mainFields: ["module", "main"] } },
});
