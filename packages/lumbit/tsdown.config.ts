import { defineConfig } from "tsdown";

export default defineConfig({
  entry: { core: "src/core/index.ts", document: "src/document/index.ts", static: "src/static/index.ts" },
  platform: "neutral",
  dts: true,
});
