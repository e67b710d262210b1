import { Adoption } from "./adopt/adoption.ts";
import { followMarkup } from "./adopt/follow.ts";
import type { More } from "./adopt/more/index.ts";
import { driverFor, enliven, type Mounted, type Staged } from "./enliven.ts";
import { kept, type MotionOptions, mountedIn, requireElement } from "./mounted.ts";
import { type Part, withPart } from "./parts.ts";
import { restartable } from "./restartable.ts";

/** How the markup of an element is brought to life. */
export interface MarkupOptions extends MotionOptions {
  scene?: undefined;
  /** Throws at the first thing that is wrong, instead of telling it in the console and going on. */
  strict?: boolean;
}

/** `mount` of markup, with what only some of it needs. */
export function mountMarkup(
  element: HTMLElement,
  { smoothing = 0, strict = false, ...options }: MarkupOptions = {},
  more: Part<More>,
): Mounted {
  requireElement(element);
  const driver = driverFor(options.driver, smoothing);
  const before = mountedIn(element);
  let live: ReturnType<typeof restartable> | undefined;
  let isOver = false;
  let isAsked = false;
  const adopted = {
    ...{ driver, strict, more: more.there },
    onText: () => live?.refresh(),
    onMore() {
      isAsked = true;
      withPart(more, (own) => {
        if (isOver) return;
        adoption.goOn(own);
        live?.restart();
      });
    },
  };
  // What was mounted keeps its marks until it is known that this can be.
  if (strict) new Adoption(element, { ...adopted, onMore() {} }).release();
  before?.dispose();
  const adoption = new Adoption(element, adopted);
  const staged = (): Staged => ({
    ...{ scenes: adoption.scenes, driverOf: adoption.driverOf, styles: adoption.styles },
    restyle() {
      adoption.restyle();
      adoption.spread();
    },
    measure: () => adoption.measure(),
    measured: () => adoption.measured(),
  });
  live = restartable(() => enliven(staged(), { smoothing }));
  const unfollow = followMarkup(element, () => {
    if (adoption.update()) live?.restart();
    else live?.refresh();
  });
  return kept(
    element,
    live,
    () => {
      isOver = true;
      unfollow();
      adoption.release();
    },
    {
      /** To a scene that is there only with what was asked for, too. */
      jump(scene?: string) {
        const jump = () => live?.jump(scene);
        if (isAsked) withPart(more, jump);
        else jump();
      },
    },
  );
}
