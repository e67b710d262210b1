import type { Home } from "../home/home.ts";
import { firstMoment, type ToStage } from "../stage/messages.ts";
import type { Screen } from "./screens.ts";

/** A frame for the page on a screen; what runs in it cannot reach the composer. */
function frameOf({ name, width, height }: Screen): HTMLIFrameElement {
  const frame = document.createElement("iframe");
  frame.sandbox.add("allow-scripts");
  frame.title = `The page on a ${name}, ${width} x ${height}`;
  frame.tabIndex = -1;
  Object.assign(frame.style, { display: "block", border: "0", width: `${width}px`, height: `${height}px` });
  frame.src = "./stage.html";
  return frame;
}

/** Has what runs in a frame listen to a port from now on, and to none that it had before. */
export function portTo(frame: HTMLIFrameElement): MessagePort {
  const { port1, port2 } = new MessageChannel();
  frame.contentWindow?.postMessage("composer", "*", [port2]);
  return port1;
}

/** The DOM standard's, which TypeScript's does not know yet. */
interface WithMove {
  moveBefore(node: Node, before: Node | null): void;
}

/** Frames that wait for their places, by their screens. */
const begun = new Map<string, { frame: HTMLIFrameElement; isLoaded: boolean }>();

const keyOf = ({ width, height, still = false }: Screen) => `${width} ${height} ${still}`;

/**
 * Begins the frames of screens while the app loads, which takes as long, and shows the page in them as the home has read
 * it. Only where a browser can move a frame to its place without loading it anew.
 */
export function beginFrames(screens: readonly Screen[], opening: ReturnType<Home["open"]>): void {
  if (!("moveBefore" in Element.prototype)) return;
  for (const screen of screens) {
    const frame = frameOf(screen);
    const waiting = { frame, isLoaded: false };
    begun.set(keyOf(screen), waiting);
    const loading = new Promise<void>((done) => {
      frame.onload = () => {
        waiting.isLoaded = true;
        done();
      };
    });
    Object.assign(frame.style, { position: "fixed", visibility: "hidden" });
    document.body.append(frame);
    void opening.then(
      async (opened) => {
        await loading;
        if (!begun.has(keyOf(screen)) || !("text" in opened)) return;
        const { $schema: _, ...page } = JSON.parse(opened.text);
        portTo(frame).postMessage({
          ...{ kind: "show", page, assets: opened.assets, blobs: {}, still: screen.still ?? false },
          at: firstMoment(page),
        } satisfies ToStage);
      },
      () => {},
    );
  }
}

/** Puts the frame of a screen at its place: one that was begun, or a new one. */
export function placeFrame(
  screen: Screen,
  place: Element,
): { frame: HTMLIFrameElement /** Or it will say so. */; isLoaded: boolean } {
  const waiting = begun.get(keyOf(screen));
  begun.delete(keyOf(screen));
  if (!waiting) {
    const frame = frameOf(screen);
    place.append(frame);
    return { frame, isLoaded: false };
  }
  (place as Element & WithMove).moveBefore(waiting.frame, null);
  Object.assign(waiting.frame.style, { position: "", visibility: "" });
  return waiting;
}

/** Where a page has yet to begin, frames need not wait. */
export function dropFrames(): void {
  for (const { frame } of begun.values()) frame.remove();
  begun.clear();
}
