import { type AnyLayer, type Box, cropped, intersection, intersects, isText } from "../core/index.ts";
import { colorAt, mean, over, white } from "./color.ts";
import { gridIn } from "./grid.ts";
import { pixelOn, trackAt } from "./layer-at.ts";
import { type Pixel, pixelAt } from "./picture.ts";
import type { LayerView, SceneView, View } from "./view.ts";

/** Something behind a text: its color at points of the screen, and how it blends with what is behind it. */
export interface Ground {
  at(point: Point): Pixel | undefined;
  blend?: AnyLayer["blend"];
  /** By how much what is seen through it is blurred, in px. */
  blurred?: number;
}

interface Point {
  x: number;
  y: number;
}

/** Where the page is scrolled to, and where a scene is on the screen then. */
export interface Moment {
  scroll: number;
  scene: Box;
}

/** The colors behind a box on the screen, over a grid of its points: of grounds, the nearest first. */
export function behind(box: Box, grounds: readonly Ground[]): Pixel[] {
  const seen = (point: Point, from = 0): Pixel => {
    const ground = grounds[from];
    if (!ground) return white;
    const pixel = ground.at(point);
    const plain = ground.blend === undefined || ground.blend === "normal";
    if (pixel?.alpha === 1 && plain) return pixel;
    const below =
      pixel && ground.blurred
        ? mean(blurredFrom(point, ground.blurred).map((around) => seen(around, from + 1)))
        : seen(point, from + 1);
    return !pixel || (pixel.alpha === 0 && plain) ? below : over(pixel, below, ground.blend);
  };
  return gridIn(box, 10, 4).map((point) => seen(point));
}

/** What is painted of the layers of a scene behind a box on the screen, the nearest first. */
export const layersBehind = (
  box: Box,
  { scroll }: Moment,
  layers: readonly LayerView[],
  view: View,
): Ground[] =>
  layers
    .filter(({ layer }) => !isText(layer) || (layer.background ?? layer.blurBehind) !== undefined)
    .toSorted((a, b) => b.paint - a.paint)
    .flatMap((own) => {
      const at = trackAt(own, scroll);
      if (!at || !intersects(intersection(at.pose, at.clip), box)) return [];
      const { blend, blurBehind = "0px" } = own.layer;
      return [
        {
          at: (point: Point) => pixelOn(own, at, point, view),
          blend,
          blurred: Number.parseFloat(blurBehind),
        },
      ];
    });

/** What lies behind all layers: the scene's background, the page's backdrop and background. */
export function groundsAt(
  { scene: around, scroll }: Moment,
  { scene }: SceneView,
  { page, viewport, layout, pictures }: View,
): Ground[] {
  const { background, backdrop } = page.page ?? {};
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

/** What is painted over a box on the screen: a color or a gradient. */
export const painted = (background: string | undefined, { left, top, width, height }: Box): Ground[] =>
  background === undefined
    ? []
    : [{ at: ({ x, y }) => colorAt(background, (x - left) / width, (y - top) / height) }];

/**
 * Points that stand for what a blur takes a point from, each with the same weight, on a spiral (H. Vogel 1979): the radius is
 * the standard deviation of a Gaussian (Filter Effects 1, 9.4), of which a share s lies within sqrt(-2 ln(1 - s)) of it.
 */
const blurredFrom = ({ x, y }: Point, radius: number): Point[] =>
  Array.from({ length: blurPoints }, (_, index) => {
    const distance = radius * Math.sqrt(-2 * Math.log(1 - (index + 0.5) / blurPoints));
    const angle = index * goldenAngle;
    return { x: x + distance * Math.cos(angle), y: y + distance * Math.sin(angle) };
  });
const blurPoints = 48;
const goldenAngle = Math.PI * (3 - Math.sqrt(5));
