export * from "./index.ts";
export { SceneError } from "./judge-scenes.ts";
