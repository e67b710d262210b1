import { haveAll } from "./whole.ts";

haveAll();

export * from "./scene.ts";
