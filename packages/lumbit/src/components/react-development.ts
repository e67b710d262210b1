export { SceneError } from "../runtime/judge-scenes.ts";
export * from "./react.ts";
