import type { Server } from "node:http";
import type { AddressInfo } from "node:net";
import { Problem } from "./problem.ts";

/** A server that listens on this machine only. */
export interface Listening {
  /** Its address, with a slash at the end. */
  url: string;
  close(): Promise<void>;
}

/**
 * Lets a server listen on a loopback address; 0 takes a free port.
 *
 * @throws Problem when the port is taken
 */
export async function listen(server: Server, port: number): Promise<Listening> {
  await new Promise<void>((listening, reject) => {
    server.once("error", (error: NodeJS.ErrnoException) =>
      reject(
        error.code === "EADDRINUSE"
          ? new Problem(`port ${port} is taken; choose another with --port, or 0 for a free one`)
          : error,
      ),
    );
    server.listen(port, "127.0.0.1", listening);
  });
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/`,
    async close() {
      const closed = new Promise((done) => server.close(done));
      // A page that is still open keeps its connections, and would connect again.
      server.closeAllConnections();
      await closed;
    },
  };
}

/** Whether a request names this machine: a foreign site must not read a designer's work through their browser. */
export const isLoopback = (host = ""): boolean => /^(127\.0\.0\.1|localhost)(:\d+)?$/.test(host);
