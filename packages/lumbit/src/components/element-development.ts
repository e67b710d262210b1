export { SceneError } from "../runtime/judge-scenes.ts";
export * from "./element.ts";
