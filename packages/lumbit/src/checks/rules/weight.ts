import { isImage } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
import type { View } from "../view.ts";
import { fileAt } from "./sharpness.ts";

const mega = 1024 * 1024;
/** Bytes of all pictures; bytes of the decoded ones that are in view at once; layers that move in view at once. */
const most = { bytes: 5 * mega, memory: 256 * mega, layers: 60 };

/** Pages whose pictures are too many bytes to load, too large to hold in memory, or too many to move at once. */
export function weight(view: View): Sighting[] {
  const { pictures, scenes, viewport } = view;
  const loads = picturesOf(view);
  const bytes = loads.reduce((sum, path) => sum + (pictures.get(path)?.bytes ?? 0), 0);
  const heaviest = loads
    .map((path) => ({ path, bytes: pictures.get(path)?.bytes ?? 0 }))
    .toSorted((a, b) => b.bytes - a.bytes)[0];
  const whole = { path: "/scenes", from: 0, to: view.layout.scrollHeight - view.viewport.height };
  const loaded: Sighting[] =
    bytes > most.bytes && heaviest
      ? [
          {
            ...whole,
            amount: bytes,
            measured: `${(bytes / mega).toFixed(1)} MB of pictures, the heaviest "${heaviest.path}" with ${(heaviest.bytes / mega).toFixed(1)} MB`,
          },
        ]
      : [];
  const crowded = scenes.flatMap(({ scene, layers, path, from, to }): Sighting[] => {
    const shown = layers.filter(
      ({ layout, track }) => !layout.hidden && track.some(({ pose }) => pose.visible),
    );
    const files = new Set(shown.flatMap(({ layer }) => (isImage(layer) ? [fileAt(layer, viewport)] : [])));
    const memory = [...files].reduce((sum, file) => {
      const { width = 0, height = 0 } = pictures.get(file) ?? {};
      return sum + 4 * width * height;
    }, 0);
    const moving = shown.filter(({ layout, group }) => !group && layout.speed !== 1).length;
    const measured =
      memory > most.memory
        ? `its pictures take ${Math.round(memory / mega)} MB of memory when decoded`
        : moving > most.layers
          ? `${moving} layers move at once`
          : undefined;
    return measured
      ? [{ scene: scene.name, path, from, to, amount: Math.max(memory, moving), measured }]
      : [];
  });
  return [...loaded, ...crowded];
}

/** The pictures that a page loads at a viewport, as dense as its screen. */
const picturesOf = ({ scenes, page: { page }, viewport }: View): string[] => [
  ...new Set([
    ...(page?.backdrop ? [page.backdrop.image] : []),
    ...scenes.flatMap(({ layers }) =>
      layers.flatMap(({ layer, layout }) =>
        isImage(layer) && !layout.hidden ? [fileAt(layer, viewport)] : [],
      ),
    ),
  ]),
];
