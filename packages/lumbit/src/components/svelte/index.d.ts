import type { Component, Snippet } from "svelte";
import type { LayerSettings, OnMounted, SceneSettings, SceneSurroundings } from "../svelte-scene.js";

export type SceneProps = SceneSettings &
  SceneSurroundings & {
    /** The layers, as `Layer` components. */
    children?: Snippet;
    onMounted?: OnMounted;
  };

export type LayerProps = LayerSettings & {
  /** Of a group: its layers. */
  children?: Snippet;
};

/** A scene; its layers are its children. */
export declare const Scene: Component<SceneProps>;
/** A layer of the scene or group around it. */
export declare const Layer: Component<LayerProps>;
