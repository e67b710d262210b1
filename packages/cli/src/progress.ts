import { AsyncLocalStorage } from "node:async_hooks";

/** Work that tells how far it is and can be given up. */
export interface Work {
  /** Told what is being done, and an empty text when it is. */
  onProgress?: (text: string) => void;
  /** Gives the work up: it ends with the signal's reason, and nothing is written from then on. */
  signal?: AbortSignal;
}

const current = new AsyncLocalStorage<Work>();

/** Does work under somebody's eyes. */
export async function under<T>({ onProgress, signal }: Work, work: () => Promise<T>): Promise<T> {
  signal?.throwIfAborted();
  const given = { ...(onProgress && { onProgress }), ...(signal && { signal }) };
  const done = current.run(given, work);
  if (!signal) return done;
  const aborted = new Promise<never>((_, refuse) => {
    signal.addEventListener("abort", () => refuse(signal.reason), { once: true });
  });
  // Work that goes on for a moment more is nobody's any more.
  done.catch(() => {});
  return Promise.race([done, aborted]);
}

/** Says how far something is: to whoever asked for the work, or on one line of a terminal that shows the last word only. */
export function say(text: string): void {
  const work = current.getStore();
  work?.signal?.throwIfAborted();
  if (work?.onProgress) work.onProgress(text);
  else if (!work && process.stderr.isTTY) process.stderr.write(`\r\u001b[K${text}`);
}
