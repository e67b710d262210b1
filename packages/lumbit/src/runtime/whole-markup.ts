import { have } from "./parts.ts";
import { whole } from "./whole.ts";

have(whole);

export * from "./markup.ts";
