import { DOMParser } from "linkedom";
import { Problem } from "../problem.ts";
import { type Drawing, type DrawnLayer, layerName } from "./drawing.ts";
import { flattened } from "./flattened.ts";
import { unzipped } from "./unzip.ts";
import { cutOut } from "./visible.ts";

/** Largest side of a drawing, in px. */
const largest = 20_000;

/** The blend modes of OpenRaster (composite-op) that layers have. */
const blends: Readonly<Record<string, string>> = Object.fromEntries(
  [
    ...["multiply", "screen", "overlay", "darken", "lighten", "color-dodge", "color-burn"],
    ...["hard-light", "soft-light", "difference"],
  ].map((name) => [`svg:${name}`, name]),
);

/**
 * A drawing out of an OpenRaster file: its stack, the nearest layer first.
 *
 * @throws Problem for what is none, or broken
 */
export async function readOpenRaster(bytes: Buffer, name: string): Promise<Drawing> {
  const files = unzipped(bytes, name);
  const xml = files.get("stack.xml")?.toString("utf8");
  if (xml === undefined)
    throw new Problem(`${name} is no OpenRaster file: it has no stack.xml; save it anew`);
  const image = new DOMParser().parseFromString(xml, "text/xml").querySelector("image");
  const [width, height] = ["w", "h"].map((side) => Math.round(Number(image?.getAttribute(side))));
  if (!image || !width || !height || !(width > 0 && height > 0 && width <= largest && height <= largest))
    throw new Problem(`${name} does not say how large the drawing is, from 1 to ${largest} px; save it anew`);
  const drawing: Drawing = { width, height, layers: [], notes: [] };
  const taken = new Set<string>();
  const root = [...image.children].find(({ localName }) => localName === "stack");

  const settingsOf = (element: Element, number: number) => {
    const said = element.getAttribute("name") ?? "";
    const own = layerName(said, number, taken);
    const operation = element.getAttribute("composite-op") ?? "svg:src-over";
    const blend = blends[operation];
    if (!blend && operation !== "svg:src-over")
      drawing.notes.push(
        `"${said}" is put together by ${operation}, which layers cannot be; it covers what is behind it`,
      );
    const opacity = Number(element.getAttribute("opacity") ?? 1);
    return {
      name: own,
      opacity: Number.isFinite(opacity) ? Math.min(1, Math.max(0, opacity)) : 1,
      hidden: element.getAttribute("visibility") === "hidden",
      blend: blend ?? "normal",
    };
  };
  const offsetOf = (element: Element) => ({
    left: Math.round(Number(element.getAttribute("x") ?? 0)) || 0,
    top: Math.round(Number(element.getAttribute("y") ?? 0)) || 0,
  });
  const pictureOf = async (element: Element, around: { left: number; top: number }) => {
    const src = element.getAttribute("src") ?? "";
    const picture = files.get(src);
    const said = element.getAttribute("name") ?? src;
    if (!picture) {
      drawing.notes.push(`"${said}" names the picture "${src}", which is not in the file; it is left out`);
      return undefined;
    }
    const { left, top } = offsetOf(element);
    try {
      const cut = await cutOut(picture, { left: left + around.left, top: top + around.top }, drawing);
      if (!cut) drawing.notes.push(`"${said}" shows nothing; it is left out`);
      return cut;
    } catch {
      drawing.notes.push(`"${said}" cannot be decoded; it is left out: save the drawing anew`);
      return undefined;
    }
  };

  const read = async (
    stack: Element,
    around: { left: number; top: number },
    inside: boolean,
  ): Promise<DrawnLayer[]> => {
    const layers: DrawnLayer[] = [];
    for (const [index, element] of [...stack.children].reverse().entries()) {
      const { left, top } = offsetOf(element);
      const at = { left: left + around.left, top: top + around.top };
      if (element.localName === "layer") {
        const cut = await pictureOf(element, around);
        if (cut) layers.push({ ...settingsOf(element, index + 1), ...cut });
      } else if (element.localName === "stack") {
        const settings = settingsOf(element, index + 1);
        const inner = await read(element, at, true);
        if (inner.length === 0) continue;
        if (inside) {
          // A group in a group is one picture: what is in it moves with it anyway.
          drawing.notes.push(`the group "${settings.name}" lies in another one; it is one picture now`);
          const flat = await cutOut(await flattened(inner, drawing), { left: 0, top: 0 }, drawing);
          if (flat) layers.push({ ...settings, ...flat });
        } else layers.push({ ...settings, box: { left: 0, top: 0, width, height }, layers: inner });
      }
    }
    return layers;
  };
  if (root) drawing.layers = await read(root, { left: 0, top: 0 }, false);
  if (drawing.layers.length === 0)
    throw new Problem([`${name} has no layer that shows anything`, ...drawing.notes].join("; "));
  return drawing;
}
