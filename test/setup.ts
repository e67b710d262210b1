import fc from "fast-check";

// What tests read of terminals is text.
delete process.env.FORCE_COLOR;
process.env.NO_COLOR = "1";

fc.configureGlobal({ seed: Number(process.env.LUMBIT_SEED) });
