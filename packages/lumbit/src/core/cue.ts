import type { cue, ValuesOf } from "../settings/index.ts";

/** A change that plays once when the scroll passes a moment, from what it says to how the layer was composed. */
export type Cue = ValuesOf<typeof cue>;
