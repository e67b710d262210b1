import { defineConfig } from "vite";

/**
 * What runs on a stage, as one classic script: a frame that cannot reach the app gets modules only from hosts that give
 * them to anybody, and of the host nothing is asked.
 */
export default defineConfig({
  publicDir: false,
  build: {
    emptyOutDir: false,
    rolldownOptions: {
      input: "src/stage/stage.ts",
      output: { format: "iife", entryFileNames: "stage.js" },
    },
  },
});
