import type { Page } from "../core/index.ts";

/**
 * The page of the page file at an address, with its parts and copies written out, and what it shares with others.
 *
 * @throws Error that says what is not there or what is wrong
 */
export async function pageAt(url: URL, called: string): Promise<Page> {
  const text = await textAt(url, called);
  if (!/"(part|parts|copies|shared)"\s*:/.test(text)) return JSON.parse(text);
  // Loaded here: the reader is large, and most pages are written as they are.
  const { formatFault, readPage, sharedIn } = await import("lumbit/document");
  const file = sharedIn(text);
  const shared = file === undefined ? undefined : { file, text: await textAt(new URL(file, url), file) };
  const { page, faults } = readPage(text, called, shared);
  if (!page) throw new Error(formatFault(faults[0]));
  return page;
}

async function textAt(url: URL, called: string): Promise<string> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`${called} is not there (${response.status})`);
  return response.text();
}
