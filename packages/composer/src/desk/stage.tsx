import { useEffect, useRef, useState } from "react";
import type { FromStage, ToStage } from "../stage/messages.ts";
import { useComposer } from "../state/context.ts";

/** One screen: the real page at its size, scaled to the room that there is. */
export function Stage({ width, height, name }: { width: number; height: number; name: string }) {
  const composer = useComposer();
  const frame = useRef<HTMLIFrameElement>(null);
  const room = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(0);

  useEffect(() => {
    const element = room.current;
    if (!element) return;
    const sizes = new ResizeObserver(() =>
      setScale(Math.min(element.clientWidth / width, element.clientHeight / height, 1)),
    );
    sizes.observe(element);
    return () => sizes.disconnect();
  }, [width, height]);

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    let release = () => {};
    const connect = () => {
      release();
      const { port1: port, port2: theirs } = new MessageChannel();
      const tell = (message: ToStage) => port.postMessage(message);
      const { store } = composer;
      port.onmessage = ({ data }: MessageEvent<FromStage>) => {
        if (data.kind === "scrolled") composer.goTo(data.to);
        else tell({ kind: "scroll", to: store.getState().moment });
      };
      const { page, assets } = store.getState();
      element.contentWindow?.postMessage("composer", "*", [theirs]);
      tell({ kind: "show", page, assets });
      const forget = [
        composer.onPatches((patches) => tell({ kind: "patch", patches })),
        store.subscribe(({ moment, assets, page }, before) => {
          if (moment !== before.moment) tell({ kind: "scroll", to: moment });
          if (assets !== before.assets) tell({ kind: "show", page, assets });
        }),
        () => port.close(),
      ];
      release = () => forget.forEach((step) => void step());
    };
    element.addEventListener("load", connect);
    return () => {
      element.removeEventListener("load", connect);
      release();
    };
  }, [composer]);

  return (
    <figure className="stage">
      <div className="room" ref={room}>
        <div className="screen" style={{ width: width * scale, height: height * scale }}>
          <iframe
            ref={frame}
            title={`The page on a ${name}, ${width} x ${height}`}
            sandbox="allow-scripts"
            src="./stage.html"
            style={{ width, height, transform: `scale(${scale})` }}
          />
        </div>
      </div>
      <figcaption>
        {name}{" "}
        <span className="quiet">
          {width} × {height}
        </span>
      </figcaption>
    </figure>
  );
}
