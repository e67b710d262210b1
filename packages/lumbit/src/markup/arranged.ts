import { type AnyLayer, isFitContent } from "../core/index.ts";
import type { Declarations } from "./tree.ts";

interface Arranged {
  /** Of the group. */
  group: Declarations;
  /** Of what is in it. */
  member: Declarations;
}

/** How a group lays out what is in it: beside each other, or all in one cell that is as large as that. */
export const arranged: Record<"row" | "fit", Arranged> = {
  row: {
    group: { display: "flex", "align-content": "flex-start" },
    member: { position: "relative", flex: "none" },
  },
  fit: {
    group: { display: "grid", "grid-template": "minmax(0, 1fr) / minmax(0, 1fr)" },
    member: { "grid-area": "1 / 1" },
  },
};

/** The same for a group by itself, that has no style sheet of ours around it. */
export const arrangedAlone = (group: AnyLayer): Arranged => ({
  group: { ...(isFitContent(group) ? arranged.fit : arranged.row).group, width: "auto", height: "auto" },
  member: { ...arranged.row.member, ...(isFitContent(group) && arranged.fit.member) },
});
