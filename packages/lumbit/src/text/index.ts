export type { PageFont, TextFont } from "./font.ts";
export { naturalSizes, type SizedPage } from "./natural.ts";
export { TextSizer } from "./text-size.ts";
