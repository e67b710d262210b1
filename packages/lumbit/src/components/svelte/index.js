export { default as Layer } from "./Layer.svelte";
export { default as Scene } from "./Scene.svelte";
