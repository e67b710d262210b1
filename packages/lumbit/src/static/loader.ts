import { motionConditions } from "../markup/index.ts";

/**
 * A script that loads the scripted driver from an address beside it where the browser needs it, and nothing elsewhere. Pages
 * that are opened from a disk may import nothing.
 */
export const loaderScript = (driver: string): string => {
  const address = JSON.stringify(`./${driver}`);
  return `if (!CSS.supports(${JSON.stringify(motionConditions.supports)}))
  if (location.protocol === "file:")
    document.head.append(Object.assign(document.createElement("script"), { src: new URL(${address}, document.currentScript.src).href }));
  else import(${address});
`;
};
