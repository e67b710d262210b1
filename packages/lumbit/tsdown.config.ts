import { defineConfig, type UserConfig } from "tsdown";
import { firstModules } from "./scripts/first-modules.mjs";
import { printed } from "./scripts/printed.mjs";
import { withoutMeanings } from "./scripts/without-meanings.mjs";

// Where faults are planted only what runs is needed.
const dts = !process.env.LUMBIT_UNTYPED;

/** What pages are made of: entries for bundlers, with what only documents need left out. */
const pages = { markup: "src/runtime/markup.ts", scene: "src/runtime/scene.ts" };
/** The same as one file each, with all that they would load later. */
const wholePages = { markup: "src/runtime/whole-markup.ts", scene: "src/runtime/whole-scene.ts" };

/** What reads page files lies beside, and is loaded by who needs it. */
const readerBeside = {
  name: "reader-beside",
  resolveId: (source: string) =>
    source === "lumbit/document" ? { id: "./document.js", external: true as const } : undefined,
};

/** One file has all from the beginning: it loads nothing, and does without the style of who does. */
const asOneFile = {
  name: "as-one-file",
  transform(code: string, id: string) {
    if (/runtime[\\/]parts\.ts$/.test(id))
      return { code: code.replace(/= \/\* @__PURE__ \*\/ part\([\s\S]*?\);\n/g, "= {};\n"), map: null };
    return undefined;
  },
  load: (id: string) =>
    /markup[\\/]plain-markup\.css\.ts$/.test(id)
      ? { code: 'export const plainCss = "";', moduleType: "js" as const }
      : undefined,
};

const plugins = [printed(), withoutMeanings()];
/** What pages of attributes begin with, and pages of scenes, in a file each: many small ones come out larger, compressed. */
const groups = await Promise.all(
  Object.entries(pages).map(async ([name, path]) => {
    const first = await firstModules(path, plugins);
    return { name: `first-of-${name}`, test: (id: string) => first.has(id) };
  }),
);

export default defineConfig([
  {
    entry: {
      ...{ lumbit: "src/runtime/index.ts", ...pages },
      // What bundlers take while somebody develops.
      "lumbit.development": "src/runtime/development.ts",
      "scene.development": "src/runtime/scene-development.ts",
      element: "src/components/element.ts",
      react: "src/components/react.ts",
      vue: "src/components/vue.ts",
      "svelte-scene": "src/components/svelte-scene.ts",
      "element.development": "src/components/element-development.ts",
      "react.development": "src/components/react-development.ts",
      "vue.development": "src/components/vue-development.ts",
      "svelte-scene.development": "src/components/svelte-scene-development.ts",
    },
    platform: "neutral",
    // Svelte compiles its components where they are used.
    copy: [{ from: "src/components/svelte", to: "dist" }],
    sourcemap: true,
    plugins: [...plugins, readerBeside],
    // What a first file needs is in it or in the one before, by what they are.
    outputOptions: { codeSplitting: { includeDependenciesRecursively: false, groups } },
    dts,
  },
  // Tools, with all that they use: whoever only mounts scenes installs none of it.
  {
    entry: {
      core: "src/core/public.ts",
      internal: "src/core/index.ts",
      document: "src/document/index.ts",
      checks: "src/checks/index.ts",
      settings: "src/settings/index.ts",
      static: "src/static/index.ts",
      text: "src/text/index.ts",
    },
    platform: "neutral",
    sourcemap: true,
    inputOptions: { resolve: { mainFields: ["module", "main"] } },
    noExternal: [/./],
    clean: false,
    dts,
  },
  // One file each for pages: what brings scenes to life without a bundler; and scripts for built pages: what browsers without
  // scroll-driven animations load, what plays cues and films, what sways, what keeps reels' titles, what measures heights and
  // lines that CSS cannot know, what tells in a header where the reader is, what brings links into view that are focused.
  ...Object.entries({
    ...wholePages,
    scripted: "src/runtime/start.ts",
    cues: "src/runtime/start-cues.ts",
    sway: "src/runtime/start-sway.ts",
    reels: "src/runtime/start-reels.ts",
    lines: "src/runtime/start-lines.ts",
    edges: "src/runtime/start-edges.ts",
    videos: "src/runtime/start-videos.ts",
    header: "src/runtime/start-header.ts",
    focus: "src/runtime/start-focus.ts",
  }).map(
    ([name, path]): UserConfig => ({
      entry: { [name]: path },
      outDir: "dist/browser",
      platform: "browser",
      plugins: [asOneFile, ...plugins],
      minify: true,
      sourcemap: name in wholePages,
      // Scripts that run where modules may not: in pages that are opened from a disk.
      ...(name in wholePages ? {} : { format: "iife", outputOptions: { entryFileNames: "[name].js" } }),
      clean: false,
      dts: false,
    }),
  ),
]);
