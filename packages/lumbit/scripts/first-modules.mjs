import { rolldown } from "rolldown";

/** The files that an entry has to load before it does anything: all but the entry itself, and what it loads later. */
export async function firstModules(input, plugins) {
  const bundle = await rolldown({ input, platform: "neutral", plugins, logLevel: "silent" });
  const { output } = await bundle.generate();
  await bundle.close();
  const chunks = new Map(
    output.filter(({ type }) => type === "chunk").map((chunk) => [chunk.fileName, chunk]),
  );
  const entry = output.find(({ isEntry }) => isEntry);
  const first = new Set();
  const visit = (chunk) => {
    if (!chunk || first.has(chunk)) return;
    first.add(chunk);
    for (const imported of chunk.imports) visit(chunks.get(imported));
  };
  visit(entry);
  return new Set(
    [...first].flatMap(({ modules }) =>
      Object.keys(modules).filter((id) => modules[id].renderedLength > 0 && id !== entry.facadeModuleId),
    ),
  );
}
