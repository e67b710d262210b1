import { type Declarations, travelMedia } from "../../markup/index.ts";
import { lengthsCss } from "../edges.ts";
import type { ElementStyles } from "../element-styles.ts";
import { layoutLeft, layoutTop } from "../offsets.ts";
import { viewOf } from "../view.ts";

/**
 * A picture of existing markup that is its own pane: it stays in the flow, as large as the page made it, and is enlarged
 * so far that it covers that box while it moves. What of it lies outside is clipped by the box around it where that is as
 * large, and cropped otherwise: so neither the box nor what stands beside or above the picture is changed.
 */
export interface AdoptedPane {
  picture: HTMLElement;
  /** The box around it. */
  box: HTMLElement;
  /** What the page has of it. */
  own: { isStatic: boolean; radius: string; boxRadius: string };
  /** Whether it is cropped: its box is not as large as it is, or the corners are the picture's own. */
  cropped: boolean;
}

/** Reads a picture that is to be its own pane, before anything of it is changed. */
export function readPane(picture: HTMLElement): AdoptedPane {
  let box = picture.parentElement ?? picture;
  while (box.parentElement && /^(inline|contents)/.test(getComputedStyle(box).display))
    box = box.parentElement;
  const { position, borderRadius } = getComputedStyle(picture);
  return {
    ...{ picture, box },
    own: {
      isStatic: position === "static",
      radius: borderRadius,
      boxRadius: getComputedStyle(box).borderRadius,
    },
    cropped: true,
  };
}

/** Measures panes anew and writes what makes their pictures cover them; `recropped` where one is cropped otherwise than before. */
export function measurePanes(
  panes: readonly AdoptedPane[],
  styles: ElementStyles,
  recropped: (pane: AdoptedPane) => void,
): void {
  if (panes.length === 0) return;
  const sizes = panes.map((pane) => ({ pane, ...sizeOf(pane) }));
  for (const { pane, lengths, isAlike } of sizes) {
    const { radius, boxRadius } = pane.own;
    const cropped = !isAlike || (isRound(radius) && !isRound(boxRadius));
    if (cropped !== pane.cropped) {
      pane.cropped = cropped;
      recropped(pane);
    }
    styles.set(pane.picture, "pane", lengthsCss(lengths));
  }
  styles.write();
  const isWide = panes.some(({ picture }) => viewOf(picture).matchMedia(travelMedia).matches);
  const covers = sizes.map(({ pane, width, height }) => {
    const travels = isWide || pane.picture.closest("[data-lumbit-is~=travels]") !== null;
    return coverCss(pane, { width, height }, travels);
  });
  for (const [index, { pane }] of sizes.entries()) {
    const { isStatic, radius } = pane.own;
    styles.set(
      pane.picture,
      "cover",
      {
        ...covers[index],
        "--lumbit-cropped": pane.cropped ? 1 : undefined,
        ...(isRound(radius) && { "border-radius": 0 }),
        // What lay above the picture lies above it, though what moves is painted like what is positioned.
        ...(isStatic && { position: "relative", "z-index": -1 }),
      },
      true,
    );
  }
  for (const box of new Set(panes.map(({ box }) => box))) {
    const inside = panes.filter((pane) => pane.box === box);
    styles.set(
      box,
      "pane",
      {
        isolation: inside.some(({ own }) => own.isStatic) ? "isolate" : undefined,
        overflow: inside.some(({ cropped }) => !cropped) ? "clip" : undefined,
      },
      true,
    );
  }
  styles.write();
}

/** Where a pane lies in its scene or slide, how large it is, and whether the box around it is as large. */
function sizeOf({ picture, box }: AdoptedPane) {
  const { offsetWidth: width, offsetHeight: height } = picture;
  const slide = picture.closest<HTMLElement>("[data-lumbit-is~=slide]");
  const scene = picture.closest<HTMLElement>("[data-lumbit-scene]") ?? box;
  // Boxes of whole px are told from those of others.
  const isAlike = Math.abs(box.clientWidth - width) <= 1 && Math.abs(box.clientHeight - height) <= 1;
  const lengths = slide
    ? { t: layoutLeft(picture) - layoutLeft(slide), ph: width }
    : { t: layoutTop(picture) - layoutTop(scene), ph: height };
  return { width, height, lengths, isAlike };
}

/** How much larger a picture has to be than its box, and how far to the side, to reach past it as far as its style says. */
function coverCss(
  { picture, own }: AdoptedPane,
  { width, height }: { width: number; height: number },
  travels: boolean,
): Declarations {
  if (width === 0 || height === 0) return {};
  const style = getComputedStyle(picture);
  const px = (name: string) => Number.parseFloat(style.getPropertyValue(`--lumbit-${name}`)) || 0;
  const swing = px("swing");
  const [top, right, bottom, left] = ["top", "right", "bottom", "left"].map(
    (side) => px(`over-${side}`) + swing,
  ) as [number, number, number, number];
  // A slide is a scene on its side; one that is swiped does not move what is in it.
  const over = !picture.closest("[data-lumbit-is~=slide]")
    ? { top, right, bottom, left }
    : travels
      ? { top: swing, right: bottom, bottom: swing, left: top }
      : { top: 0, right: 0, bottom: 0, left: 0 };
  const cover = Math.max(
    1,
    (width + over.left + over.right) / width,
    (height + over.top + over.bottom) / height,
  );
  return {
    "--lumbit-cover": cover,
    "--lumbit-shift-x": `${(over.right - over.left) / 2}px`,
    "--lumbit-shift-y": `${(over.bottom - over.top) / 2}px`,
    "--lumbit-round": isRound(own.radius)
      ? own.radius.replace(/[\d.]+(px|%)/g, (length) => `calc(${length} / ${cover})`)
      : undefined,
  };
}

const isRound = (radius: string) => /[1-9]/.test(radius);
