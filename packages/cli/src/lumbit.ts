import { run } from "./run.ts";

// Whoever reads the output may have read enough.
process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  if (error.code !== "EPIPE") throw error;
  process.exit();
});
await run(process.argv.slice(2));
