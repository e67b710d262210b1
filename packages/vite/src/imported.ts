import { readProject } from "@lumbit/cli";
import { formatFault } from "lumbit/document";
import type { Plugin } from "vite";

const query = /\?lumbit$/;

/** Page files as modules: the page, and where its files are in the site. */
export const imported = (): Plugin => ({
  name: "lumbit:imported",
  // Before what reads JSON.
  enforce: "pre",
  async load(id) {
    if (!query.test(id)) return;
    const file = id.replace(query, "");
    const { project, faults, files } = await readProject(file);
    for (const one of files) this.addWatchFile(one);
    if (!project) return this.error(faults.map(formatFault).join("\n"));
    const { page, pictures, fonts, videos } = project;
    const named = [...pictures, ...fonts, ...videos].map(({ path }, index) => ({
      path,
      name: `file${index}`,
    }));
    const address = new Map(named.map(({ path, name }) => [path, name]));
    const record = (entries: readonly string[]) => `{${entries.join()}}`;
    return {
      code: [
        ...named.map(({ path, name }) => `import ${name} from ${JSON.stringify(`./${path}?url&no-inline`)};`),
        `export const page = ${JSON.stringify(page)};`,
        `export const pictures = ${record(
          [...pictures, ...videos].map(
            ({ path, width, height }) =>
              `${JSON.stringify(path)}:{url:${address.get(path)},width:${width},height:${height}}`,
          ),
        )};`,
        `export const assets = {pictures,fonts:${record(fonts.map(({ path }) => `${JSON.stringify(path)}:${address.get(path)}`))}};`,
        sceneByName,
      ].join("\n"),
      map: null,
    };
  },
});

const sceneByName = `export function scene(name) {
  const found = page.scenes.find((one) => one.name === name);
  if (!found) throw new RangeError(\`there is no scene "\${name}"; the page has \${page.scenes.map(({ name }) => name).join(", ")}\`);
  return found;
}`;
