export { SceneError } from "./judge-scenes.ts";
export * from "./scene.ts";
