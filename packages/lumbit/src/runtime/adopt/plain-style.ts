import { depthOf, speedOf } from "../../core/depth.ts";
import { hazedOpacity } from "../../core/haze.ts";
import type { Layer, Length, Motion, PageLook, Pieces } from "../../core/index.ts";
import {
  croppedDrift,
  type Declarations,
  motionCss,
  round,
  seenCss,
  settleWords,
} from "../../markup/index.ts";
import type { lookSettings, plainLayer, plainScene } from "../../settings/index.ts";
import { type Attributes, read } from "./attributes.ts";

/** What a layer's attributes ask for. */
export interface LayerStyle {
  /** Its animations for the driver included. */
  declarations: Declarations;
  keyframes: readonly string[];
  /** The marks of one that settles by its own passage. */
  settles?: readonly string[];
  /** What its text is split into, and the style of each piece. */
  pieces?: { kind: Pieces; style: Declarations };
  /** Whether it is a picture that moves inside the box that the page gave it. */
  paned: boolean;
}

/** What a layer's style depends on besides its attributes. */
export interface LayerSurroundings {
  native: boolean;
  /** Whether it is a pane that is cropped. */
  cropped: boolean;
  /** Whether the camera nears its scene. */
  pushed: boolean;
  /** Haze and focus of its scene. */
  look: Pick<PageLook, "haze" | "focus">;
}

/** The layers in a scene of existing markup: what has a setting of a layer, outside of inner scenes. */
export const layersIn = (scene: Element, names: readonly string[]): HTMLElement[] =>
  [
    ...scene.querySelectorAll<HTMLElement>(
      names
        // Those that say more of another one make no layer.
        .filter((name) => !/^travel-o|^subject|^settle|^tilt-|^perspective/.test(name))
        .map((name) => `[data-lumbit-${name}]:not([data-lumbit-scene])`)
        .join(),
    ),
  ].filter((element) => element.parentElement?.closest("[data-lumbit-scene]") === scene);

/** What the attributes ask for of a layer that has a depth and nothing that changes along its way. */
export function plainStyle(
  attributes: Attributes<typeof plainLayer>,
  { native, cropped, look: { haze } }: LayerSurroundings,
): LayerStyle {
  const own = plainSettings(attributes);
  const { opacity = 1, blur = "0px", rotate = 0, blend } = own;
  const subject = read(attributes, "subject");
  const seen = round(hazedOpacity(depthOf(own), haze) * opacity);
  return {
    declarations: {
      ...motionCss(own, speedOf(own)),
      ...asked(seenCss({ opacity: seen, blur: round(Number.parseFloat(blur)), rotate })),
      "mix-blend-mode": blend,
      "object-position": subject?.map((share) => `${round(share * 100)}%`).join(" "),
      ...(native && cropped && croppedDrift),
    },
    keyframes: [],
    paned: isPane(attributes),
  };
}

/** The look that is asked for; what is not said stays as the page has it. */
export function asked(look: Declarations): Declarations {
  const plain = seenCss({ opacity: 1, blur: 0, rotate: 0 });
  return Object.fromEntries(Object.entries(look).filter(([name, value]) => value !== plain[name]));
}

/** Whether a layer is its own pane. What cannot be one is told. */
export function isPane(attributes: Attributes<typeof plainLayer>): boolean {
  if (!read(attributes, "pane")) return false;
  const { element, complain, nameOf } = attributes;
  const isPicture = element.matches("img, picture, video, canvas, svg, object, iframe");
  if (!isPicture) complain({ element, name: nameOf("pane"), wrong: "no picture" });
  return isPicture;
}

export type PlainSettings = Motion & Pick<Layer, "direction" | "sideways" | keyof typeof lookSettings>;

export function plainSettings(attributes: Attributes<typeof plainLayer>): PlainSettings {
  const [depth, speed] = [read(attributes, "depth"), read(attributes, "speed")];
  const { element, complain, nameOf } = attributes;
  if (depth !== undefined && speed !== undefined)
    complain({ element, name: nameOf("speed"), wrong: "depth and speed" });
  return {
    ...(speed === undefined ? { depth } : { speed }),
    direction: read(attributes, "direction"),
    sideways: read(attributes, "sideways"),
    opacity: read(attributes, "opacity"),
    rotate: read(attributes, "rotate"),
    blur: read(attributes, "blur"),
    blend: read(attributes, "blend"),
  };
}

/** The style that a scene's attributes ask for; its settle moment where that has a name. */
export function sceneStyle(attributes: Attributes<typeof plainScene>): Declarations {
  return {
    "--lumbit-settle": settleWords[read(attributes, "settle") ?? "auto"],
    "--lumbit-l": lengthText(read(attributes, "hold")),
    "--lumbit-relief": read(attributes, "relief"),
    "--lumbit-pan": read(attributes, "pan"),
    "--lumbit-sway": lengthText(read(attributes, "sway")),
  };
}

const lengthText = (length: Length | undefined) => (length === 0 ? "0px" : length);
