import { Adoption } from "./adopt/adoption.ts";
import { followMarkup } from "./adopt/follow.ts";
import { driverFor, enliven, type Mounted, type Staged } from "./enliven.ts";
import { kept, type MotionOptions, mountedIn, requireElement } from "./mounted.ts";
import { partIfThere, withPart } from "./parts.ts";
import { restartable } from "./restartable.ts";

/** How the markup of an element is brought to life. */
export interface MarkupOptions extends MotionOptions {
  scene?: undefined;
  /** Throws at the first thing that is wrong, instead of telling it in the console and going on. */
  strict?: boolean;
}

/**
 * Brings the scenes of an element's markup to life: the element or elements in it with `data-lumbit-scene` are scenes, and
 * what is in them with `data-lumbit-depth` and the like are their layers, and follow their attributes. Mounting an
 * element again replaces what was mounted there.
 *
 * @throws TypeError when there is no element
 * @throws AttributeError when it is strict and something in the markup is wrong; nothing is changed then
 */
export function mountMarkup(
  element: HTMLElement,
  { smoothing = 0, strict = false, ...options }: MarkupOptions = {},
): Mounted {
  requireElement(element);
  const driver = driverFor(options.driver, smoothing);
  const before = mountedIn(element);
  let live: ReturnType<typeof restartable> | undefined;
  let isOver = false;
  const adopting = {
    ...{ driver, strict, more: partIfThere("markup") },
    onText: () => live?.refresh(),
    onMore: () =>
      withPart("markup", (more) => {
        if (isOver) return;
        adoption.goOn(more);
        live?.restart();
      }),
  };
  // What was mounted keeps its marks until it is known that this can be.
  if (strict) new Adoption(element, { ...adopting, onMore() {} }).release();
  before?.dispose();
  const adoption = new Adoption(element, adopting);
  const staged = (): Staged => ({
    ...{ scenes: adoption.scenes, driverOf: adoption.driverOf, styles: adoption.styles },
    restyle: () => adoption.restyle(),
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
    {},
  );
}
