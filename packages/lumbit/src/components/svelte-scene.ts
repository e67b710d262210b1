import type { Layer } from "../core/index.ts";

export { dressScene } from "../runtime/dress-scene.ts";
export {
  type LayerSettings,
  type OnMounted,
  type SceneSettings,
  type SceneSurroundings,
  stillScene,
  withKept,
} from "./scene.ts";

/** A layer that has come, and an element that says where in the document it stands, once there is one. */
interface Found {
  settings: Layer;
  place?: Element;
}

/** Layers in the order in which they stand in the document; on a server they come in it. */
export const ordered = (found: readonly Found[]): Layer[] =>
  found.toSorted((a, b) => orderOf(a.place, b.place)).map(({ settings }) => settings);

const orderOf = (a: Element | undefined, b: Element | undefined): number =>
  !a || !b ? 0 : a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_PRECEDING ? 1 : -1;
