import * as Plot from "@observablehq/plot";
import type { SceneView, View } from "lumbit/checks";
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

/**
 * A scene from the side as SVG: the camera at the settle moment, the page surface one camera distance before it, every
 * layer at its depth and as high as it has to be there to look as high as it was placed, and what the camera sees of it.
 */
export function elevationChart(scene: SceneView, view: View, theme: Theme): string {
  const { ink, ground } = themes[theme];
  const { settle, height, passage } = scene.layout;
  const screen = view.viewport.height;
  // The scene's top edge on the screen at the settle moment, and the screen's middle against the scene.
  const edge = screen - Math.min(settle, Math.max(screen, settle - passage.hold));
  const eye = screen / 2 - edge;
  const planes = planesOf(scene, eye, screen);
  const end = Math.max(2, ...planes.map(({ distance }) => distance)) * 1.04;
  const reach = (distance: number) => (screen / 2) * distance;
  const cone = [
    { x: 0, low: eye, high: eye },
    { x: end, low: eye - reach(end), high: eye + reach(end) },
  ];
  const labels = apart(planes, (2 * reach(end)) / 500);
  const draw = (document: Document) =>
    Plot.plot({
      document,
      width: chartWidth,
      height: 640,
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
        label: "px from the scene's top, as far apart as they are in depth",
        labelAnchor: "center",
        reverse: true,
        grid: false,
        domain: [eye - reach(end), eye + reach(end)],
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
    title: `${scene.scene.name} from the side, ${view.viewport.width} × ${view.viewport.height}, when it settles`,
    note: `thick is what the camera sees; ${depthNote(theme)}`,
    theme,
  });
}

const across = { x1: "distance", x2: "distance" } as const;

/** Where every layer stands in depth: on the screen at y, it is at eye + (y - eye) times its distance. */
function planesOf({ layers, layout }: SceneView, eye: number, screen: number): Plane[] {
  return layers
    .filter(({ group, layout: own }) => !group && !own.hidden)
    .map(({ layer, layout: own }) => {
      const real = 1 / Math.max(own.speed, 1e-6);
      const distance = Math.min(real, farthest);
      const at = (y: number) => eye + (y - eye) * distance;
      const clip = own.pane ?? { top: 0, height: layout.height };
      const box = own.box;
      const [top, bottom] = [at(box.top), at(box.top + box.height)];
      const [first, last] = [
        Math.max(eye - screen / 2, clip.top, box.top),
        Math.min(eye + screen / 2, clip.top + clip.height, box.top + box.height),
      ];
      const sees = last > first;
      return {
        layer: layer.name,
        distance,
        top,
        bottom,
        seenTop: at(sees ? first : box.top),
        seenBottom: at(sees ? last : box.top),
        near: nearness(own.speed),
        name:
          real > farthest
            ? `${layer.name}, ${Number.isFinite(own.depth) ? `at ${Math.round(real)}` : "horizon"}`
            : layer.name,
      };
    });
}

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
