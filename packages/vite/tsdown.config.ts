import { defineConfig } from "tsdown";

export default defineConfig({
  entry: { index: "src/index.ts" },
  platform: "node",
  fixedExtension: false,
  sourcemap: true,
  dts: !process.env.LUMBIT_UNTYPED,
});
