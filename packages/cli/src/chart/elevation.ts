import * as Plot from "@observablehq/plot";
import type { LayerView, SceneView, View } from "lumbit/checks";
import { poseAt, type Size } from "lumbit/core";
import { depthColors, depthNote, nearness } from "./depth-color.ts";
import { chartWidth, drawing, type Theme, themes } from "./drawing.ts";

/** Layers farther than this, in camera distances from the camera, stand at the end of the drawing. */
const farthest = 6;

interface Plane {
  layer: string;
  /** Its distance from the camera, in camera distances; those past the end of the drawing are at it. */
  distance: number;
  /** Its top and bottom where it stands in depth, in px below the scene's top edge on the page surface. */
  top: number;
  bottom: number;
  /** What of it the camera sees. */
  seenTop: number;
  seenBottom: number;
  near: number;
  /** What its label says. */
  name: string;
}

/** A moment of a film: where the page is scrolled to, and how large the drawing is. */
export interface Filmed {
  scroll: number;
  size: Size;
}

/**
 * A scene from the side as SVG: the camera at the settle moment, or at a moment of a film, the page surface one camera
 * distance before it, every layer at its depth and as high as it has to be there to look as high as it does, and what the
 * camera sees of it.
 */
export function elevationChart(scene: SceneView, view: View, theme: Theme, filmed?: Filmed): string {
  const { ink, ground } = themes[theme];
  const { settle, height, passage } = scene.layout;
  const screen = view.viewport.height;
  const top = filmed
    ? topAt(scene, view, filmed.scroll)
    : screen - Math.min(settle, Math.max(screen, settle - passage.hold));
  // The middle of the screen against the scene.
  const eyeOf = (top: number) => screen / 2 - top;
  const eye = eyeOf(top);
  const standing = filmed ? seenAt(scene, view, filmed.scroll) : settledAt(scene, top);
  const planes = planesOf(standing, eye, screen);
  const end = Math.max(2, ...planes.map(({ distance }) => distance)) * 1.04;
  const reach = (distance: number) => (screen / 2) * distance;
  const cone = [
    { x: 0, low: eye, high: eye },
    { x: end, low: eye - reach(end), high: eye + reach(end) },
  ];
  // While a film runs the drawing stands still, and the camera goes.
  const [highest, lowest] = filmed
    ? [eyeOf(topAt(scene, view, scene.from)), eyeOf(topAt(scene, view, scene.to))]
    : [eye, eye];
  const size = filmed?.size ?? { width: chartWidth, height: 640 };
  const labels = apart(planes, (lowest - highest + 2 * reach(end)) / (size.height - 140));
  const draw = (document: Document) =>
    Plot.plot({
      document,
      ...size,
      marginLeft: 84,
      marginTop: 74,
      marginRight: 40,
      marginBottom: 48,
      style: { color: ink, fontSize: "12px", fontFamily: "system-ui, sans-serif" },
      x: {
        label: "camera distances from the camera",
        domain: [0, end],
        ticks: Math.min(8, Math.ceil(end)),
        tickFormat: (value: number) => String(value),
      },
      y: {
        label: filmed ? null : "px from the scene's top, as far apart as they are in depth",
        labelAnchor: "center",
        reverse: true,
        grid: false,
        domain: [highest - reach(end), lowest + reach(end)],
      },
      color: depthColors(theme),
      marks: [
        Plot.areaY(cone, { x: "x", y1: "low", y2: "high", fill: ink, fillOpacity: 0.06 }),
        Plot.text([end], {
          x: (value: number) => value,
          y: () => eye - reach(end),
          text: () => "what the screen shows",
          textAnchor: "end",
          dx: -90,
          dy: -2,
          fillOpacity: 0.7,
        }),
        Plot.line(cone, { x: "x", y: "low", stroke: ink, strokeOpacity: 0.5 }),
        Plot.line(cone, { x: "x", y: "high", stroke: ink, strokeOpacity: 0.5 }),
        Plot.link([{ from: 0, to: height }], {
          x1: 1,
          x2: 1,
          y1: "from",
          y2: "to",
          stroke: ink,
          strokeOpacity: 0.35,
          strokeDasharray: "5 4",
        }),
        Plot.text([0], { x: 1, y: () => 0, text: () => "page surface", textAnchor: "end", dx: -4, dy: -10 }),
        Plot.link(planes, {
          ...across,
          y1: "top",
          y2: "bottom",
          stroke: "near",
          strokeWidth: 2.5,
          clip: true,
        }),
        Plot.link(planes, {
          ...across,
          y1: "seenTop",
          y2: "seenBottom",
          stroke: "near",
          strokeWidth: 8,
          strokeLinecap: "butt",
        }),
        ...(["start", "end"] as const).map((textAnchor) =>
          Plot.text(
            labels.filter(({ distance }) => (distance > 0.7 * end ? "end" : "start") === textAnchor),
            {
              x: "distance",
              y: "label",
              text: "name",
              textAnchor,
              dx: textAnchor === "start" ? 9 : -9,
              stroke: ground,
              strokeWidth: 4,
              fill: ink,
            },
          ),
        ),
        Plot.dot([eye], { x: 0, y: (value: number) => value, r: 6, fill: ink }),
        Plot.text([eye], {
          x: 0,
          y: (value: number) => value,
          text: () => "camera",
          textAnchor: "start",
          dx: 10,
          dy: -10,
        }),
      ],
    }) as unknown as Element;
  return drawing([draw], {
    title: filmed
      ? `${scene.scene.name} from the side`
      : `${scene.scene.name} from the side, ${view.viewport.width} × ${view.viewport.height}, when it settles`,
    note: filmed ? "thick is what the camera sees" : `thick is what the camera sees; ${depthNote(theme)}`,
    width: size.width,
    theme,
  });
}

