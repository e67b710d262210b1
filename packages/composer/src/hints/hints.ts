/** The first steps, in the order in which they are told. */
export const steps = ["play", "depth", "place"] as const;
export type StepName = (typeof steps)[number];

const key = "lumbit-hints";

/** The steps that somebody has done in this browser: their hints are gone for good. */
export function keptSteps(): readonly StepName[] {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? "[]") as unknown[];
    return steps.filter((step) => kept.includes(step));
  } catch {
    return [];
  }
}

export function keepSteps(done: readonly StepName[]): void {
  try {
    localStorage.setItem(key, JSON.stringify(done));
  } catch {}
}

/** The step that an edit of this name is, if it is one of the first. */
export const stepOf = (edit: string): StepName | undefined =>
  steps.find((step) => edit.endsWith(`: ${step}`));
