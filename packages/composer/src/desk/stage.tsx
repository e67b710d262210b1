import type { Box } from "lumbit/core";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import type { Stands } from "../stage/messages.ts";
import { useComposer } from "../state/context.ts";
import { type Connection, connect } from "./connect.ts";
import { fitting, placeFrame, seenSize } from "./frames.ts";
import { Overlay } from "./overlay.tsx";
import type { Screen } from "./screens.ts";

/** One screen: the real page at its size, scaled to the room that there is, or by a zoom. */
export function Stage({
  screen,
  large,
  place: box,
  zoom,
  onShown,
  children,
}: {
  screen: Screen;
  large: boolean;
  /** Where it stands on the desk. */
  place: Box | undefined;
  /** Of the screen's own size; as large as there is room without it. */
  zoom?: number | undefined;
  /** It shows the page. */
  onShown(): void;
  children: React.ReactNode;
}) {
  const { width, height, name, as } = screen;
  const composer = useComposer();
  const place = useRef<HTMLDivElement>(null);
  const room = useRef<HTMLDivElement>(null);
  const connection = useRef<Connection>(undefined);
  const [fit, setFit] = useState(0);
  const [stands, setStands] = useState<Stands>();

  const whenShown = useRef(onShown);
  whenShown.current = onShown;

  // Before anything is drawn: frames that waited must not be seen to go and come back.
  useLayoutEffect(() => {
    const element = room.current;
    if (!element) return;
    const measure = () => setFit(fitting(element, width, height));
    measure();
    const sizes = new ResizeObserver(measure);
    sizes.observe(element);
    return () => sizes.disconnect();
  }, [width, height]);

  const placed = useRef(screen);
  placed.current = screen;
  useLayoutEffect(() => {
    if (!place.current) return;
    const { frame, isLoaded } = placeFrame(placed.current, place.current);
    const begin = () => {
      connection.current?.release();
      connection.current = connect(frame, composer, as, {
        stands: setStands,
        shown: () => whenShown.current(),
        scrolled: (scroll) => setStands((before) => before && { ...before, scroll }),
      });
    };
    frame.onload = begin;
    if (isLoaded) begin();
    return () => {
      connection.current?.release();
      frame.remove();
    };
  }, [composer, as]);

  useEffect(() => {
    if (large && stands) composer.stands(stands);
  }, [composer, large, stands]);

  const scale = zoom ?? fit;
  return (
    <figure className={large ? "stage large" : "stage"} style={box}>
      <div className="room" ref={room}>
        <div className="screen" style={seenSize(screen, scale)}>
          <div className="frame" ref={place} style={{ transform: `scale(${scale})` }} />
          <Overlay
            name={name}
            large={large}
            scale={scale}
            stands={as === "still" ? undefined : stands}
            scrollBy={(y) => connection.current?.tell({ kind: "scrollBy", y })}
          />
        </div>
      </div>
      <figcaption>{children}</figcaption>
    </figure>
  );
}
