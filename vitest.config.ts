import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: [
      "packages/*/src/**/*.test.ts",
      "packages/*/test/**/*.test.ts",
      "examples/*/test/**/*.test.ts",
      "test/**/*.test.ts",
    ],
    // Browsers measure each other when they share the machine.
    fileParallelism: false,
    // A browser on a busy machine may stop answering; a fault of ours fails twice.
    retry: 1,
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
});
