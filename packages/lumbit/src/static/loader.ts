import { motionConditions } from "../markup/index.ts";

/** A module that loads the scripted driver from an address beside it where the browser needs it, and nothing elsewhere. */
export const loaderScript = (driver: string): string =>
  `if (!CSS.supports(${JSON.stringify(motionConditions.supports)})) import(${JSON.stringify(`./${driver}`)});\n`;
