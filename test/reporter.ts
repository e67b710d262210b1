import type { Reporter, TestModule } from "vitest/node";

/** Closes a run with how long it took and where, what was tried again, and how many tests passed and failed. */
export default class Closing implements Reporter {
  private began = 0;

  onTestRunStart(): void {
    this.began = performance.now();
  }

  onTestRunEnd(modules: readonly TestModule[], errors: readonly unknown[]): void {
    const tests = modules.flatMap((module) => [...module.children.allTests()]);
    const retried = tests.filter((test) => (test.diagnostic()?.retryCount ?? 0) > 0);
    for (const test of retried)
      console.log(`tried again: ${test.module.relativeModuleId} > ${test.fullName}`);
    if (retried.length > 0) console.log(`${retried.length} tried again in new browsers`);
    const seconds = (ms: number) => `${Math.round(ms / 1000)} s`;
    const took = (module: TestModule) => module.diagnostic().duration;
    console.log(`slowest of ${modules.length} files, ${seconds(performance.now() - this.began)} in all:`);
    for (const module of modules.toSorted((a, b) => took(b) - took(a)).slice(0, 10))
      console.log(`  ${seconds(took(module)).padStart(6)}  ${module.relativeModuleId}`);
    console.log(`random cases: LUMBIT_SEED=${process.env.LUMBIT_SEED}`);
    const ended = (state: string) => tests.filter((test) => test.result().state === state).length;
    const broken = modules.filter(
      (module) => module.state() === "failed" && [...module.children.allTests("failed")].length === 0,
    );
    console.log(`${ended("passed")} passed, ${ended("failed") + broken.length + errors.length} failed`);
  }
}
