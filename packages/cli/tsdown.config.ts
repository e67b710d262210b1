import { defineConfig } from "tsdown";

export default defineConfig({ entry: ["src/lumbit.ts"], platform: "node", dts: false });
