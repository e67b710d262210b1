/** Tells the words of texts whose ramps run over lines which of the lines on the reader's screen each is in. */
export function measureLines(scene: HTMLElement): void {
  for (const text of scene.querySelectorAll("[data-lumbit-is~=lines]")) {
    const lines = linesOf([...text.querySelectorAll<HTMLElement>(":scope > [data-lumbit-is~=piece]")]);
    for (const [index, words] of lines.entries())
      for (const word of words)
        word.style.setProperty("--lumbit-late", String(lines.length > 1 ? index / (lines.length - 1) : 0));
  }
}

/** Words by the lines that they stand in, whatever moves them. */
export function linesOf(words: readonly HTMLElement[]): HTMLElement[][] {
  const lines: HTMLElement[][] = [];
  let top = Number.NaN;
  for (const word of words) {
    if (Math.abs(word.offsetTop - top) > word.offsetHeight / 2 || lines.length === 0) lines.push([]);
    top = word.offsetTop;
    lines.at(-1)?.push(word);
  }
  return lines;
}
