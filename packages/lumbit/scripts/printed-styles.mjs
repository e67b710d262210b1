import { rolldown } from "rolldown";

const printing = /[\\/]markup[\\/][^\\/]+\.css\.ts$/;

/**
 * Style sheets as the texts that they come to, in place of what prints them: pages need no more than that. What such a file
 * has besides data is not there for pages.
 */
export const printedStyles = () => ({
  name: "printed-styles",
  async load(id) {
    if (!printing.test(id)) return;
    const bundle = await rolldown({ input: id, platform: "neutral", logLevel: "silent" });
    const [{ code }] = (await bundle.generate()).output;
    await bundle.close();
    const exported = Object.entries(
      await import(`data:text/javascript;base64,${Buffer.from(code).toString("base64")}`),
    );
    if (!exported.some(([, value]) => typeof value === "string")) return;
    const literals = exported
      .filter(([, value]) => typeof value !== "function")
      .map(
        ([name, value]) =>
          `export const ${name} = ${typeof value === "string" ? once(value) : JSON.stringify(value)};`,
      );
    return { code: literals.join("\n"), moduleType: "js" };
  },
});

/** A text that minifiers do not write down wherever it is used. */
const once = (css) =>
  `String.raw\`${shortened(css).replace(/[`\\$]/g, (sign) => `\${${JSON.stringify(sign)}}`)}\``;

/** A style sheet without what it says to who reads it. */
const shortened = (css) =>
  css
    .replace(/\/\*[\s\S]*?\*\//g, "")
    .replace(/\s+/g, " ")
    .replace(/ ?([{};]) ?/g, "$1");
