import { changedBy } from "../core/index.ts";
import { type Kind, layerSettings, type Settings } from "../settings/index.ts";
import { fitRuleBreaches, fitsContent, sizeBreaches } from "./fit-content.ts";
import { givenKinds, kindOf, kindsWith, oneName } from "./kinds.ts";
import { headerBreaches, linkBreaches, linkedBreaches } from "./links.ts";
import { plain } from "./plain.ts";
import { pushBreaches } from "./push.ts";
import { rampBreaches } from "./ramp.ts";
import { memberBreaches, rowBreaches } from "./row.ts";
import { blockNameBreaches, footerBreaches, sceneBreaches } from "./scene.ts";
import type { Path } from "./source.ts";
import { togetherBreaches } from "./together.ts";

/** What the schema cannot say: keys that exclude or need each other and names used twice. */
export interface Breach {
  path: Path;
  message: string;
}

export type Json = Record<string, unknown>;
export const objects = (value: unknown): [Json, number][] =>
  Array.isArray(value)
    ? value.map((entry, index): [Json, number] => [isObject(entry) ? entry : {}, index])
    : [];
export const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Every breach in a parsed page file, however wrong the rest of it is. */
export function findBreaches(document: unknown): Breach[] {
  if (!isObject(document)) return [];
  const scenes = objects(document.scenes);
  const look = isObject(document.page) ? document.page : {};
  return [
    ...(isObject(look.backdrop) ? settingsBreaches(look.backdrop, ["page", "backdrop"]) : []),
    ...repeatedNames(
      scenes.map(([scene, index]) => [scene, ["scenes", index]]),
      "scene",
      "page",
    ),
    ...scenes.flatMap(([scene, index]) => {
      const path = ["scenes", index, "layers"];
      const layers = objects(scene.layers);
      const all = withInner(layers, path);
      return [
        ...sceneBreaches(scene, ["scenes", index]),
        ...pushBreaches(scene, look, ["scenes", index]),
        ...repeatedNames(all, "layer", "scene"),
        ...blockNameBreaches(scene, all, ["scenes", index, "content"]),
        ...layers.flatMap(([layer, at]) => layerBreaches(layer, [...path, at])),
      ];
    }),
    ...headerBreaches(document.page, scenes),
    ...footerBreaches(scenes),
    ...scenes.flatMap(([scene, index]) => linkBreaches(scene, ["scenes", index], scenes)),
    ...objects(document.checks).flatMap(([setting, index]) =>
      checkBreaches(setting, ["checks", index], scenes),
    ),
  ];
}

/** A setting of a check that silences says why, and what it names is there. */
function checkBreaches(setting: Json, path: Path, scenes: [Json, number][]): Breach[] {
  const breach = (key: string, message: string): Breach => ({ path: [...path, key], message });
  const named = scenes.filter(([{ name }]) => setting.scene === undefined || name === setting.scene);
  const layers = named.flatMap(([{ layers }]) => withInner(objects(layers), []).map(([{ name }]) => name));
  return [
    ...(setting.severity === "off" && !("reason" in setting)
      ? [breach("severity", 'what is silenced says why: give a "reason" beside it')]
      : []),
    ...(named.length === 0
      ? [breach("scene", `there is no scene "${plain(setting.scene)}"`)]
      : setting.layer !== undefined && !layers.includes(setting.layer)
        ? [
            breach(
              "layer",
              `there is no layer "${plain(setting.layer)}" in ${setting.scene ? "this scene" : "any scene"}`,
            ),
          ]
        : []),
  ];
}

/** Layers and all that is in them, each with its path. */
export const withInner = (layers: [Json, number][], path: Path): [Json, Path][] =>
  layers.flatMap(([layer, at]): [Json, Path][] => [
    [layer, [...path, at]],
    ...withInner(objects(layer.layers), [...path, at, "layers"]),
  ]);

