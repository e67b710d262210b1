import kelp from "../../tidehouse/art/far-kelp.webp";
import water from "../../tidehouse/art/open-water.webp";
import floor from "../../tidehouse/art/sea-floor.webp";

export { floor, kelp, water };

/** Their sizes, so that nothing shifts while they load. */
export const pictures = {
  [water]: { url: water, width: 1920, height: 1080 },
  [kelp]: { url: kelp, width: 2460, height: 1605 },
  [floor]: { url: floor, width: 2800, height: 1000 },
};
