import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: [
      "packages/*/src/**/*.test.ts",
      "packages/*/test/**/*.test.ts",
      "examples/*/test/**/*.test.ts",
      "test/**/*.test.ts",
    ],
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
});
