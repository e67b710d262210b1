/** Where the pointer, or the tilt of the device, has the camera: -1 to 1 from edge to edge, 0 in the middle. */
export interface Aim {
  x: number;
  y: number;
}

/** How a card turns: so many degrees at most, seen from so many px. */
export interface Tilt {
  degrees: number;
  perspective: number;
}

/** The transform of a card that turns. */
export const turned = ({ x, y }: Aim, { degrees, perspective }: Tilt): string =>
  `perspective(${perspective}px) rotateX(${-degrees * y}deg) rotateY(${degrees * x}deg)`;

/** How far what lies a camera distance behind a turned card shifts in it, in px. */
export const reachOf = ({ degrees, perspective }: Tilt): number =>
  perspective * Math.sin((degrees * Math.PI) / 180);

/**
 * Where a card of so many px is on the screen when it does not turn, from the box around it as it is turned. A turn
 * that followed its own turned box would tremble at the edges of that. Source: CSS Transforms 2, "3D matrices".
 */
export function boxAtRest(
  box: { left: number; top: number; width: number; height: number },
  size: { width: number; height: number },
  { x, y }: Aim,
  { degrees, perspective }: Tilt,
): { left: number; top: number; width: number; height: number } {
  const [about, across] = [(-degrees * y * Math.PI) / 180, (degrees * x * Math.PI) / 180];
  const corners = [-0.5, 0.5].flatMap((u) =>
    [-0.5, 0.5].map((v) => {
      const far = -u * size.width * Math.sin(across);
      const down = v * size.height * Math.cos(about) - far * Math.sin(about);
      const near = v * size.height * Math.sin(about) + far * Math.cos(about);
      const scale = perspective / (perspective - near);
      return { x: u * size.width * Math.cos(across) * scale, y: down * scale };
    }),
  );
  const [left, right] = [Math.min(...corners.map(({ x }) => x)), Math.max(...corners.map(({ x }) => x))];
  const top = Math.min(...corners.map(({ y }) => y));
  const scale = box.width / (right - left);
  const [width, height] = [scale * size.width, scale * size.height];
  return {
    left: box.left - scale * left - width / 2,
    top: box.top - scale * top - height / 2,
    width,
    height,
  };
}
