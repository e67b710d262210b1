import { directionVector } from "../core/depth.ts";
import type { LayerSettings } from "../core/index.ts";
import { type Declarations, round } from "./tree.ts";

type Directed = Pick<LayerSettings, "direction" | "sideways">;

/** How a layer drifts, as custom properties. */
export function motionCss({ direction, sideways }: Directed, speed?: number): Declarations {
  const { x, y } = directionVector(direction);
  return {
    "--lumbit-speed": speed === undefined ? undefined : round(speed),
    "--lumbit-ux": direction === undefined ? undefined : round(x),
    "--lumbit-uy": direction === undefined ? undefined : round(y),
    "--lumbit-sideways": sideways && sidewaysFactor[sideways],
  };
}

/** What sideways drift is multiplied by. */
const sidewaysFactor = { height: 1, width: "var(--lumbit-wide)" } as const;
