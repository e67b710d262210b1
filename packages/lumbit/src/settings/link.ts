/**
 * Whether a link may be published: a fragment, a path or an address whose scheme runs nothing. Browsers pass over
 * control characters and spaces in a scheme, so an address that has any is refused.
 */
export function isSafeLink(href: string): boolean {
  // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
  if (href === "" || /[\u0000-\u0020\u007f\\]/.test(href)) return false;
  const scheme = /^([a-z][a-z0-9+.-]*):/i.exec(href)?.[1]?.toLowerCase();
  return scheme === undefined || ["https", "http", "mailto", "tel"].includes(scheme);
}