function repeatedNames(entries: [Json, Path][], what: string, where: string): Breach[] {
  const first = new Map<unknown, number>();
  return entries.flatMap(([{ name }, path], index) => {
    const earlier = first.get(name);
    if (typeof name !== "string" || earlier === undefined) {
      first.set(name, index);
      return [];
    }
    const message = `the name "${name}" is already that of ${what} ${earlier + 1} of this ${where}; give each ${what} a name of its own`;
    return [{ path: [...path, "name"], message }];
  });
}

/** What a layer is directly in. */
type Around = "scene" | "group" | "row" | "reel" | "slide";

function layerBreaches(layer: Json, path: Path, around: Around = "scene"): Breach[] {
  const breaches: Breach[] = [];
  const breach = (key: string | undefined, message: string) =>
    breaches.push({ path: key === undefined ? path : [...path, key], message });
  const given = givenKinds(layer).filter((key) => !(around === "slide" && key === "layers"));
  const [kind, ...others] = given;
  if (around === "slide" && "layers" in layer)
    breach("layers", "a slide holds pictures, texts and shapes, and no groups");
  if ((around === "group" || around === "row") && "reel" in layer)
    breach("reel", "a reel stands in its scene, which holds for it; take it out of the group");
  if (around === "reel" && kind !== "layers")
    breach(undefined, 'a reel holds slides: give this one "layers", and what it shows in them');
  if ("reel" in layer && !(Array.isArray(layer.layers) && layer.layers.length > 0))
    breach("reel", 'the reel has no slides: give it "layers", each with layers of its own');
  if ("reel" in layer && "pane" in layer) breach("pane", "a reel clips its slides by itself; leave it away");
  if ("settle" in layer && around !== "scene")
    breach("settle", `what is in a ${around} moves with it; give the ${around} a settle moment`);
  if ("title" in layer && around !== "slide")
    breach("title", "a title comes in with the slide of a reel; this layer is in none");
  for (const other of others)
    breach(
      other,
      `"${kind}" and "${other}" are both given: a layer is one picture, text, shape, piece of markup or group; make two layers of it`,
    );
  if (!kind && Object.keys(layer).length > 0 && !("layers" in layer))
    breach(
      undefined,
      `this layer shows nothing: give it an "image", a "text"${around === "slide" ? ' or a "shape"' : ', a "shape" or "layers"'}`,
    );
  if (kind && others.length === 0) {
    if (kind === "image" && !("alt" in layer))
      breach(undefined, 'the picture has no "alt": say what it shows, or "" when it only decorates');
    if (kind === "image" && "video" in layer && "variants" in layer)
      breach(
        "variants",
        "a film has one still; name the one with the most pixels, and leave the variants away",
      );
    if (kind === "shape" && !("background" in layer))
      breach(undefined, 'the shape has no "background": give it a color or gradient');
    const own = kindOf(layer) as Kind;
    for (const key of Object.keys(layer)) {
      const kinds = kindsWith(key);
      // A text in a pane is told once, below.
      if (!kinds || kinds.includes(own) || inGroups.includes(key)) continue;
      const names = kinds.filter((one) => one !== "slide").map((one) => `a ${oneName[one]}`);
      breach(key, `"${key}" is for ${names.join(" or ")}; this layer is a ${oneName[own]}`);
    }
    if (kind === "text" && "pane" in layer)
      breach("pane", '"pane" is for pictures, shapes and groups; put the text into a group');
  }
  if (kind === "layers") breaches.push(...rowBreaches(layer, path, around === "scene"));
  if (kind === "layers" && around !== "reel") breaches.push(...fitRuleBreaches(layer, path));
  for (const key of "tilt" in layer ? [] : ["tiltOver", "perspective"])
    if (key in layer) breach(key, `"${key}" is of a group that turns: give it a "tilt" such as 8`);
  breaches.push(...stateBreaches(layer, kind, path), ...linkedBreaches(layer, path));
  if (around === "row") breaches.push(...memberBreaches(layer, kind, path));
  for (const [rule, index] of objects(layer.rules))
    breaches.push(
      ...ruleBreaches(rule, layer, around === "reel" ? "slide" : kindOf(layer), [...path, "rules", index]),
    );
  const rules = objects(layer.rules).map(([rule]) => rule);
  for (const { path: at, message } of togetherBreaches(layer, rules, (state) =>
    stateBreaches(state, kind, []),
  ))
    breaches.push({ path: [...path, ...at], message });
  const inside = around === "reel" ? "slide" : "reel" in layer ? "reel" : "row" in layer ? "row" : "group";
  for (const [inner, index] of around === "slide" ? [] : objects(layer.layers))
    breaches.push(...layerBreaches(inner, [...path, "layers", index], inside));
  return breaches;
}

