import { layerAttributes, partAttributes, sceneAttributes } from "../../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";

/** What the library and its tools write by themselves. */
const own = [
  ...["scene", "rules", "is", "key", "driver", "share", "shown", "near", "jump"],
  ...["layer", "pane", "block", "backdrop"],
];

/** What is called as a setting and is none, in a scene of existing markup. */
export function unknownAttributes(scene: HTMLElement): AttributeError[] {
  const of = (element: Element) =>
    Object.keys({
      ...(element === scene ? sceneAttributes : layerAttributes),
      ...partAttributes,
    });
  return [scene, ...scene.querySelectorAll("*")].flatMap((element) =>
    element
      .getAttributeNames()
      .filter((name) => name.startsWith("data-lumbit-"))
      .filter((name) => ![...own, ...of(element)].includes(name.slice("data-lumbit-".length)))
      .map(
        (name) =>
          new AttributeError(
            element,
            name,
            `there is no such setting of ${element === scene ? "a scene" : "a layer"}; there are ${of(element).join(", ")}`,
          ),
      ),
  );
}
