import { spawn } from "node:child_process";

const programs: Partial<Record<NodeJS.Platform, [program: string, ...args: string[]]>> = {
  darwin: ["open"],
  win32: ["explorer"],
};

/** Opens an address in the browser of whoever works here; where none can be started, it stands in the terminal. */
export function openInBrowser(url: string): void {
  const [program, ...args] = programs[process.platform] ?? ["xdg-open"];
  spawn(program, [...args, url], { stdio: "ignore", detached: true })
    .on("error", () => {})
    .unref();
}
