import type { Mounted } from "./enliven.ts";

/** How scenes are moved, whoever made them. */
export interface MotionOptions {
  /** `native` needs no script while scrolling; `auto` (default) takes it where the browser has it. */
  driver?: "auto" | "native" | "scripted";
  /** Half-life in milliseconds of the layers' way to where the scroll has them. Scripted only; 0 by default. */
  smoothing?: number;
}

const mounted = new WeakMap<Element, Mounted>();

/** What is mounted in an element. */
export const mountedIn = (element: Element): Mounted | undefined => mounted.get(element);

/**
 * Says that there is no element.
 *
 * @throws TypeError when it is none
 */
export function requireElement(element: unknown): asserts element is HTMLElement {
  // An element of another document, such as a frame's, is none of this window's classes.
  if ((element as Node | null | undefined)?.nodeType !== 1)
    throw new TypeError(
      `mount was given ${element === null ? "null" : typeof element} instead of an element; is the selector right, and is the element there by then?`,
    );
}

/** A handle that stands for its element until it is disposed of. */
export function kept<More extends object>(
  element: Element,
  live: Mounted,
  release: () => void,
  more: More,
): Mounted & More {
  let disposed = false;
  const { driver: _, ...acts } = { ...live, ...more };
  /** What is done with a handle that is disposed of does nothing. */
  const alive = Object.fromEntries(
    Object.entries(acts as Record<string, (...given: unknown[]) => unknown>).map(([name, act]) => [
      name,
      (...given: unknown[]) => (disposed ? () => {} : act(...given)),
    ]),
  ) as unknown as Mounted & More;
  const handle = {
    ...alive,
    get driver() {
      return live.driver;
    },
    dispose() {
      if (disposed) return;
      disposed = true;
      if (mounted.get(element) === handle) mounted.delete(element);
      live.dispose();
      release();
    },
  };
  mounted.set(element, handle);
  return handle;
}
