import type { Box, Size } from "lumbit/core";

/** The room between stages, and below each for its name, in px. */
const gap = 20;
const nameRoom = 28;

/** How much more the large stage counts than a small one. */
const weight = 2;

/** How high uprights, and how high those that stand below each other, are tried, in shares of the desk. */
const shares = [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3];

/** At most this share of the desk's width is not the large one's. */
const most = 0.7;

/**
 * Where stages stand on the desk, in px of it, each with the room for its name: the first one is the large one. Uprights
 * stand beside it, as high as the desk where there is room; wide ones below each other, in a column of their own or below
 * the large one: whichever has all of them nearest to as large as each would be alone.
 */
export function arrangeStages(screens: readonly Size[], desk: Size): Box[] {
  const [large, ...small] = screens;
  if (!large) return [];
  const isUpright = ({ width, height }: Size) => height > width;
  const wide = small.filter((screen) => !isUpright(screen));
  const upright = small.filter(isUpright).map((screen) => [screen]);
  const columns =
    wide.length === 0
      ? [[[large], ...upright]]
      : [
          [[large], wide, ...upright],
          [[large, ...wide], ...upright],
        ];
  const tried = columns.flatMap((columns) =>
    shares.flatMap((share) => shares.map((low) => arranged(columns, { share, low }, desk))),
  );
  const alone = { left: 0, top: 0, ...desk };
  const seen = (placed: Placed) =>
    [...placed].reduce(
      (sum, [screen, box]) =>
        sum + (screen === large ? weight : 1) * Math.log(scaleIn(screen, box) / scaleIn(screen, alone)),
      0,
    );
  const best = tried.reduce((best, one) => (seen(one) > seen(best) ? one : best));
  return screens.map((screen) => best.get(screen) ?? { left: 0, top: 0, width: 0, height: 0 });
}

type Placed = ReadonlyMap<Size, Box>;

/** How large a screen is drawn in a box. */
const scaleIn = (screen: Size, box: Size): number =>
  Math.max(0, Math.min(box.width / screen.width, (box.height - nameRoom) / screen.height, 1));

/** Columns beside each other: those beside the first as wide as their screens at a share of the height, the first what is left. */
function arranged(
  columns: readonly (readonly Size[])[],
  { share, low }: { share: number; low: number },
  desk: Size,
): Placed {
  const [first = [], ...others] = columns;
  const heightIn = (column: readonly Size[]) =>
    (desk.height * (column.length > 1 || isWide(column) ? low : share)) / column.length - nameRoom;
  const wanted = others.map((column) =>
    Math.max(...column.map(({ width, height }) => (Math.max(heightIn(column), 1) * width) / height)),
  );
  const all = wanted.reduce((sum, width) => sum + width, 0);
  const fits = Math.min(1, Math.max(most * desk.width - others.length * gap, 1) / all);
  const widths = wanted.map((width) => width * fits);
  const left = desk.width - widths.reduce((sum, width) => sum + width + gap, 0);
  const placed = new Map<Size, Box>();
  let x = 0;
  for (const [index, column] of columns.entries()) {
    const width = Math.max(index === 0 ? left : (widths[index - 1] ?? 0), 0);
    let y = 0;
    for (const [at, screen] of column.entries()) {
      // Below the large one the others share what it leaves.
      const height =
        column === first && column.length > 1
          ? at === 0
            ? desk.height * share
            : (desk.height * (1 - share)) / (column.length - 1)
          : desk.height / column.length;
      placed.set(screen, { left: x, top: y, width, height });
      y += height;
    }
    x += width + gap;
  }
  return placed;
}

const isWide = ([screen]: readonly Size[]): boolean => screen !== undefined && screen.width >= screen.height;
