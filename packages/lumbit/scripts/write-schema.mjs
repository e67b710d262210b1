// Writes the JSON Schema of the page file beside the built library, for editors.
import { writeFileSync } from "node:fs";
import { pageJsonSchema } from "../dist/document.js";

const target = new URL("../dist/lumbit-1.schema.json", import.meta.url);
writeFileSync(target, `${JSON.stringify(pageJsonSchema(), null, 2)}\n`);
