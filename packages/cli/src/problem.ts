import type { Fault } from "lumbit/document";

/** Wrong use or wrong input: what, where, what is allowed, what to do. Ends a command with exit code 2. */
export class Problem extends Error {
  constructor(
    message: string,
    readonly faults: readonly Fault[] = [],
  ) {
    super(message);
  }

  /** Any error as a problem: what the system refused is said in words, never as a stack trace. */
  static from(error: unknown): Problem {
    if (error instanceof Problem) return error;
    const { code, path, message } = error as NodeJS.ErrnoException;
    const reason = code && systemReasons[code];
    return new Problem(
      reason ? `${path ?? "this"} ${reason}` : `something went wrong inside lumbit: ${message}`,
    );
  }
}

const systemReasons: Record<string, string> = {
  ENOENT: "does not exist",
  EACCES: "may not be read or written by you; change its permissions",
  EPERM: "may not be changed by you; change its permissions",
  EISDIR: "is a folder; name a file",
  ENOTDIR: "lies below something that is not a folder",
  ENOSPC: "does not fit: the disk is full",
  EROFS: "is on a disk that cannot be written to",
};

/** "1 fault", "3 faults". */
export const count = (number: number, noun: string): string => `${number} ${noun}${number === 1 ? "" : "s"}`;
