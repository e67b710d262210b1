import { defineConfig } from "tsdown";

export default defineConfig({
  entry: { lumbit: "src/lumbit.ts", worker: "src/check/worker.ts" },
  platform: "node",
  dts: false,
});