const across = { x1: "distance", x2: "distance" } as const;

/** A layer on the screen: from where to where it is, and from where to where it may be seen. */
interface Standing {
  own: LayerView;
  top: number;
  bottom: number;
  clip: [top: number, bottom: number];
}

const planesIn = ({ layers }: SceneView) => layers.filter(({ group, layout }) => !group && !layout.hidden);

/** Where a scene's top is on the screen at a scroll position. */
const topAt = ({ layout }: SceneView, view: View, scroll: number): number =>
  poseAt({ ...view.layout, scenes: [{ ...layout, layers: [] }] }, scroll).scenes[0]?.top ?? 0;

/** The layers of a scene as they were placed, where its top is at `top`. */
const settledAt = (scene: SceneView, top: number): Standing[] =>
  planesIn(scene).map((own) => {
    const { box, pane } = own.layout;
    const clip = pane ?? { top: 0, height: scene.layout.height };
    return {
      own,
      top: top + box.top,
      bottom: top + box.top + box.height,
      clip: [top + clip.top, top + clip.top + clip.height],
    };
  });

/** The layers of a scene where they are at a scroll position. */
function seenAt(scene: SceneView, view: View, scroll: number): Standing[] {
  const { layout } = scene;
  const pose = poseAt({ ...view.layout, scenes: [layout] }, scroll).scenes[0];
  return planesIn(scene).flatMap((own) => {
    const at = pose?.layers.find(({ name }) => name === own.layer.name);
    if (!pose || !at) return [];
    const clip = own.layout.pane ?? { top: 0, height: layout.height };
    return {
      own,
      top: at.top,
      bottom: at.top + at.height,
      clip: [pose.top + clip.top, pose.top + clip.top + clip.height] as [number, number],
    };
  });
}

/** Where every layer stands in depth: what is on the screen at y is at eye + (y - V / 2) times its distance. */
const planesOf = (standing: readonly Standing[], eye: number, screen: number): Plane[] =>
  standing.map(({ own: { layer, layout }, top, bottom, clip }) => {
    const real = 1 / Math.max(layout.speed, 1e-6);
    const distance = Math.min(real, farthest);
    const at = (y: number) => eye + (y - screen / 2) * distance;
    const [first, last] = [Math.max(0, clip[0], top), Math.min(screen, clip[1], bottom)];
    const sees = last > first;
    return {
      layer: layer.name,
      distance,
      top: at(top),
      bottom: at(bottom),
      seenTop: at(sees ? first : top),
      seenBottom: at(sees ? last : top),
      near: nearness(layout.speed),
      name:
        real > farthest
          ? `${layer.name}, ${Number.isFinite(layout.depth) ? `at ${Math.round(real)}` : "horizon"}`
          : layer.name,
    };
  });

/** Labels in the middle of their planes, moved apart where planes are near each other. */
function apart(planes: readonly Plane[], unit: number): (Plane & { label: number })[] {
  const placed: (Plane & { label: number })[] = [];
  for (const plane of planes.toSorted((a, b) => a.distance - b.distance || a.seenTop - b.seenTop)) {
    let label = (plane.seenTop + plane.seenBottom) / 2;
    const taken = () =>
      placed.some(
        (other) =>
          Math.abs(other.distance - plane.distance) < 1.2 && Math.abs(other.label - label) < 15 * unit,
      );
    while (taken()) label += 4 * unit;
    placed.push({ ...plane, label });
  }
  return placed;
}
