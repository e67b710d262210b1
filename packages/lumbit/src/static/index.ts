export type { Assets, Picture } from "./assets.ts";
export { pageCss } from "./css.ts";
export { type HtmlOptions, pageHtml } from "./html.ts";
