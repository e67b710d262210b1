import { fileURLToPath } from "node:url";
import { gzipSync } from "node:zlib";
import { rolldown } from "rolldown";

const entry = fileURLToPath(new URL("../entry.js", import.meta.url));

/**
 * What a page that a bundler makes of some code loads, in bytes, compressed: with its own script, and later, by the names of
 * the files.
 */
export async function loadedBy(code) {
  const bundle = await rolldown({
    input: entry,
    platform: "browser",
    logLevel: "silent",
    plugins: [
      {
        name: "entry",
        resolveId: (id) => (id === entry ? id : undefined),
        load: (id) => (id === entry ? code : undefined),
      },
    ],
  });
  const { output } = await bundle.generate({ minify: true });
  await bundle.close();
  const chunks = new Map(output.map((chunk) => [chunk.fileName, chunk]));
  const first = new Set();
  const visit = (fileName) => {
    if (first.has(fileName)) return;
    first.add(fileName);
    for (const imported of chunks.get(fileName).imports) visit(imported);
  };
  visit(output.find(({ isEntry }) => isEntry).fileName);
  const sizes = [...chunks.values()].map(({ fileName, name, code }) => ({
    ...{ fileName, name, bytes: gzipSync(code, { level: 9 }).length },
  }));
  return {
    first: sizes.filter(({ fileName }) => first.has(fileName)).reduce((sum, { bytes }) => sum + bytes, 0),
    later: sizes
      .filter(({ fileName }) => !first.has(fileName))
      .map(({ name, bytes }) => [name.replace(/-[\w-]{8}$/, ""), bytes]),
  };
}
