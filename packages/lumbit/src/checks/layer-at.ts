import { cropped, intersection, isImage } from "../core/index.ts";
import { colorAt } from "./color.ts";
import { type Pixel, pixelAt } from "./picture.ts";
import type { LayerView, SceneView, TrackPoint, View } from "./view.ts";

/** Where each layer was asked for last: of one scroll position checks ask at many points. */
const lastAsked = new WeakMap<LayerView, TrackPoint>();

/** The pose of a layer at a scroll position, between two that are known. */
export function trackAt(own: LayerView, scroll: number): TrackPoint | undefined {
  const last = lastAsked.get(own);
  if (last?.scroll === scroll) return last;
  const found = between(own.track, scroll);
  if (found) lastAsked.set(own, found);
  return found;
}

function between(track: readonly TrackPoint[], scroll: number): TrackPoint | undefined {
  const next = firstAtOrAfter(track, scroll);
  const [a, b] = [track[next - 1], track[next]];
  if (!b || !a || b.scroll === scroll) return b ?? track.at(-1);
  const share = (scroll - a.scroll) / (b.scroll - a.scroll || 1);
  const mix = (from: number, to: number) => from + (to - from) * share;
  const pose = {
    ...b.pose,
    left: mix(a.pose.left, b.pose.left),
    top: mix(a.pose.top, b.pose.top),
    width: mix(a.pose.width, b.pose.width),
    height: mix(a.pose.height, b.pose.height),
    opacity: mix(a.pose.opacity, b.pose.opacity),
  };
  const scene = { ...b.scene, top: mix(a.scene.top, b.scene.top) };
  const clip = {
    left: mix(a.clip.left, b.clip.left),
    top: mix(a.clip.top, b.clip.top),
    width: mix(a.clip.width, b.clip.width),
    height: mix(a.clip.height, b.clip.height),
  };
  return { scroll, pose, scene, clip };
}

/** The index of the first moment at a scroll position or after it, by halves: tracks are long, and much is asked of them. */
function firstAtOrAfter(track: readonly TrackPoint[], scroll: number): number {
  let [low, high] = [0, track.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((track[middle]?.scroll ?? 0) < scroll) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** What a picture, shape or group has at a point of the screen: nothing where it does not reach. Turned layers are left out. */
export function pixelOn(
  { layer, layout }: LayerView,
  { pose, clip }: TrackPoint,
  point: { x: number; y: number },
  { pictures }: View,
): Pixel | undefined {
  if (layout.hidden || pose.opacity === 0 || pose.width <= 0 || pose.rotate % 360 !== 0) return undefined;
  const [x, y] = [(point.x - pose.left) / pose.width, (point.y - pose.top) / pose.height];
  if (x < 0 || y < 0 || x > 1 || y > 1) return undefined;
  const [inX, inY] = [point.x - clip.left, point.y - clip.top];
  if (inX < 0 || inY < 0 || inX > clip.width || inY > clip.height) return undefined;
  let pixel: Pixel | undefined;
  if (isImage(layer)) {
    const picture = pictures.get(layer.image);
    const at = picture && cropped(picture, pose, layer.subject ?? [0.5, 0.5], layer.fit !== "contain", x, y);
    pixel = at && picture && pixelAt(picture, at.x, at.y);
  } else {
    if (layer.shape === "ellipse" && (2 * x - 1) ** 2 + (2 * y - 1) ** 2 > 1) return undefined;
    const background = layer.background ?? (layer.blurBehind && "transparent");
    pixel = background === undefined ? undefined : colorAt(background, x, y);
  }
  return pixel && { ...pixel, alpha: pixel.alpha * pose.opacity };
}

/** How much of the screen a layer takes at a moment, 0..1. */
export function screenShare({ pose, clip }: TrackPoint, { viewport }: View): number {
  const { width, height } = intersection(pose, clip);
  return (Math.max(0, width) * Math.max(0, height)) / (viewport.width * viewport.height);
}

/** What has more opacity than this hides what is behind it. */
export const opaque = 0.9;

/** Whether something opaque in front of a layer hides it at a point of the screen. */
export const isCoveredAt = (
  point: { x: number; y: number },
  { paint }: LayerView,
  scroll: number,
  { layers }: SceneView,
  view: View,
): boolean =>
  layers.some((other) => {
    const at = other.paint > paint && trackAt(other, scroll);
    return at && (pixelOn(other, at, point, view)?.alpha ?? 0) > opaque;
  });
