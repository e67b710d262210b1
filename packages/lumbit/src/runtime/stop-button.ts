const shapes = { stop: "M5 4h3v12H5zM12 4h3v12h-3z", play: "M6 3.5v13l10-6.5z" };

/** How readers of screens say them, in the language of who listens. */
const signs = { stop: "⏸", play: "▶" };

/**
 * A button that stops the films of a scene, or lets them go on, in its lower corner as long as it is in view (WCAG 2.2.2): it has
 * no words, which would have a language, but what the films show. `pressed` is told whether they are to stand.
 */
export function stopButton(
  host: HTMLElement,
  films: readonly HTMLVideoElement[],
  pressed: (stands: boolean) => void,
): { show(isShown: boolean): void; remove(): void } {
  const { ownerDocument: home } = host;
  const strip = home.createElement("div");
  const button = home.createElement("button");
  const drawing = home.createElementNS(svg, "svg");
  const shape = home.createElementNS(svg, "path");
  const isBackdrop = films.some((film) => film.matches("[data-lumbit-backdrop]"));
  // Policies allow style that a script sets, and none that it writes.
  Object.assign(strip.style, {
    ...{ position: "absolute", inset: "0", zIndex: "2147483647", pointerEvents: "none" },
    ...{ flexDirection: "column", justifyContent: "end", alignItems: isBackdrop ? "start" : "end" },
  });
  Object.assign(button.style, {
    ...{ position: "sticky", bottom: "1rem", margin: "1rem", width: "2.75rem", height: "2.75rem" },
    ...{ padding: "0", border: "0", borderRadius: "50%", color: "#fff", background: "rgb(0 0 0 / 60%)" },
    ...{ display: "grid", placeItems: "center", cursor: "pointer", pointerEvents: "auto" },
  });
  strip.dataset.lumbitIs = "stop";
  button.type = "button";
  drawing.setAttribute("viewBox", "0 0 20 20");
  drawing.setAttribute("width", "26");
  drawing.setAttribute("aria-hidden", "true");
  shape.setAttribute("fill", "currentColor");
  drawing.append(shape);
  button.append(drawing);
  strip.append(button);

  const shown = films
    .map((film) => film.getAttribute("aria-label") ?? "")
    .filter(Boolean)
    .join(", ");
  let stands = false;
  const say = () => {
    const next = stands ? "play" : "stop";
    button.setAttribute("aria-label", `${signs[next]} ${shown}`.trim());
    shape.setAttribute("d", shapes[next]);
  };
  button.addEventListener("click", () => {
    stands = !stands;
    say();
    pressed(stands);
  });
  const show = (isShown: boolean) => {
    strip.style.display = isShown ? "flex" : "none";
  };
  say();
  show(false);
  host.append(strip);
  return { show, remove: () => strip.remove() };
}

const svg = "http://www.w3.org/2000/svg";
