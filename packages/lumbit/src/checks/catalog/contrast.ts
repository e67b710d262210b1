import {
  type AnyLayer,
  type Box,
  cropped,
  intersection,
  intersects,
  isText,
  type TextLayer,
} from "../../core/index.ts";
import type { Check } from "../check.ts";
import { colorAt, over, parseColor, white } from "../color.ts";
import type { Sighting } from "../finding.ts";
import { gridIn } from "../grid.ts";
import { pixelOn, trackAt } from "../layer-at.ts";
import { contrasts, legible, spared } from "../legible.ts";
import { fontSizeOf } from "../letters.ts";
import { type Pixel, pixelAt } from "../picture.ts";
import { readMoments } from "../read-moments.ts";
import { about, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "contrast",
  severity: "error",
  why: "Text with less contrast than WCAG 2.2 asks for cannot be read by many (success criterion 1.4.3).",
  scope: "scene",
  judge,
};

/** What is over within so much scroll, as a share of the viewport, is only passing. */
const passing = 0.1;
/** Where on the screen one reads, as shares of its height. */
const whereRead = [0.12, 0.88] as const;

/** Texts that cannot be told from what passes behind them. */
function judge(scene: SceneView, view: View): Sighting[] {
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
      const ratios = contrasts({ ...text, alpha: text.alpha * opacity }, behind, layer.blend);
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
        ...legible({ own, layer, color: text, behind: seen.flatMap(({ behind }) => behind), needed }, scene),
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

/** The colors behind a text, over a grid of points that its letters cover. */
function backgrounds(own: LayerView, moment: TrackPoint, scene: SceneView, view: View): Pixel[] {
  const { pose } = moment;
  // From the front to the back, so that nothing behind what is opaque is looked at.
  const behind: Ground[] = scene.layers
    .filter(
      (other) =>
        (other === own || other.paint < own.paint) &&
        (!isText(other.layer) || other.layer.background !== undefined),
    )
    .toSorted((a, b) => b.paint - a.paint)
    .flatMap((other) => {
      const at = trackAt(other, moment.scroll);
      if (!at || !intersects(intersection(at.pose, at.clip), pose)) return [];
      return [{ at: (point: Point) => pixelOn(other, at, point, view), blend: other.layer.blend }];
    });
  const all = [...behind, ...groundsAt(moment, scene, view)];
  const seen = (point: Point, from = 0): Pixel => {
    const ground = all[from];
    if (!ground) return white;
    const pixel = ground.at(point);
    const plain = ground.blend === undefined || ground.blend === "normal";
    if (!pixel || (pixel.alpha === 0 && plain)) return seen(point, from + 1);
    return pixel.alpha === 1 && plain ? pixel : over(pixel, seen(point, from + 1), ground.blend);
  };
  return gridIn(pose, 10, 4).map((point) => seen(point));
}

/** Something behind a text: its color at points of the screen, and how it blends with what is behind it. */
interface Ground {
  at(point: Point): Pixel | undefined;
  blend?: AnyLayer["blend"];
}

interface Point {
  x: number;
  y: number;
}

/** What lies behind all layers: the scene's background, the page's backdrop and background. */
function groundsAt(
  { scene: around, scroll }: TrackPoint,
  { scene }: SceneView,
  { page, viewport, layout, pictures }: View,
): Ground[] {
  const { background, backdrop } = page.page ?? {};
  const painted = (background: string | undefined, box: Box): Ground[] =>
    background === undefined
      ? []
      : [{ at: ({ x, y }) => colorAt(background, (x - box.left) / box.width, (y - box.top) / box.height) }];
  const picture = backdrop && pictures.get(backdrop.image);
  const { speed, height } = layout.backdrop ?? { speed: 0, height: 0 };
  const pictured: Ground = {
    at: ({ x, y }) => {
      const subject = backdrop?.subject ?? [0.5, 0.5];
      const box = { width: viewport.width, height };
      const at =
        picture && cropped(picture, box, subject, true, x / box.width, (y + speed * scroll) / height);
      return at && pixelAt(picture, at.x, at.y);
    },
  };
  return [
    ...painted(scene.background, around),
    ...(picture ? [pictured] : []),
    ...painted(background, { left: 0, top: 0, ...viewport }),
  ];
}
