import type { Box } from "lumbit/core";
import { fillsScene, isImage, isText } from "lumbit/internal";
import type { Edges } from "../edit/place.ts";
import type { Shown } from "./shown.ts";

const sides = [-1, 1] as const;
export const corners: readonly Edges[] = sides.flatMap((y) => sides.map((x) => ({ x, y })));
const cornersAndEdges: readonly Edges[] = [
  ...corners,
  ...sides.flatMap((side): Edges[] => [
    { x: side, y: 0 },
    { x: 0, y: side },
  ]),
];

/** How far from its point the grip of a subject is, and how large a picture has to be drawn for one, in px. */
const grip = 22;
const roomForSubject = 110;

/** How far apart grips are at least, in px: those of a small layer stand beside it, and its middle moves it. */
const apart = 44;

/** Grips at corners and edges of a box. */
export function Grips({ box, offered, scale }: { box: Box; offered: readonly Edges[]; scale: number }) {
  /** Where the grip of an edge is along one axis, in px. */
  const gripAt = (start: number, size: number, edge: number) =>
    (start + size / 2) * scale + (edge * Math.max(size * scale, apart)) / 2;
  return offered.map(({ x, y }) => (
    <b
      key={`${x} ${y}`}
      className="handle"
      data-handle={`${x} ${y}`}
      style={{
        left: gripAt(box.left, box.width, x),
        top: gripAt(box.top, box.height, y),
        cursor: x === 0 ? "ns-resize" : y === 0 ? "ew-resize" : x === y ? "nwse-resize" : "nesw-resize",
      }}
    />
  ));
}

/** What a selected layer can be taken hold of by: its corners and edges, and the subject of its picture. */
export function Handles({ shown, scale }: { shown: Shown; scale: number }) {
  const point = (x: number, y: number) => ({ left: x * scale, top: y * scale });
  const { layer, pane, bounds, pose, carried } = shown;
  const box = pane ?? bounds;
  const isLarge = Math.min(box.width, box.height) * scale > roomForSubject;
  const subject = isImage(layer) && (pane !== undefined || fillsScene(layer)) && isLarge;
  const subjectAt = point(
    pose.left + pose.width * (layer.subject?.[0] ?? 0.5),
    pose.top + pose.height * (layer.subject?.[1] ?? 0.5),
  );
  const sized = !fillsScene(layer) && pose.rotate % 360 === 0 && !(carried && layer.layers);
  const proportional = isImage(layer) && !pane && !(layer.place?.width && layer.place.height);
  const offered = cornersAndEdges.filter(({ x, y }) =>
    isText(layer) ? y === 0 : proportional ? x !== 0 && y !== 0 : true,
  );
  return (
    <>
      {sized && <Grips box={box} offered={offered} scale={scale} />}
      {subject && (
        <>
          <i className="subject" style={subjectAt} />
          {/* Beside the point, so that the middle of a picture moves the picture. */}
          <b
            className="handle subject"
            data-handle="subject"
            title="What stays in sight where the picture is cropped"
            style={{ left: subjectAt.left + grip, top: subjectAt.top + grip }}
          />
        </>
      )}
    </>
  );
}