/** What a text has only in a group. */
const inGroups = ["pane"];

/** What a rule of a layer may not change, and what contradicts itself where it holds. */
function ruleBreaches(rule: Json, layer: Json, kind: Kind | undefined, path: Path): Breach[] {
  const breaches: Breach[] = [];
  const breach = (key: string, message: string) => breaches.push({ path: [...path, key], message });
  for (const key of Object.keys(rule))
    if (kind && kindsWith(key)?.includes(kind) === false)
      breach(key, `a ${oneName[kind]} has no "${key}" to change`);
  for (const key of ["reel", "tilt", "row", "size"])
    if (key in rule && !(key in layer))
      breach(key, `this layer has no "${key}" to change; give it one, of which the rule makes another`);
  for (const key of ["image", "variants"])
    if (key in rule && "video" in layer)
      breach(
        key,
        "a film has one still on all screens; make two layers of it, each hidden by a rule on some screens",
      );
  if ("variants" in rule && !("image" in rule))
    breach("variants", 'variants are of one picture: give the rule its "image" too');
  if ("layers" in layer && fitsContent(layer) !== fitsContent(changedBy(layer, { media: "", ...rule })))
    breach(
      "place",
      `this group is ${fitsContent(layer) ? "" : "not "}as large as what is in it, and has to be that on all screens: ${fitsContent(layer) ? "leave its width or height away here too" : "say how large it is here too"}`,
    );
  const state = givenKinds(layer)[0];
  const before = new Set(stateBreaches(layer, state, []).map(({ message }) => message));
  const changed = stateBreaches(changedBy(layer, { media: "", ...rule }), state, []);
  for (const { path: at, message } of changed) {
    const isOwn = at[0] !== undefined && at[0] in rule;
    if (isOwn || !before.has(message)) breaches.push({ path: isOwn ? [...path, ...at] : path, message });
  }
  return breaches;
}

/** Whether a layer has a speed other than the page's. */
const moves = ({ depth = 0, speed = 1 }: Json) => depth !== 0 || speed !== 1;

const groupWords = ({ pane, reel }: Json) =>
  reel !== undefined ? "a reel" : pane === true ? "a group in a pane" : "a group";

/** What a picture in a pane does not have. */
const unpaned = Object.entries(layerSettings as Settings).flatMap(([key, own]) => (own.unpaned ? [key] : []));

