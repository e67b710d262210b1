import type { Beginning, Home, Kept } from "../home/home.ts";
import { type FromStage, firstMoment, type ToStage } from "../stage/messages.ts";
import { arrangeStages } from "./arrange.ts";
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

/** How large a screen is drawn in a room that has it whole, of its own size. */
export const fitting = (room: HTMLElement, width: number, height: number): number =>
  Math.min(room.clientWidth / width, room.clientHeight / height, 1);

/** How large a screen is seen at a scale, in whole px: of the last ones in part a browser draws some layers and not others. */
export const seenSize = ({ width, height }: Screen, scale: number): { width: number; height: number } => ({
  width: Math.floor(width * scale),
  height: Math.floor(height * scale),
});

/** How long frames have the machine for themselves, in ms. */
const patience = 2000;

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

const keyOf = ({ width, height, as }: Screen) => `${width} ${height} ${as ?? ""}`;

/** The desk as it is going to be, with nothing but frames on it. */
const desk = document.createElement("div");

/**
 * Begins the frames of screens while the app loads, which takes as long, and has the page shown in them as the home has
 * read it; until it can be seen. Only where a browser can move a frame to its place without loading it anew.
 */
export async function beginFrames(
  screens: readonly Screen[],
  opening: ReturnType<Home["open"]>,
): Promise<void> {
  if (!("moveBefore" in Element.prototype)) return;
  desk.className = "composer coming";
  desk.style.visibility = "hidden";
  desk.innerHTML = `<div class="desk"><div class="stages"></div></div>`;
  const stages = desk.querySelector(".stages") as HTMLElement;
  document.body.append(desk);
  const boxes = arrangeStages(screens, { width: stages.clientWidth, height: stages.clientHeight });
  const places = boxes.map(({ left, top, width, height }, index) => {
    const stage = document.createElement("figure");
    Object.assign(stage.style, {
      ...{ left: `${left}px`, top: `${top}px` },
      ...{ width: `${width}px`, height: `${height}px` },
    });
    stage.className = index === 0 ? "stage large" : "stage";
    stage.innerHTML = `<div class="room"><div class="screen"><div class="frame"></div></div></div><figcaption></figcaption>`;
    stages.append(stage);
    return stage.querySelector(".frame") as HTMLElement;
  });
  await Promise.all(
    screens.map((screen, index) => beginFrame(screen, places[index] as HTMLElement, opening)),
  );
}

async function beginFrame(
  screen: Screen,
  place: HTMLElement,
  opening: ReturnType<Home["open"]>,
): Promise<void> {
  const { width, height, as } = screen;
  const seen = place.parentElement as HTMLElement;
  const scale = fitting(seen.parentElement as HTMLElement, width, height);
  const size = seenSize(screen, scale);
  Object.assign(seen.style, { width: `${size.width}px`, height: `${size.height}px` });
  place.style.transform = `scale(${scale})`;
  const frame = frameOf(screen);
  const waiting = { frame, isLoaded: false };
  begun.set(keyOf(screen), waiting);
  const loading = new Promise<void>((done) => {
    frame.onload = () => {
      waiting.isLoaded = true;
      done();
    };
  });
  place.append(frame);
  const show = await opening.then(firstToShow).catch(() => undefined);
  if (!show) return;
  desk.style.visibility = "";
  await loading;
  const port = portTo(frame);
  port.postMessage({ ...show, as } satisfies ToStage);
  await new Promise<void>((done) => {
    port.onmessage = ({ data }: MessageEvent<FromStage>) => {
      if (data.kind === "shown") done();
    };
    setTimeout(done, patience);
  });
  port.close();
}

/** What a home opens with, for a stage. Of a page with faults the app knows what is right. */
function firstToShow(opened: Kept | Beginning) {
  if (!("text" in opened)) return undefined;
  // Who writes parts and copies out, and knows what is shared, is the app.
  if (/"(parts|copies|shared)"\s*:/.test(opened.text)) return undefined;
  const { $schema: _, ...page } = JSON.parse(opened.text);
  return { kind: "show" as const, page, assets: opened.assets, blobs: {}, at: firstMoment(page), changes: 0 };
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
  if (begun.size === 0) desk.remove();
  return waiting;
}

/** Where a page has yet to begin, frames need not wait. */
export function dropFrames(): void {
  desk.remove();
  begun.clear();
}
