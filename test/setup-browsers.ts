import { beforeEach } from "vitest";
import { endBrowsers } from "./engines.ts";

beforeEach(async ({ task }) => {
  if (task.result?.retryCount) await endBrowsers();
});
