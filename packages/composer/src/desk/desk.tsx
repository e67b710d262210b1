import { lazy, Suspense, useLayoutEffect, useMemo, useRef, useState } from "react";
import { useComposed } from "../state/context.ts";
import { arrangeStages } from "./arrange.ts";
import { Stage } from "./stage.tsx";
import { fits } from "./zooms.ts";

const ScreenMenu = lazy(async () => ({ default: (await import("./screen-menu.tsx")).ScreenMenu }));
const Count = lazy(async () => ({ default: (await import("../findings/count.tsx")).Count }));
const Hint = lazy(async () => ({ default: (await import("../hints/hint.tsx")).Hint }));
const Below = lazy(async () => ({ default: (await import("./below.tsx")).Below }));

/** All stages, and what scrolls them. */
export function Desk({
  around,
  onShown,
}: {
  /** Whether what stands around the stages is wanted yet. */
  around: boolean;
  /** All stages show the page. */
  onShown(): void;
}) {
  const screens = useComposed(({ screens }) => screens);
  const [zoom, setZoom] = useState(fits);
  const shown = useRef(0);
  const stages = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = stages.current;
    if (!element) return;
    const measure = () => setRoom({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const sizes = new ResizeObserver(measure);
    sizes.observe(element);
    return () => sizes.disconnect();
  }, []);
  const places = useMemo(() => arrangeStages(screens, room), [screens, room]);
  const oneMore = () => {
    shown.current++;
    if (shown.current === screens.length) onShown();
  };
  return (
    <main className="desk" aria-label="Stages">
      <div className="stages" ref={stages}>
        {screens.map((screen, index) => (
          <Stage
            key={`${screen.width} ${screen.height}`}
            screen={screen}
            large={index === 0}
            place={places[index]}
            zoom={index === 0 ? zoom.zoom : undefined}
            onShown={oneMore}
          >
            <Suspense fallback={screen.name}>
              {around ? <ScreenMenu screen={screen} index={index} /> : screen.name}
              {around && screen.as !== "still" && <Count screen={screen} />}
            </Suspense>
          </Stage>
        ))}
      </div>
      <Suspense>
        {around && (
          <>
            <Hint step="play">Scroll over a screen, or press Play: all screens show the same moment.</Hint>
            <Hint step="place">Drag what you see to its place. Click again for what is behind it.</Hint>
            <Below zoom={zoom} onZoom={setZoom} />
          </>
        )}
      </Suspense>
    </main>
  );
}
