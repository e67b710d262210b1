/**
 * What shows of a picture that is its own pane: the box that the page gave it. In the picture's own coordinates, which
 * move and grow with it, a point at y of that box is at 50% + (y - 50% - moved) / cover.
 */
export const cropCss = (moved: { x: string; y: string }): string => {
  const inset = (sign: "+" | "-", by: string) => `calc(50% - (50% ${sign} ${by}) / var(--lumbit-cover))`;
  return `inset(${inset("+", moved.y)} ${inset("-", moved.x)} ${inset("-", moved.y)} ${inset("+", moved.x)} round var(--lumbit-round, 0px))`;
};
