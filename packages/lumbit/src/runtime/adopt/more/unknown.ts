import { meant } from "../../../faults/in-words.ts";
import { layerAttributes, partAttributes, sceneAttributes } from "../../../settings/index.ts";
import type { Complain } from "../complaints.ts";
import { ownAttributes } from "../own-attributes.ts";

/** Tells what is called as a setting and is none, in a scene of existing markup. */
export function tellUnknown(scene: HTMLElement, complain: Complain): void {
  const of = (element: Element) =>
    Object.keys({ ...(element === scene ? sceneAttributes : layerAttributes), ...partAttributes });
  for (const element of [scene, ...scene.querySelectorAll("*")])
    for (const name of ownAttributes(element).filter((name) => !of(element).includes(name)))
      complain({
        ...{ element, name: `data-lumbit-${name}` },
        said: `there is no such setting of ${element === scene ? "a scene" : "a layer"}${meant(name, of(element))}: ${of(element).join(", ")}`,
      });
}
