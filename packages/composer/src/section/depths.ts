import { type AnyLayer, type LayerName, speedOf } from "lumbit/core";
import { displaced } from "../desk/displaced.ts";
import { type Shown, shownIn } from "../desk/shown.ts";
import { all, type Edit } from "../edit/edit.ts";
import { layerOf, sceneOf } from "../edit/find.ts";
import { move } from "../edit/place.ts";
import { setSpeed } from "../edit/set-depth.ts";
import type { Composer } from "../state/store.ts";
import { groupsAround } from "./arrange.ts";

/** A layer and the speed that it has, or is to have. */
export interface Speed {
  name: LayerName;
  speed: number;
}

/** The speeds of these layers as they are; what is in a group moves as the group. */
export function speedsOf(composer: Composer, names: readonly LayerName[]): Speed[] {
  const { page } = composer.store.getState();
  const tops = new Map(
    names.map(({ scene, layer }) => {
      const [top = layer] = groupsAround(sceneOf(page, scene)?.layers ?? [], layer);
      return [top, { scene, layer: top }];
    }),
  );
  return [...tops.values()].map((name) => ({ name, speed: speedOf(layerOf(page, name) ?? {}) }));
}

/** What a step is called that changes depths. */
export const depthOf = (speeds: readonly Speed[]) =>
  speeds.length === 1 ? `${speeds[0]?.name.layer}: depth` : `${speeds.length} layers: depth`;

/** Changes speeds. Where layers are to stay on the screen, their places make up for it. */
export function changeSpeeds(
  composer: Composer,
  from: readonly Speed[],
  by: number,
  stay: boolean,
  standing: readonly Shown[] = standingNow(composer),
): Edit {
  const { stands, scene } = composer.store.getState();
  return all(
    ...from.flatMap(({ name, speed }): Edit[] => {
      const set = setSpeed(name, speed + by);
      const own = standing.find((one) => one.name.layer === name.layer);
      if (!stay || !stands || !own || own.pane || !own.layer.place) return [set];
      return [
        set,
        (page) => {
          const layer = layerOf(page, name);
          if (!layer) return;
          const [before, after] = [own.layer, { ...own.layer, ...motionOf(layer) } as AnyLayer].map((one) =>
            displaced(stands.layout, scene, stands.scroll, one),
          );
          if (before && after) move([own], { x: before.x - after.x, y: before.y - after.y })(page);
        },
      ];
    }),
  );
}

const motionOf = ({ depth, speed }: AnyLayer) => ({ depth, speed });

/** The layers of the scene as they stand on the large stage. */
export function standingNow(composer: Composer): Shown[] {
  const { stands, scene } = composer.store.getState();
  return stands ? shownIn(stands.layout, scene, stands.scroll) : [];
}
