import { speedOf } from "../core/depth.ts";
import type { Depth, Direction, LayerSettings, Moment, Settle, Travel } from "../core/index.ts";
import { animationCss, type Declarations, motionCss, settleCss } from "../markup/index.ts";

/** A wrong value in a `data-lumbit-*` attribute: which, on what element, what is allowed. */
export class AttributeError extends Error {
  constructor(element: Element, name: string, value: string, allowed: string) {
    super(`${describe(element)}: ${name}="${value}" is not ${allowed}`);
    this.name = "AttributeError";
  }
}

const describe = ({ tagName, id }: Element) => `<${tagName.toLowerCase()}${id ? ` id="${id}"` : ""}>`;

/** The attributes that make an element a layer. */
const layerAttributes = ["depth", "speed", "direction", "travel-x", "travel-y", "pane"];

/** The layers in a scene of existing markup: what has a setting of a layer, outside of inner scenes. */
export const layersIn = (scene: Element): HTMLElement[] =>
  [
    ...scene.querySelectorAll<HTMLElement>(layerAttributes.map((name) => `[data-lumbit-${name}]`).join()),
  ].filter((element) => element.parentElement?.closest("[data-lumbit-scene]") === scene);

/** The style that a layer's attributes ask for; under the native driver its animations are part of it. */
export function layerStyle(element: HTMLElement, native: boolean): Declarations {
  const settings = layerSettings(element);
  return { ...motionCss(settings, speedOf(settings)), ...(native && animationCss(settings.travel, false)) };
}

function layerSettings(element: Element): LayerSettings {
  const depth = read(element, "depth", parseDepth, 'a number above -1, or "horizon"');
  const speed = read(
    element,
    "speed",
    (text) => numberIf(text, (value) => value >= 0),
    "a number of 0 or more",
  );
  if (depth !== undefined && speed !== undefined)
    throw new AttributeError(
      element,
      "data-lumbit-speed",
      String(speed),
      "allowed beside data-lumbit-depth; keep one",
    );
  const travel: Travel = {
    x: read(element, "travel-x", parseOffsets, 'two lengths such as "0px -40%"'),
    y: read(element, "travel-y", parseOffsets, 'two lengths such as "0px -40%"'),
    over: read(element, "travel-over", parseOver, 'two moments such as "entry 0% exit 100%"'),
    of: read(
      element,
      "travel-of",
      (text) => oneOf(text, ["scene", "layer", "page"] as const),
      '"scene", "layer" or "page"',
    ),
  };
  return {
    ...(speed === undefined ? { depth } : { speed }),
    direction: read(
      element,
      "direction",
      parseDirection,
      '"down", "up", "left", "right" or an angle in degrees',
    ),
    ...((travel.x || travel.y) && { travel }),
  };
}

/** The style that a scene's attributes ask for. */
export function sceneStyle(element: HTMLElement): Declarations {
  const number = (name: string) => read(element, name, (text) => numberIf(text, () => true), "a number");
  const settle = read(
    element,
    "settle",
    parseSettle,
    '"auto", "enter", "top", "middle", "bottom", "leave" or a share from 0 to 1',
  );
  read(element, "width", (text) => oneOf(text, ["full"] as const), '"full", from edge to edge of the page');
  return {
    "--lumbit-settle": settleCss(settle ?? "auto"),
    "--lumbit-relief": number("relief"),
    "--lumbit-pan": number("pan"),
    "--lumbit-push": number("push"),
  };
}

function read<T>(
  element: Element,
  name: string,
  parse: (text: string) => T | undefined,
  allowed: string,
): T | undefined {
  const text = element.getAttribute(`data-lumbit-${name}`)?.trim();
  if (text === undefined) return undefined;
  const value = parse(text);
  if (value === undefined) throw new AttributeError(element, `data-lumbit-${name}`, text, allowed);
  return value;
}

const numberIf = (text: string, holds: (value: number) => boolean) => {
  const value = Number(text);
  return text !== "" && Number.isFinite(value) && holds(value) ? value : undefined;
};
const oneOf = <T extends string>(text: string, words: readonly T[]) => words.find((word) => word === text);
const parseDepth = (text: string): Depth | undefined =>
  text === "horizon" ? text : numberIf(text, (value) => value > -1);
const parseDirection = (text: string): Direction | undefined =>
  oneOf(text, ["down", "up", "left", "right"] as const) ?? numberIf(text, () => true);
const parseSettle = (text: string): Settle | undefined =>
  oneOf(text, ["auto", "enter", "top", "middle", "bottom", "leave"] as const) ??
  numberIf(text, (value) => value >= 0 && value <= 1);
const parseOffsets = (text: string) =>
  /^\S+\s+\S+$/.test(text) &&
  text.split(/\s+/).every((part) => CSS.supports("width", `calc(1px * 0 + ${part === "0" ? "0px" : part})`))
    ? (text.split(/\s+/) as unknown as NonNullable<Travel["x"]>)
    : undefined;
function parseOver(text: string): [Moment, Moment] | undefined {
  const moment = String.raw`(?:cover|contain|entry|exit|entry-crossing|exit-crossing)\s+-?[\d.]+%`;
  const match = new RegExp(`^(${moment})\\s+(${moment})$`).exec(text);
  return match ? [match[1] as Moment, match[2] as Moment] : undefined;
}
