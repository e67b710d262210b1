import type { AnyLayer, Page, Scene } from "lumbit/core";
import type { Camera } from "lumbit/internal";

/** What only a script does: what plays once, turns or sways, films, and titles of slides that come and go. */
const scripted = new Set(["cue", "tilt", "tiltOver", "perspective", "video", "title"]);

/** A page as readers have it where no script runs. What has nothing of one stays the same object. */
export const withoutScript = (page: Page): Page => {
  const { page: look } = page;
  return { ...page, ...(look && { page: steady(look) }), scenes: page.scenes.map(sceneWithout) };
};

const sceneWithout = (scene: Scene): Scene => ({ ...steady(scene), layers: scene.layers.map(layerWithout) });

const known = new WeakMap<AnyLayer, AnyLayer>();

/** The same each time, for a layer that is the same. */
function layerWithout<L extends AnyLayer>(layer: L): L {
  const before = known.get(layer);
  if (before) return before as L;
  const own = Object.fromEntries(Object.entries(layer).filter(([key]) => !scripted.has(key)));
  const made = {
    ...own,
    ...(layer.rules && { rules: layer.rules.map(({ cue: _, ...rule }) => rule) }),
    ...(layer.layers && { layers: layer.layers.map(layerWithout) }),
  } as unknown as L;
  known.set(layer, made);
  return made;
}

interface WithCamera {
  camera?: Partial<Camera>;
  rules?: readonly WithCamera[];
}

/** Settings whose camera does not sway, under none of their rules. */
function steady<T extends WithCamera>(settings: T): T {
  const { camera, rules } = settings;
  const still = camera && Object.fromEntries(Object.entries(camera).filter(([key]) => key !== "sway"));
  return { ...settings, ...(still && { camera: still }), ...(rules && { rules: rules.map(steady) }) };
}
