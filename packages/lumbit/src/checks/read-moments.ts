import { intersection, isText } from "../core/index.ts";
import type { LayerView, TrackPoint, View } from "./view.ts";

/** When a text is read: all of it in view, or as much as fits, and none of it in the middle of fading. */
export function readMoments({ track, layout, layer, group }: LayerView, { viewport }: View): TrackPoint[] {
  return track.filter(({ pose, clip }, index) => {
    const part = intersection(pose, clip);
    // A title is out while its slide is.
    const slide = isText(layer) && layer.title ? group?.track[index]?.pose : undefined;
    if (slide && intersection(slide, clip).width < 0.6 * slide.width) return false;
    return (
      pose.visible &&
      pose.opacity >= 0.9 * layout.opacity &&
      part.height >= 0.99 * Math.min(pose.height, viewport.height) &&
      part.width >= 0.99 * Math.min(pose.width, viewport.width)
    );
  });
}
