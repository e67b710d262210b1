import type { FromStage, Stands, ToStage } from "../stage/messages.ts";
import type { Composer } from "../state/store.ts";
import { portTo } from "./frames.ts";
import type { Screen } from "./screens.ts";

/** The way to a stage. */
export interface Connection {
  tell(message: ToStage): void;
  release(): void;
}

/** Has a stage show what the composer has, from now on, and listens to where it is scrolled and how the page stands there. */
export function connect(
  frame: HTMLIFrameElement,
  composer: Composer,
  as: Screen["as"],
  on: { stands(stands: Stands): void; scrolled(scroll: number): void; shown(): void },
): Connection {
  const port = portTo(frame);
  const tell = (message: ToStage) => port.postMessage(message);
  const { store } = composer;
  port.onmessage = ({ data }: MessageEvent<FromStage>) => {
    if (data.kind === "scrolled") {
      composer.did("play");
      composer.goTo(data.to);
    } else if (data.kind === "at") on.scrolled(data.scroll);
    else if (data.kind === "stands") on.stands(data);
    else on.shown();
  };
  const show = () => {
    const { page, assets, blobs, moment } = store.getState();
    tell({ kind: "show", page, assets, blobs, as, at: moment, changes: composer.changes() });
  };
  show();
  const forget = [
    composer.onPatches((patches) => tell({ kind: "patch", patches, changes: composer.changes() })),
    store.subscribe(({ moment, assets }, before) => {
      if (assets !== before.assets) show();
      if (moment !== before.moment) tell({ kind: "scroll", to: moment });
    }),
    () => port.close(),
  ];
  return { tell, release: () => forget.forEach((step) => void step()) };
}
