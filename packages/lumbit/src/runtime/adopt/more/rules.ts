import { layerAttributes, sceneAttributes } from "../../../settings/index.ts";
import type { AttributeRule } from "../attributes.ts";
import type { Complain } from "../complaints.ts";

const attribute = "data-lumbit-rules";

/** The rules of an element; those that are none, or change what they may not, are told and left out. */
export function rulesOf(element: HTMLElement, complain: Complain): AttributeRule[] {
  const text = element.getAttribute(attribute);
  if (text === null) return [];
  const isScene = element.dataset.lumbitScene !== undefined;
  const known = Object.keys(isScene ? sceneAttributes : layerAttributes);
  const wrong = (allowed: string) => {
    complain({ element, name: attribute, fault: { path: [], found: text, allowed } });
    return [];
  };
  const rules = parse(text);
  if (!rules)
    return wrong(
      'a JSON list of rules such as [{"media": "(max-width: 600px)", "depth": 0.4, "hold": "none"}]',
    );
  return rules.flatMap(({ media, ...settings }) => {
    if (typeof media !== "string" || matchMedia(media).media === "not all")
      return wrong('a list of rules that each have a "media" such as "(max-width: 600px)"');
    const unknown = Object.keys(settings).find((name) => !known.includes(name));
    if (unknown !== undefined)
      return wrong(
        `a list of rules of a ${isScene ? "scene" : "layer"}, which may change ${known.join(", ")}`,
      );
    if (isScene && "hold" in settings && element.dataset.lumbitHold === undefined) {
      complain({
        ...{ element, name: attribute },
        said: 'the scene has no "hold" to change: give it a data-lumbit-hold, "0px" for none',
      });
      return [];
    }
    const changes = new Map(Object.entries(settings).map(([name, value]) => [name, textOf(value)]));
    // Depth and speed exclude each other: one replaces the other.
    if (changes.has("depth") && !changes.has("speed")) changes.set("speed", undefined);
    else if (changes.has("speed") && !changes.has("depth")) changes.set("depth", undefined);
    return [{ media, changes }];
  });
}

function parse(text: string): Record<string, unknown>[] | undefined {
  try {
    const rules: unknown = JSON.parse(text);
    const isList =
      Array.isArray(rules) && rules.every((rule) => typeof rule === "object" && rule && !Array.isArray(rule));
    return isList ? rules : undefined;
  } catch {
    return undefined;
  }
}

/** A value as it stands in an attribute. */
const textOf = (value: unknown): string | undefined =>
  value === "none" || value === false
    ? undefined
    : typeof value === "object"
      ? JSON.stringify(value)
      : String(value);
