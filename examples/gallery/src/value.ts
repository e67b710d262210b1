/** The last number in a text: "cover 40%" is 40 % of a range. */
const lastNumber = /-?\d+(?:\.\d+)?(?=[^\d]*$)/;

/** The keys of a JSON pointer (RFC 6901); nothing here has a key with a slash or a tilde. */
const keysOf = (pointer: string) => pointer.split("/").slice(1);

/** The number at a JSON pointer: of a text the last one in it; 0 where there is nothing yet. */
export function valueAt(page: object, pointer: string): number {
  const found = keysOf(pointer).reduce<unknown>((value, key) => Object(value)[key], page);
  return typeof found === "string" ? Number(lastNumber.exec(found)?.[0] ?? 0) : Number(found ?? 0);
}

/** A page with another number at a JSON pointer; the unit and the words around it stay. */
export function withValue<T extends object>(page: T, pointer: string, value: number): T {
  const changed = structuredClone(page);
  const keys = keysOf(pointer);
  const last = keys.pop() ?? "";
  const around = keys.reduce<Record<string, unknown>>(
    (inner, key) => inner[key] as Record<string, unknown>,
    changed as Record<string, unknown>,
  );
  const before = around[last];
  around[last] = typeof before === "string" ? before.replace(lastNumber, String(value)) : value;
  return changed;
}
