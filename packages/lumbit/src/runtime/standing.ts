import { viewOf } from "./view.ts";

/** Changes come in a row where the next one is made within so many ms. */
const aRow = 250;
/** How long layers stand after the last change, in ms. */
const rest = 1000;
/** Of fewer animated layers browsers make no work that anybody would notice. */
const many = 100;
/** Layers that are let go at once: what a frame has time for. */
const atOnce = 20;

/** What keeps layers standing while others change. */
export interface Standing {
  /** Elements have changed, and nothing else. All others stand from then on when this comes in a row, as in a drag. */
  besides(changed: readonly Element[]): void;
  /** All move again. */
  release(): void;
  dispose(): void;
}

/** An element, and the properties that its animations are of. */
interface Animated {
  element: HTMLElement;
  properties: readonly string[];
}

/**
 * Has the layers of a long page stand where the scroll has them while others change step by step. A browser hands all
 * that is animated to its compositor with each frame; of what stands it has a picture. With the next scroll all move.
 */
export function standing(home: HTMLElement): Standing {
  const view = viewOf(home);
  let stood: Animated[] = [];
  const changing = new Set<Element>();
  let last = Number.NEGATIVE_INFINITY;
  let frame = 0;
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const isRelated = ({ element }: Animated) =>
    [...changing].some((one) => one.contains(element) || element.contains(one));
  const release = () => {
    cancelAnimationFrame(frame);
    clearTimeout(waiting);
    frame = 0;
    last = Number.NEGATIVE_INFINITY;
    stood.forEach(move);
    stood = [];
    changing.clear();
  };
  const releaseSome = () => {
    stood.splice(-atOnce).forEach(move);
    if (stood.length === 0) release();
    else waiting = setTimeout(releaseSome, 50);
  };
  view.addEventListener("scroll", release, { passive: true });
  return {
    besides(changed) {
      for (const element of changed) changing.add(element);
      stood.filter(isRelated).forEach(move);
      stood = stood.filter((one) => !isRelated(one));
      const now = performance.now();
      const isNext = now - last < aRow;
      last = now;
      clearTimeout(waiting);
      waiting = setTimeout(releaseSome, rest);
      if (!isNext || stood.length > 0) return;
      // Behind a frame every style is known, and asking costs nothing.
      frame ||= requestAnimationFrame(() =>
        setTimeout(() => {
          if (frame) stood = animatedIn(home).filter((one) => !isRelated(one));
          frame = 0;
          stand(stood);
        }),
      );
    },
    release,
    dispose() {
      release();
      view.removeEventListener("scroll", release);
    },
  };
}

/** The elements of a page of many that the scroll position moves, and nothing else. */
function animatedIn(home: HTMLElement): Animated[] {
  const animations = new Map<Element | null, Animation[]>();
  for (const animation of home.getAnimations({ subtree: true })) {
    const { target } = animation.effect as KeyframeEffect;
    animations.set(target, [...(animations.get(target) ?? []), animation]);
  }
  if (animations.size < many) return [];
  const known = new Map<string, string[]>();
  const propertiesOf = (animation: Animation) => {
    const { animationName } = animation as CSSAnimation;
    const properties = known.get(animationName) ?? animatedBy(animation);
    known.set(animationName, properties);
    return properties;
  };
  return [...animations].flatMap(([element, own]) =>
    element && own.every(isScrolled)
      ? [{ element: element as HTMLElement, properties: [...new Set(own.flatMap(propertiesOf))] }]
      : [],
  );
}

/** Writes on elements what their animations make of them now, instead of these. */
function stand(all: readonly Animated[]): void {
  const values = all.map(({ element, properties }) => {
    const style = getComputedStyle(element);
    return properties.map((name) => [name, style.getPropertyValue(name)] as const);
  });
  for (const [index, { element }] of all.entries()) {
    element.style.setProperty("animation", "none");
    for (const [name, value] of values[index] ?? []) element.style.setProperty(name, value);
  }
}

function move({ element, properties }: Animated): void {
  for (const name of ["animation", ...properties]) element.style.removeProperty(name);
}

/** Whether the scroll position plays it: what a clock plays goes on, and what is paused stands already. */
function isScrolled({ timeline, playState, effect }: Animation): boolean {
  const { target, pseudoElement } = effect as KeyframeEffect;
  return timeline !== target?.ownerDocument.timeline && playState === "running" && pseudoElement === null;
}

function animatedBy({ effect }: Animation): string[] {
  const ofAnimation = ["offset", "computedOffset", "easing", "composite"];
  return (effect as KeyframeEffect)
    .getKeyframes()
    .flatMap((keyframe) => Object.keys(keyframe).filter((name) => !ofAnimation.includes(name)))
    .map((name) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`));
}
