export { type BuildOptions, buildSite } from "./build-site.ts";
export { type CheckOptions, checkProject } from "./check-project.ts";
export { type HandOverOptions, handOverOf } from "./hand-over/hand-over-of.ts";
export { type MeasuredPage, type MeasureOptions, measureProject } from "./measure-project.ts";
export { Problem } from "./problem.ts";
export type { Work } from "./progress.ts";
export { type Project, type ProjectReading, readProject, requireProject } from "./project.ts";
export { type Proof, type ProofOptions, proofOf } from "./proof/proof-of.ts";
export type { Site } from "./site.ts";
