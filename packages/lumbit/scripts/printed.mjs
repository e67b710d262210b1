import { rolldown } from "rolldown";

/** Files that are data: style sheets, and a table that is cut out of larger ones. */
const printing = /[\\/]markup[\\/][^\\/]+\.css\.ts$|[\\/]settings[\\/]plain-attributes\.ts$/;

/**
 * Files of data as what they come to, in place of what makes it: pages need no more than that. What such a file has besides
 * data is not there for pages.
 */
export const printed = () => ({
  name: "printed",
  async load(id) {
    if (!printing.test(id)) return;
    const bundle = await rolldown({ input: id, platform: "neutral", logLevel: "silent" });
    const [{ code }] = (await bundle.generate()).output;
    await bundle.close();
    const exported = Object.entries(
      await import(`data:text/javascript;base64,${Buffer.from(code).toString("base64")}`),
    ).filter(([, value]) => typeof value !== "function");
    return {
      code: exported.map(([name, value]) => `export const ${name} = ${written(value)};`).join("\n"),
      moduleType: "js",
    };
  },
});

/** Data as code. */
function written(value) {
  if (value instanceof RegExp) return String(value);
  if (typeof value === "string") return JSON.stringify(shortened(value));
  if (Array.isArray(value)) return `[${value.map(written).join()}]`;
  if (typeof value !== "object" || value === null) return String(value);
  return `{${Object.entries(value)
    .map(([name, own]) => `${JSON.stringify(name)}:${written(own)}`)
    .join()}}`;
}

/** A text of a style sheet without what it says to who reads it. */
const shortened = (css) =>
  css
    .replace(/\/\*[\s\S]*?\*\//g, "")
    .replace(/\s+/g, " ")
    .replace(/ ?([{};]) ?/g, "$1")
    .replaceAll(";}", "}")
    .replaceAll(", ", ",")
    .replace(/ ([*>/]) /g, "$1")
    .replaceAll(": ", ":");
