import { settleCss } from "./settle.ts";

const words = ["auto", "enter", "top", "middle", "bottom", "leave"] as const;

/** p0 in CSS where it has a name. */
export const settleWords = Object.fromEntries(words.map((word) => [word, settleCss(word)])) as Readonly<
  Record<(typeof words)[number], string>
>;
