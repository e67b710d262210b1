import kelp from "../../tidehouse/art/far-kelp.webp";
import reef from "../../tidehouse/art/far-reef.webp";
import water from "../../tidehouse/art/open-water.webp";

export { kelp, reef, water };

/** Their sizes, so that nothing shifts while they load. */
export const pictures = {
  [water]: { url: water, width: 1920, height: 1080 },
  [kelp]: { url: kelp, width: 2460, height: 1605 },
  [reef]: { url: reef, width: 2200, height: 900 },
};
