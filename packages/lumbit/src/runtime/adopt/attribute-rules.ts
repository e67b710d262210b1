import { layerAttributes, sceneAttributes } from "../../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";
import type { Complain } from "./complaints.ts";

/** The settings in an element's attributes, read by their names without `data-lumbit-`. */
export interface Attributes {
  element: HTMLElement;
  /** Told of what is wrong with a setting, which is left out. */
  complain: Complain;
  get(name: string): string | undefined;
  /** How messages call a setting. */
  nameOf(name: string): string;
}

/** A change of attributes where a media query holds; a setting without a value is taken away. */
export interface AttributeRule {
  media: string;
  changes: ReadonlyMap<string, string | undefined>;
}

const attribute = "data-lumbit-rules";

/** The rules of an element; those that are none, or change what they may not, are told and left out. */
export function rulesOf(element: HTMLElement, complain: Complain): AttributeRule[] {
  const text = element.getAttribute(attribute);
  if (text === null) return [];
  const isScene = element.dataset.lumbitScene !== undefined;
  const known = Object.keys(isScene ? sceneAttributes : layerAttributes);
  const wrong = (allowed: string) => {
    complain(AttributeError.of(element, attribute, { path: [], found: text, allowed }));
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
      complain(
        new AttributeError(
          element,
          attribute,
          'the scene has no "hold" to change: give it a data-lumbit-hold, "0px" for none',
        ),
      );
      return [];
    }
    const changes = new Map(Object.entries(settings).map(([name, value]) => [name, textOf(value)]));
    // Depth and speed exclude each other: one replaces the other.
    if (changes.has("depth") && !changes.has("speed")) changes.set("speed", undefined);
    else if (changes.has("speed") && !changes.has("depth")) changes.set("depth", undefined);
    return [{ media, changes }];
  });
}

/** Those rules whose media queries hold in a window. */
export const holding = (rules: readonly AttributeRule[], view: Window): AttributeRule[] =>
  rules.filter(({ media }) => view.matchMedia(media).matches);

/** The settings of an element where some of its rules hold. */
export function attributesOf(
  element: HTMLElement,
  rules: readonly AttributeRule[],
  complain: Complain,
): Attributes {
  const changed = (name: string) => rules.findLast(({ changes }) => changes.has(name));
  return {
    element,
    complain,
    get: (name) => {
      const rule = changed(name);
      return rule ? rule.changes.get(name) : element.getAttribute(`data-lumbit-${name}`)?.trim();
    },
    nameOf: (name) => (changed(name) ? `${attribute}: ${name}` : `data-lumbit-${name}`),
  };
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
