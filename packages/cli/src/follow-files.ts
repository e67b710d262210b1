import { dirname, resolve } from "node:path";
import chokidar from "chokidar";

/** Files that are watched. */
export interface Followed {
  /** From now on these are watched, whether they are there or not. */
  follow(files: readonly string[]): void;
  close(): Promise<void>;
}

/**
 * Tells of changes of files. Their folders are watched: a file that goes away, as when a branch is changed, is followed
 * again when it is back.
 */
export function followFiles(onChange: () => void): Followed {
  let followed = new Set<string>();
  const watcher = chokidar.watch([], {
    ...{ ignoreInitial: true, depth: 0 },
    awaitWriteFinish: { stabilityThreshold: 80, pollInterval: 20 },
  });
  watcher.on("all", (_, path) => {
    if (followed.has(resolve(path))) onChange();
  });
  return {
    follow(files) {
      followed = new Set(files.map((file) => resolve(file)));
      watcher.add([...new Set([...followed].map((file) => dirname(file)))]);
    },
    close: () => watcher.close(),
  };
}
