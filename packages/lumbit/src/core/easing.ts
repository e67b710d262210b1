import type { Easing } from "../settings/index.ts";

export type { Easing } from "../settings/index.ts";

const named: Record<string, readonly [number, number, number, number]> = {
  ease: [0.25, 0.1, 0.25, 1],
  "ease-in": [0.42, 0, 1, 1],
  "ease-out": [0, 0, 0.58, 1],
  "ease-in-out": [0.42, 0, 0.58, 1],
};

/** What a share of the way (0..1) becomes under a CSS easing function (CSS Easing Functions Level 1). */
export function eased(easing: Easing, share: number): number {
  if (easing === "linear") return share;
  const curve = named[easing] ?? bezierOf(easing);
  if (curve) return bezierAt(curve, share);
  const steps = /^steps\(\s*(\d+)\s*(?:,\s*([\w-]+)\s*)?\)$/.exec(easing);
  if (steps) return stepAt(Number(steps[1]), steps[2] ?? "end", share);
  if (easing === "step-start") return stepAt(1, "start", share);
  if (easing === "step-end") return stepAt(1, "end", share);
  return share;
}

function bezierOf(easing: string): readonly [number, number, number, number] | undefined {
  const inner = /^cubic-bezier\(([^)]*)\)$/.exec(easing)?.[1];
  const [x1, y1, x2, y2] = (inner ?? "").split(",").map(Number);
  return y2 === undefined ? undefined : [x1 as number, y1 as number, x2 as number, y2];
}

/** The curve's y where its x is the share; x grows with the parameter, so halving finds it. */
function bezierAt([x1, y1, x2, y2]: readonly [number, number, number, number], share: number): number {
  const along = (a: number, b: number, t: number) =>
    3 * a * t * (1 - t) ** 2 + 3 * b * t ** 2 * (1 - t) + t ** 3;
  let [low, high] = [0, 1];
  for (let halving = 0; halving < 40; halving++) {
    const middle = (low + high) / 2;
    if (along(x1, x2, middle) < share) low = middle;
    else high = middle;
  }
  return along(y1, y2, (low + high) / 2);
}

function stepAt(count: number, position: string, share: number): number {
  const risesAtStart = ["start", "jump-start", "jump-both"].includes(position);
  const jumps = position === "jump-none" ? count - 1 : position === "jump-both" ? count + 1 : count;
  const step = Math.floor(share * count + 1e-9) + (risesAtStart ? 1 : 0);
  return Math.min(Math.max(step, 0), jumps) / jumps;
}