/** What contradicts itself in a layer, by itself or as one of its rules changes it. */
function stateBreaches(layer: Json, kind: string | undefined, path: Path): Breach[] {
  const breaches = [...settingsBreaches(layer, path), ...rampBreaches(layer, path)];
  const breach = (key: string, message: string) => breaches.push({ path: [...path, key], message });
  if (kind === "layers" && layer.pane === true && !("place" in layer))
    breach("pane", 'a group in a pane needs a "place": the box that clips it');
  if (kind === "layers" && layer.pane === true && !("size" in layer) && moves(layer) && "travel" in layer)
    breach(
      "travel",
      `how far a group reaches past its pane follows from its ${"speed" in layer ? "speed" : "depth"} alone: leave "travel" away, or give it a "size" that is larger than the pane`,
    );
  const inPane = (kind === "image" || kind === "shape") && (layer.pane === true || !("place" in layer));
  if (inPane && "travel" in layer)
    breach(
      "travel",
      "a picture in a pane moves by its depth, from which its overscan follows; give it a depth, or put it into a group with this travel",
    );
  if (inPane && "hold" in layer)
    breach("hold", "a picture in a pane stays with its pane; put it into a group and let that hold");
  for (const key of inPane ? unpaned : [])
    if (key in layer)
      breach(
        key,
        `a picture in a pane has no "${key}": an edge of it would show; put it into a group and give it that`,
      );
  if (kind === "markup" && !("place" in layer))
    breaches.push({ path, message: 'the piece of markup needs a "place" with its width and height' });
  if (kind === "shape" || kind === "markup")
    breaches.push(...sizeBreaches(layer, `a ${oneName[kind]}`, path));
  if (kind === "layers" && !("row" in layer))
    breaches.push(
      ...sizeBreaches(layer, groupWords(layer), path, fitsContent(layer) ? layer.layers : undefined),
    );
  if (isObject(layer.cue) && "pieces" in layer.cue && kind !== "text")
    breaches.push({ path: [...path, "cue", "pieces"], message: '"pieces" is for a text' });
  return breaches;
}

/** What contradicts itself in the settings of a layer, or of one of its rules. */
export function settingsBreaches(settings: Json, path: Path): Breach[] {
  const breaches: Breach[] = [];
  if ("depth" in settings && "speed" in settings)
    breaches.push({
      path: [...path, "speed"],
      message:
        '"depth" and "speed" are both given: each follows from the other (speed = 1 / (1 + depth)); keep one',
    });
  if (isObject(settings.place)) breaches.push(...placeBreaches(settings.place, [...path, "place"]));
  if (isObject(settings.fontSize) && "fit" in settings.fontSize) {
    const place = isObject(settings.place) ? settings.place : {};
    if ("width" in place || ("left" in place && "right" in place))
      breaches.push({
        path: [...path, "place"],
        message: 'the text has its width from "fit"; leave "width", and one of "left" and "right", away',
      });
    if ("padding" in settings)
      breaches.push({
        path: [...path, "padding"],
        message: 'the letters of a fitted text reach the edges of its place; leave "padding" away',
      });
    if ("letterSpacing" in settings && !/em$/.test(plain(settings.letterSpacing).replace("rem", "")))
      breaches.push({
        path: [...path, "letterSpacing"],
        message:
          'the letters of a fitted text grow with it, and so does their space: give it in em, such as "-0.02em"',
      });
  } else if (isObject(settings.fontSize)) {
    const { from = 360, to = 1440, min, max } = settings.fontSize;
    if (Number.parseFloat(plain(min)) > Number.parseFloat(plain(max)))
      breaches.push({
        path: [...path, "fontSize"],
        message: `"min" (${plain(min)}) is above "max" (${plain(max)}); exchange them`,
      });
    if (typeof from === "number" && typeof to === "number" && from >= to)
      breaches.push({
        path: [...path, "fontSize"],
        message: `the text grows from ${from} px to ${to} px of viewport width; "from" must be below "to"`,
      });
  }
  return breaches;
}

function placeBreaches(place: Json, path: Path): Breach[] {
  const breaches: Breach[] = [];
  for (const [start, end, size, axis] of [
    ["left", "right", "width", "x"],
    ["top", "bottom", "height", "y"],
  ] as const) {
    if (start in place && end in place && size in place)
      breaches.push({
        path: [...path, size],
        message: `"${start}", "${end}" and "${size}" are all given, and two of them settle the third; remove one`,
      });
    if (place.center !== axis && place.center !== "both") continue;
    for (const key of [start, end])
      if (key in place)
        breaches.push({
          path: [...path, key],
          message: `"${key}" contradicts "center": "${plain(place.center)}"; remove one of them`,
        });
  }
  return breaches;
}
