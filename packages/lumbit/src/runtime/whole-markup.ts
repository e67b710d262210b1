import { more } from "./adopt/more/index.ts";
import { have } from "./parts.ts";
import { whole } from "./whole.ts";

have({ ...whole, markup: more });

export * from "./markup.ts";
