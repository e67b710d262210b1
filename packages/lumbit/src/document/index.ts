export { type Fault, formatFault } from "./fault.ts";
export { type Operation, patchText } from "./patch.ts";
export { type Reading, readPage } from "./read.ts";
export { pageJsonSchema } from "./schema.ts";
export type { Path, Source } from "./source.ts";
export { parsePointer } from "./source.ts";
