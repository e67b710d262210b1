import { useEffect, useRef, useState } from "react";
import type { Stands } from "../stage/messages.ts";
import { useComposer } from "../state/context.ts";
import { type Connection, connect } from "./connect.ts";
import { Overlay } from "./overlay.tsx";
import type { Screen } from "./screens.ts";

/** One screen: the real page at its size, scaled to the room that there is, or by a zoom. */
export function Stage({
  screen: { width, height, name, still = false },
  large,
  zoom,
  onShown,
  children,
}: {
  screen: Screen;
  large: boolean;
  /** Of the screen's own size; as large as there is room without it. */
  zoom?: number | undefined;
  /** It shows the page. */
  onShown(): void;
  children: React.ReactNode;
}) {
  const composer = useComposer();
  const frame = useRef<HTMLIFrameElement>(null);
  const room = useRef<HTMLDivElement>(null);
  const connection = useRef<Connection>(undefined);
  const [fit, setFit] = useState(0);
  const [stands, setStands] = useState<Stands>();

  const whenShown = useRef(onShown);
  whenShown.current = onShown;

  useEffect(() => {
    const element = room.current;
    if (!element) return;
    const sizes = new ResizeObserver(() =>
      setFit(Math.min(element.clientWidth / width, element.clientHeight / height, 1)),
    );
    sizes.observe(element);
    return () => sizes.disconnect();
  }, [width, height]);

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const begin = () => {
      connection.current?.release();
      connection.current = connect(element, composer, still, {
        stands: setStands,
        shown: () => whenShown.current(),
        scrolled: (scroll) => setStands((before) => before && { ...before, scroll }),
      });
    };
    element.addEventListener("load", begin);
    return () => {
      element.removeEventListener("load", begin);
      connection.current?.release();
    };
  }, [composer, still]);

  useEffect(() => {
    if (large && stands) composer.stands(stands);
  }, [composer, large, stands]);

  const scale = zoom ?? fit;
  return (
    <figure className={large ? "stage large" : "stage"}>
      <div className="room" ref={room}>
        <div className="screen" style={{ width: width * scale, height: height * scale }}>
          <iframe
            key={String(still)}
            ref={frame}
            title={`The page on a ${name}, ${width} x ${height}`}
            sandbox="allow-scripts"
            src="./stage.html"
            style={{ width, height, transform: `scale(${scale})` }}
            tabIndex={-1}
          />
          <Overlay
            name={name}
            scale={scale}
            stands={still ? undefined : stands}
            scrollBy={(y) => connection.current?.tell({ kind: "scrollBy", y })}
          />
        </div>
      </div>
      <figcaption>{children}</figcaption>
    </figure>
  );
}
