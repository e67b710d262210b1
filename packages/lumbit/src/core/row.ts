import type { row, ValuesOf } from "../settings/index.ts";
import type { Box, Size } from "./box.ts";

/** How the layers of a group stand beside each other by themselves. */
export type Row = ValuesOf<typeof row>;

/** A row in px. */
export interface RowInput extends Pick<Row, "along" | "align" | "wrap"> {
  gap: number;
  /** Space around its members, on all sides. */
  padding: number;
}

/** How large a row is by itself, when it may be so many px wide. */
export function rowSize(row: RowInput, members: readonly Size[], available: number): Size {
  const lines = linesOf(row, members, available);
  const isColumn = row.along === "y";
  const main = Math.max(0, ...lines.map(({ main }) => main));
  const cross = lines.reduce((sum, { cross }) => sum + cross, row.gap * Math.max(0, lines.length - 1));
  const inner = isColumn ? { width: cross, height: main } : { width: main, height: cross };
  // What has to wrap takes all the width that there is, as in CSS.
  const width = lines.length > 1 ? available : inner.width + 2 * row.padding;
  return { width: Math.min(width, available), height: inner.height + 2 * row.padding };
}

/** Something in a row: its size, and how far it may be stretched, in px; 0 where not at all. */
export interface RowMember extends Size {
  stretches: { x: number; y: number };
}

/** The boxes of the members of a row in it, once it has its size. */
export function rowBoxes(row: RowInput, members: readonly RowMember[], size: Size): Box[] {
  const { gap, padding, align = "start" } = row;
  const isColumn = row.along === "y";
  const share = { start: 0, middle: 0.5, end: 1, stretch: 0 }[align];
  const lines = linesOf(row, members, size.width);
  const whole = (isColumn ? size.width : size.height) - 2 * padding;
  let across = padding;
  return lines.flatMap((line) => {
    // A row that does not wrap is one line, as high as the row.
    const cross = row.wrap ? line.cross : whole;
    let along = padding;
    const boxes = line.members.map(({ stretches, ...member }) => {
      const [main, natural] = isColumn ? [member.height, member.width] : [member.width, member.height];
      const most = align === "stretch" ? stretches[isColumn ? "x" : "y"] : 0;
      const own = Math.max(natural, Math.min(cross, most));
      const aside = across + share * (cross - own);
      const box = isColumn
        ? { left: aside, top: along, width: own, height: main }
        : { left: along, top: aside, width: main, height: own };
      along += main + gap;
      return box;
    });
    across += cross + gap;
    return boxes;
  });
}

interface Line<Member> {
  members: Member[];
  main: number;
  cross: number;
}

/** The lines that members wrap into, each as long as it may be; one of a row that does not wrap. */
function linesOf<Member extends Size>(
  { along, wrap, gap, padding }: RowInput,
  members: readonly Member[],
  width: number,
): Line<Member>[] {
  const lines: Line<Member>[] = [];
  for (const member of members) {
    const [main, cross] = along === "y" ? [member.height, member.width] : [member.width, member.height];
    const line = lines.at(-1);
    // Of what is measured the last digits may differ.
    const fits = line && (!wrap || line.main + gap + main <= width - 2 * padding + 0.01);
    if (fits) {
      line.members.push(member);
      line.main += gap + main;
      line.cross = Math.max(line.cross, cross);
    } else lines.push({ members: [member], main, cross });
  }
  return lines;
}
