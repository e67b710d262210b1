import { randomBytes } from "node:crypto";
import { rmSync } from "node:fs";
import { readdir, rm } from "node:fs/promises";
import { basename, dirname, join } from "node:path";

/*
 * What is written beside its place first. Its name says whose it is, so that what a killed run has left goes with the next
 * one.
 */

const standing = new Set<string>();

/** Something beside a file or folder to write into, which is gone when the work is done, however that ends. */
export async function withAside<T>(target: string, work: (aside: string) => Promise<T>): Promise<T> {
  await removeAbandoned(target);
  const aside = `${target}.lumbit-${process.pid}-${randomBytes(4).toString("hex")}`;
  if (standing.size === 0) for (const signal of signals) process.once(signal, end);
  standing.add(aside);
  try {
    return await work(aside);
  } finally {
    await rm(aside, { recursive: true, force: true });
    standing.delete(aside);
    if (standing.size === 0) for (const signal of signals) process.off(signal, end);
  }
}

const signals = ["SIGINT", "SIGTERM", "SIGHUP"] as const;

function end(signal: NodeJS.Signals): void {
  for (const aside of standing) removed(aside);
  for (const one of signals) process.off(one, end);
  // Others that listen end by themselves; where nobody does, the signal ends this process.
  if (process.listenerCount(signal) === 0) process.kill(process.pid, signal);
}

/** Takes something away while files come in it that are being written; what stays after all goes with the next run. */
function removed(aside: string): void {
  for (let tries = 0; tries < 5; tries++)
    try {
      rmSync(aside, { recursive: true, force: true, maxRetries: 20, retryDelay: 10 });
      return;
    } catch {}
}

/** What runs that are no more have left beside a file or folder. */
async function removeAbandoned(target: string): Promise<void> {
  const folder = dirname(target);
  const start = `${basename(target)}.lumbit-`;
  for (const name of await readdir(folder).catch(() => [])) {
    const [, owner] = name.startsWith(start)
      ? (/^(\d+)-[0-9a-f]{8}$/.exec(name.slice(start.length)) ?? [])
      : [];
    if (owner !== undefined && !runs(Number(owner)))
      await rm(join(folder, name), { recursive: true, force: true });
  }
}

function runs(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
}
