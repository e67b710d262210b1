import { loads } from "./loads.ts";

type Loads = typeof loads;

/** What only some pages need. */
export type Parts = { [Name in keyof Loads]: Awaited<ReturnType<Loads[Name]>> };

const there: Partial<Parts> = {};

/** Has parts from the beginning. */
export const have = (parts: Partial<Parts>): void => void Object.assign(there, parts);

export const partIfThere = <Name extends keyof Parts>(name: Name): Parts[Name] | undefined => there[name];

/** Calls back with a part: at once where it is there, and else as soon as it is loaded. */
export function withPart<Name extends keyof Parts>(name: Name, use: (part: Parts[Name]) => void): void {
  const part = there[name];
  if (part) {
    use(part);
    return;
  }
  const load = loads[name] as () => Promise<Parts[Name]>;
  load()
    .then((part) => {
      there[name] = part;
      use(part);
    })
    .catch(reportError);
}
