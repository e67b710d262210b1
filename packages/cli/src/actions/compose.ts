import colors from "picocolors";
import { startComposer } from "../compose/compose.ts";
import { openInBrowser } from "../compose/open-in-browser.ts";

/** Serves the composer until it is told to end. */
export async function compose(file: string, { port, open }: { port: number; open: boolean }): Promise<void> {
  const served = await startComposer(file, port);
  console.log(`${colors.bold(served.url)}  (Ctrl+C ends)`);
  if (open) openInBrowser(served.url);
  await new Promise<void>((done) => {
    process.once("SIGINT", done);
    process.once("SIGTERM", done);
  });
  await served.close();
}
