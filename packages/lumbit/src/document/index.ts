export { type Expanded, expand } from "./expand.ts";
export { type Fault, formatFault, inOrder, printable } from "./fault.ts";
export { type Link, leadsNowhere, linksOf } from "./links.ts";
export { atOrigin, type Operation, patchText } from "./patch.ts";
export { type Reading, readPage } from "./read.ts";
export { type Reference, referencesIn } from "./references.ts";
export { pageJsonSchema } from "./schema.ts";
export type { Path, Source } from "./source.ts";
export { parsePointer, pointer } from "./source.ts";
