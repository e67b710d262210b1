/** Says how far something is, on one line of a terminal that shows the last word only; nothing where none reads. */
export function say(text: string): void {
  if (process.stderr.isTTY) process.stderr.write(`\r\u001b[K${text}`);
}
