import { defineConfig, type UserConfig } from "tsdown";

const files: UserConfig = {
  // The command, what it judges with in threads of their own, and what it does as functions.
  entry: { lumbit: "src/lumbit.ts", worker: "src/check/worker.ts", index: "src/index.ts" },
  platform: "node",
  dts: false,
  sourcemap: true,
  // With what it depends on: hundreds of small files, which every start and every thread would load anew.
  noExternal: [/^lumbit\//],
  inputOptions: { resolve: { mainFields: ["module", "main"] } },
};

const types: UserConfig = {
  entry: { index: "src/index.ts" },
  platform: "node",
  dts: { emitDtsOnly: true },
  clean: false,
};

// Where faults are planted only what runs is needed.
export default defineConfig(process.env.LUMBIT_UNTYPED ? [files] : [files, types]);
