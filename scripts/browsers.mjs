// Finds the browsers the tests drive; installs Debian's package where it may, else says what to install.
import { execFileSync } from "node:child_process";
import { existsSync } from "node:fs";

/** Where each browser is looked for and which Debian packages bring it. */
const browsers = {
  chromium: {
    paths: [
      process.env.LUMBIT_CHROMIUM,
      "/usr/bin/chromium",
      "/usr/bin/chromium-browser",
      "/usr/bin/google-chrome",
      "/Applications/Google Chrome.app/Contents/MacOS/Google Chrome",
    ],
    packages: ["chromium"],
  },
  firefox: {
    paths: [
      process.env.LUMBIT_FIREFOX,
      "/usr/bin/firefox-esr",
      "/usr/bin/firefox",
      "/Applications/Firefox.app/Contents/MacOS/firefox",
    ],
    packages: ["firefox-esr"],
  },
  webkit: {
    paths: [
      process.env.LUMBIT_WEBKIT,
      ...["x86_64", "aarch64"].map((machine) => `/usr/lib/${machine}-linux-gnu/webkit2gtk-4.1/MiniBrowser`),
    ],
    packages: ["webkit2gtk-driver"],
  },
  webkitDriver: {
    paths: [process.env.LUMBIT_WEBKIT_DRIVER, "/usr/bin/WebKitWebDriver"],
    packages: ["webkit2gtk-driver"],
  },
  xvfb: { paths: [process.env.LUMBIT_XVFB, "/usr/bin/Xvfb"], packages: ["xvfb"] },
};

const find = ({ paths }) => paths.find((path) => path && existsSync(path));

/** The path of a browser's program; throws with one sentence that says what to install. */
export function browserPath(name) {
  const path = find(browsers[name]);
  if (path) return path;
  throw new Error(
    `${name} is not here: install it (Debian: apt-get install ${browsers[name].packages.join(" ")}), or set LUMBIT_${name.toUpperCase()} to its program.`,
  );
}

/** Makes sure that all browsers are here, installing Debian's packages when this user may. */
export function ensureBrowsers() {
  const missing = Object.values(browsers)
    .filter((browser) => !find(browser))
    .flatMap(({ packages }) => packages);
  if (missing.length > 0 && process.getuid?.() === 0 && existsSync("/usr/bin/apt-get")) {
    console.log(`installing ${missing.join(", ")}`);
    const apt = (...args) =>
      execFileSync("apt-get", ["-qq", ...args], {
        stdio: ["ignore", "ignore", "inherit"],
        env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
      });
    apt("update");
    apt("install", "-y", "--no-install-recommends", ...new Set(missing));
  }
  for (const name of Object.keys(browsers)) browserPath(name);
}

/**
 * What playwright-core turns off (of two such lists Chromium heeds the last), and what falls open below the address bar:
 * made ready for each window, it takes 0.7 s of the machine.
 */
const withoutFeatures = [
  ...["AimEnabled", "AvoidCorsURLLoaderRestartOnRedirect", "AvoidUnnecessaryBeforeUnloadCheckSync"],
  ...["DestroyProfileOnBrowserClose", "HttpsFirstBalancedModeAutoEnable", "HttpsUpgrades", "LensOverlay"],
  ...["MediaRouter", "NetworkTimeServiceQuerying", "OptimizationHints", "PaintHolding", "PreconnectToSearch"],
  ...["ThirdPartyStoragePartitioning", "WebUIOmniboxPopup", "WebUIOmniboxAimPopup"],
];

/** Chromium without what it would look up on its own. */
export const chromiumArguments = [
  `--disable-features=${withoutFeatures.join()}`,
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];
