import { fillsScene, isImage, isText } from "lumbit/internal";
import type { Edges } from "../edit/place.ts";
import type { Shown } from "./shown.ts";

const corners: readonly Edges[] = [
  ...([-1, 1] as const).flatMap((y) => ([-1, 1] as const).map((x) => ({ x, y }))),
  ...([-1, 1] as const).flatMap((side): Edges[] => [
    { x: side, y: 0 },
    { x: 0, y: side },
  ]),
];

/** What a selected layer can be taken hold of by: its corners and edges, and the subject of its picture. */
export function Handles({ shown, scale }: { shown: Shown; scale: number }) {
  const point = (x: number, y: number) => ({ left: x * scale, top: y * scale });
  const { layer, pane, bounds, pose, carried } = shown;
  const box = pane ?? bounds;
  const subject = isImage(layer) && (pane !== undefined || fillsScene(layer));
  const sized = !fillsScene(layer) && pose.rotate % 360 === 0 && !(carried && layer.layers);
  const proportional = isImage(layer) && !pane && !(layer.place?.width && layer.place.height);
  const offered = corners.filter(({ x, y }) =>
    isText(layer) ? y === 0 : proportional ? x !== 0 && y !== 0 : true,
  );
  return (
    <>
      {sized &&
        offered.map(({ x, y }) => (
          <b
            key={`${x} ${y}`}
            className="handle"
            data-handle={`${x} ${y}`}
            style={{
              ...point(box.left + (box.width * (x + 1)) / 2, box.top + (box.height * (y + 1)) / 2),
              cursor: x === 0 ? "ns-resize" : y === 0 ? "ew-resize" : x === y ? "nwse-resize" : "nesw-resize",
            }}
          />
        ))}
      {subject && (
        <b
          className="handle subject"
          data-handle="subject"
          title="What stays in sight where the picture is cropped"
          style={point(
            pose.left + pose.width * (layer.subject?.[0] ?? 0.5),
            pose.top + pose.height * (layer.subject?.[1] ?? 0.5),
          )}
        />
      )}
    </>
  );
}
