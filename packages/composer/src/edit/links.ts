import { allLayers, type Page } from "lumbit/core";

/** What may lead somewhere: by itself, or with words. */
interface Linked {
  href?: string;
  text?: string;
  list?: string[];
}

/**
 * Has all links of a page that lead to `from`, such as `#scene` or `#scene/name`, lead to `to` instead, and those to what is
 * in it to the same in `to`; nothing is in `#top`.
 */
export function followLinks(page: Page, from: string, to: string): void {
  const moved = (href: string) =>
    href === from || href.startsWith(`${from}/`) ? to + (to === "#top" ? "" : href.slice(from.length)) : href;
  // In words they stand as in CommonMark.
  const inWords = (words: string) =>
    words.replace(/(\]\(<?)(#[^)>\s]+)/g, (_, before: string, href: string) => before + moved(href));
  const header = page.page?.header;
  const blocks = page.scenes.flatMap(({ content = [], layers }) => [...content, ...allLayers(layers)]);
  for (const own of [...(header ? [header, ...(header.links ?? [])] : []), ...blocks] as Linked[]) {
    if (own.href !== undefined && moved(own.href) !== own.href) own.href = moved(own.href);
    if (own.text !== undefined && inWords(own.text) !== own.text) own.text = inWords(own.text);
    for (const [at, words] of (own.list ?? []).entries())
      if (own.list && inWords(words) !== words) own.list[at] = inWords(words);
  }
}
