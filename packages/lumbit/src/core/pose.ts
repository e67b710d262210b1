import { numbers } from "./arithmetic.ts";
import { backdropOffset } from "./backdrop.ts";
import { type Box, intersection, intersects } from "./box.ts";
import { displacement, pushed } from "./drift.ts";
import type { LayerLayout, PageLayout, SceneLayout } from "./layout.ts";
import { passed } from "./passage.ts";
import { rampedAt } from "./ramp-pose.ts";

/** Everything about one layer at one scroll position. The box is in viewport px, after movement, before rotation. */
export interface LayerPose extends Box {
  name: string;
  opacity: number;
  scale: number;
  /** Degrees, clockwise. */
  rotate: number;
  /** Radius in px. */
  blur: number;
  /** Factors on its brightness and saturation. */
  brightness: number;
  saturation: number;
  /** Whether any of the box is inside its scene, its pane and the viewport. */
  visible: boolean;
}

export interface ScenePose {
  name: string;
  /** The scene's top edge on the screen. */
  top: number;
  height: number;
  layers: LayerPose[];
}

export interface PagePose {
  viewport: { width: number; height: number };
  scroll: number;
  scrollHeight: number;
  scenes: ScenePose[];
  /** The page's backdrop, where there is one. */
  backdrop?: Box;
}

/** Where everything on a page is at a scroll position (px, cut to what the page can scroll). */
export function poseAt(layout: PageLayout, scroll: number): PagePose {
  const { viewport, scrollHeight, backdrop } = layout;
  const reached = Math.min(Math.max(scroll, 0), scrollHeight - viewport.height);
  return {
    viewport: { width: viewport.width, height: viewport.height },
    scroll: reached,
    scrollHeight,
    scenes: layout.scenes.map((scene) => {
      const p = viewport.height + reached - scene.top;
      const top = 0 - passed(numbers, scene.passage, p);
      const layers = scene.layers.flatMap((layer) => poseLayer(layer, scene, p, layout));
      return { name: scene.name, top, height: scene.height, layers };
    }),
    ...(backdrop && {
      backdrop: {
        left: 0,
        top: backdropOffset(numbers, backdrop.speed, reached) - reached,
        width: viewport.width,
        height: backdrop.height,
      },
    }),
  };
}

/** A layer's scale as the camera nears it; p within the passage. */
function scaleAt({ push, speed }: LayerLayout, { passage, settle }: SceneLayout, p: number): number {
  if (push === 0) return 1;
  const { distance, nearer } = pushed(numbers, { push, speed, length: passage.length, settle }, p);
  return distance / (distance - nearer);
}

/** The pose of a layer and, behind it, of the layers inside it. */
function poseLayer(layer: LayerLayout, scene: SceneLayout, p: number, { viewport }: PageLayout): LayerPose[] {
  // Before and after its passage a scene is out of view, and its layers rest where they came from or went.
  const within = Math.min(Math.max(p, 0), scene.passage.length);
  const d = (drift: number) => displacement(numbers, drift, within, layer.settle);
  const at = { left: scene.left, top: 0 - passed(numbers, scene.passage, p) };
  const screen = { left: 0, top: 0, width: viewport.width, height: viewport.height };
  const inScene = intersection(screen, { ...at, width: scene.width, height: scene.height });
  const clip = layer.pane ? intersection(inScene, moved(layer.pane, at.left, at.top)) : inScene;
  const scale = scaleAt(layer, scene, within);
  const place = moved(layer.box, at.left + d(layer.drift.x), at.top + d(layer.drift.y));

  const own = ramped(layer, place, p, identity);
  const whole: Frame = { ...own, scale: own.scale * scale };
  const inside = (child: LayerLayout, around: Frame, gone: boolean): LayerPose[] => {
    const frame = ramped(child, moved(child.box, around.box.left, around.box.top), p, around);
    const hidden = gone || child.hidden;
    const inner = (child.layers ?? []).flatMap((own) => inside(own, frame, hidden));
    return [poseOf(child, frame, hidden, clip), ...inner];
  };
  const inner = (layer.layers ?? []).flatMap((child) => inside(child, whole, layer.hidden));
  return [poseOf(layer, whole, layer.hidden, clip), ...inner];
}

/** A layer's box where it moved to, and how it is scaled and turned about its middle. */
interface Frame {
  /** Neither scaled nor turned. */
  box: Box;
  /** Where its middle is on the screen. */
  middle: { x: number; y: number };
  scale: number;
  rotate: number;
  values: ReturnType<typeof rampedAt>;
}

const identity = { scale: 1, rotate: 0 };

/** A layer with its ramps at p, inside of what is scaled and turned already. */
function ramped(layer: LayerLayout, place: Box, p: number, around: Partial<Frame> & typeof identity): Frame {
  const values = rampedAt(layer.ramps, p);
  const box = moved(place, values.x, values.y);
  const middle = middleOf(box);
  return {
    box,
    middle:
      around.box && around.middle ? turned(middle, middleOf(around.box), around.middle, around) : middle,
    scale: around.scale * values.scale,
    rotate: around.rotate + layer.rotate + values.rotate,
    values,
  };
}

function poseOf(
  layer: LayerLayout,
  { box, middle, scale, rotate, values }: Frame,
  hidden: boolean,
  clip: Box,
) {
  const [width, height] = [box.width * scale, box.height * scale];
  const drawn = { left: middle.x - width / 2, top: middle.y - height / 2, width, height };
  return {
    name: layer.name,
    ...(hidden ? { left: 0, top: 0, width: 0, height: 0 } : drawn),
    opacity: layer.opacity * values.opacity,
    blur: layer.blur + values.blur,
    brightness: values.brightness,
    saturation: values.saturation,
    scale,
    rotate,
    visible: !hidden && intersects(boundsOf(drawn, rotate), clip),
  };
}

/** The smallest upright box around a box that is turned about its middle by degrees. */
export function boundsOf(box: Box, rotate: number): Box {
  if (rotate === 0) return box;
  const { x, y } = middleOf(box);
  const [sin, cos] = [Math.abs(Math.sin(radians(rotate))), Math.abs(Math.cos(radians(rotate)))];
  const [width, height] = [box.width * cos + box.height * sin, box.width * sin + box.height * cos];
  return { left: x - width / 2, top: y - height / 2, width, height };
}

const middleOf = ({ left, top, width, height }: Box) => ({ x: left + width / 2, y: top + height / 2 });
const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** Where a point comes to when what is around it is scaled and turned about `from`, which itself comes to `to`. */
function turned(
  point: { x: number; y: number },
  from: { x: number; y: number },
  to: { x: number; y: number },
  { scale, rotate }: { scale: number; rotate: number },
) {
  const [x, y] = [(point.x - from.x) * scale, (point.y - from.y) * scale];
  const [sin, cos] = [Math.sin(radians(rotate)), Math.cos(radians(rotate))];
  return { x: to.x + x * cos - y * sin, y: to.y + x * sin + y * cos };
}

const moved = (box: Box, x: number, y: number): Box => ({ ...box, left: box.left + x, top: box.top + y });
