import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { movementOf } from "../movement.ts";
import type { View } from "../view.ts";

export const check: Check = {
  name: "room",
  severity: "warning",
  why: "Without room to scroll nothing moves, so no depth is seen.",
  scope: "view",
  judge,
};

/** A page that moves, but cannot be scrolled far enough to show it. */
function judge({ scenes, layout, viewport }: View): Sighting[] {
  const reach = layout.scrollHeight - viewport.height;
  const moves = scenes.some(({ layers }) => layers.some((own) => movementOf(own).drift !== 0));
  const last = scenes.at(-1);
  if (!moves || !last || reach >= viewport.height / 4) return [];
  return [
    {
      path: "/scenes",
      from: 0,
      to: reach,
      amount: viewport.height / 4 - reach,
      measured: `the page can be scrolled by ${Math.round(reach)} px`,
      ...(scenes.length === 1 &&
        !last.scene.rules &&
        !last.scene.content && {
          change: [
            {
              op: last.scene.height === undefined ? ("add" as const) : ("replace" as const),
              path: `${last.path}/height`,
              value: "130vh",
            },
          ],
        }),
    },
  ];
}
