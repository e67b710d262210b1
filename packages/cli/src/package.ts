import description from "../package.json" with { type: "json" };

export const { version } = description;

/** The folder of this package, from its sources as from what is built of them. */
export const packageFolder = new URL("..", import.meta.url);
