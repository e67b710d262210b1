import { intersection, isText, type TextLayer } from "../../core/index.ts";
import { colorAt, contrastOf, over, parseColor, white } from "../color.ts";
import type { Sighting } from "../finding.ts";
import { gridIn } from "../grid.ts";
import { cropped, pixelOn, trackAt } from "../layer-at.ts";
import { legible, spared } from "../legible.ts";
import { fontSizeOf } from "../letters.ts";
import { type Pixel, pixelAt } from "../picture.ts";
import { about, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

/** What is over within so much scroll, as a share of the viewport, is only passing. */
const passing = 0.1;
/** Where on the screen one reads, as shares of its height. */
const whereRead = [0.12, 0.88] as const;

/** Texts that cannot be told from what passes behind them. */
export function contrast(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout } = own;
    if (!isText(layer) || layout.hidden || layer.outline) return [];
    const text = colorOf(layer, scene, view);
    if (!text) return [];
    const height = view.viewport.height;
    const read = readMoments(own, view).filter(({ pose }) => {
      const middle = (pose.top + pose.height / 2) / height;
      return middle > whereRead[0] && middle < whereRead[1];
    });
    const seen = read.map((moment) => ({
      scroll: moment.scroll,
      behind: backgrounds(own, moment, scene, view),
      opacity: moment.pose.opacity,
    }));
    const needed = neededFor(layer, own, view);
    const bad = seen.flatMap(({ scroll, behind, opacity }) => {
      const ratios = behind
        .map((below) => contrastOf(over({ ...text, alpha: text.alpha * opacity }, below, layer.blend), below))
        .sort((a, b) => a - b);
      const ratio = ratios[Math.floor(ratios.length * spared)] ?? 21;
      return ratio < needed - 0.05 ? [{ scroll, ratio, behind }] : [];
    });
    const worst = bad.toSorted((a, b) => a.ratio - b.ratio)[0];
    const span = (bad.at(-1)?.scroll ?? 0) - (bad[0]?.scroll ?? 0);
    if (!worst || (bad.length < seen.length && span < passing * view.viewport.height)) return [];
    return [
      {
        ...about(scene, own),
        from: Math.min(...bad.map(({ scroll }) => scroll)),
        to: Math.max(...bad.map(({ scroll }) => scroll)),
        amount: needed - worst.ratio,
        measured: `contrast ${worst.ratio.toFixed(1)} at scroll ${Math.round(worst.scroll)}, ${needed} is needed`,
        change: legible(
          { own, layer, color: text, behind: seen.flatMap(({ behind }) => behind), needed },
          scene,
        ),
      },
    ];
  });
}

/** WCAG 2.2: 3 for large letters (24 px, or 18.66 px and bold), 4.5 for others. */
function neededFor(layer: TextLayer, own: LayerView, view: View): number {
  const size = fontSizeOf(layer, own, view);
  return size >= 24 || (size >= 18.66 && (layer.fontWeight ?? 400) >= 700) ? 3 : 4.5;
}

const colorOf = (layer: TextLayer, { scene }: SceneView, { page }: View) =>
  parseColor(layer.color ?? scene.color ?? page.page?.color ?? "#000");

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

/** The colors behind a text, over a grid of points that its letters cover. */
function backgrounds(own: LayerView, moment: TrackPoint, scene: SceneView, view: View): Pixel[] {
  const { pose } = moment;
  const below = scene.layers
    .filter((other) => other.paint < own.paint && !isText(other.layer))
    .toSorted((a, b) => a.paint - b.paint)
    .flatMap((other) => {
      const at = trackAt(other, moment.scroll);
      return at ? [{ other, at }] : [];
    });
  return gridIn(pose, 10, 4).map((point) =>
    below.reduce(
      (color, { other, at }) => {
        const pixel = pixelOn(other, at, point, view);
        return pixel ? over(pixel, color, other.layer.blend) : color;
      },
      groundAt(point, moment, scene, view),
    ),
  );
}

/** What lies behind all layers: the page's background and backdrop, the scene's background. */
function groundAt(
  point: { x: number; y: number },
  { scene: around, scroll }: TrackPoint,
  { scene }: SceneView,
  { page, viewport, layout, pictures }: View,
): Pixel {
  const look = page.page;
  const ground = [
    look?.background && colorAt(look.background, point.x / viewport.width, point.y / viewport.height),
    look?.backdrop && backdropAt(),
    scene.background &&
      colorAt(
        scene.background,
        (point.x - around.left) / around.width,
        (point.y - around.top) / around.height,
      ),
  ];
  return ground.reduce<Pixel>((below, pixel) => (pixel ? over(pixel, below) : below), white);

  function backdropAt(): Pixel | undefined {
    const picture = look?.backdrop && pictures.get(look.backdrop.image);
    if (!picture || !layout.backdrop) return undefined;
    const box = { width: viewport.width, height: layout.backdrop.height };
    const y = (point.y + layout.backdrop.speed * scroll) / box.height;
    const at = cropped(picture, box, look?.backdrop?.subject ?? [0.5, 0.5], true, point.x / box.width, y);
    return pixelAt(picture, at.x, at.y);
  }
}
