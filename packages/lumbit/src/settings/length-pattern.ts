/** Lengths in units, and sums of them as CSS has it; letters are not spaced by sums. */
export function lengthPattern(units: readonly string[], negative: boolean): RegExp {
  // At most five digits before the point (`longest.length`).
  const number = String.raw`(\d{1,5}(\.\d*)?|\.\d+)`;
  const one = `${number}(${units.join("|")})`;
  const sign = negative ? "[+-]?" : "\\+?";
  if (units.includes("em")) return new RegExp(`^${sign}${one}$`);
  return new RegExp(`^(${sign}${one}|calc\\(\\s*[+-]?${one}(\\s+[+-]\\s+${one})*\\s*\\))$`);
}
