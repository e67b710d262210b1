import { availableParallelism } from "node:os";
import { defineConfig } from "vitest/config";

const everywhere = ["packages/*/{src,test}", "examples/*/test", "test"];

// One seed for the random cases of a run; whoever gives it takes a run again.
process.env.LUMBIT_SEED ??= String(Math.floor(Math.random() * 2 ** 31));

export default defineConfig({
  test: {
    reporters: ["default", "./test/reporter.ts"],
    // The command changes its working folder in tests, which a thread of its own may not.
    pool: "forks",
    maxWorkers: availableParallelism(),
    projects: [
      {
        extends: true,
        test: {
          name: "plain",
          include: everywhere.map((folder) => `${folder}/**/*.test.ts`),
          exclude: ["**/*.browser.test.ts", "**/node_modules/**"],
          setupFiles: "test/setup.ts",
          // Machines are shared, and five times as slow in some hours: what hangs is found all the same.
          testTimeout: 240_000,
          hookTimeout: 240_000,
        },
      },
      {
        extends: true,
        test: {
          name: "browsers",
          include: everywhere.map((folder) => `${folder}/**/*.browser.test.ts`),
          setupFiles: ["test/setup.ts", "test/setup-browsers.ts"],
          // Files of one worker share its browsers.
          isolate: false,
          // A browser on a busy machine may stop answering; what was tried again is named at the end of the run.
          retry: 1,
          testTimeout: 300_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
});
