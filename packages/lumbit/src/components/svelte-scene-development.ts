export { SceneError } from "../runtime/judge-scenes.ts";
export * from "./svelte-scene.ts";
