// The pages of the scroll bench: the same scenes, moved in five ways.
import { hasReel } from "lumbit/internal";
import { pageCss, pageHtml } from "lumbit/static";

const fade = {
  property: "opacity",
  stops: [
    { at: "cover 0%", value: 0.2 },
    { at: "cover 100%", value: 1 },
  ],
};

/** A page of scenes with small coloured shapes at many depths; with ramps they fade in as they pass. */
export function benchPage(scenes, layersPerScene, ramps = false) {
  return {
    format: "lumbit/1",
    title: "Bench",
    lang: "en",
    scenes: Array.from({ length: scenes }, (_, scene) => ({
      name: `scene-${scene}`,
      height: "100vh",
      layers: Array.from({ length: layersPerScene }, (_, layer) => ({
        name: `layer-${layer}`,
        shape: "rectangle",
        background: `hsl(${(scene * 37 + layer * 61) % 360} 60% 50%)`,
        ...(ramps && { ramps: [fade] }),
        depth: layer === 0 ? 0.1 : Number((layer * 0.7).toFixed(2)),
        place: {
          left: `${(layer * 37) % 80}%`,
          top: `${(layer * 53) % 80}%`,
          width: "180px",
          height: "120px",
        },
      })),
    })),
  };
}

/** A page of scenes that hold while a reel of so many slides, each of ten layers, travels half a slide a screen. */
export function reelPage(scenes, slides) {
  const drifting = benchPage(1, 10).scenes[0].layers;
  return {
    ...benchPage(0, 0),
    scenes: Array.from({ length: scenes }, (_, scene) => ({
      name: `scene-${scene}`,
      height: "100vh",
      hold: `${slides * 50}vh`,
      layers: [
        {
          name: "reel",
          reel: {},
          layers: Array.from({ length: slides }, (_, slide) => ({
            name: `slide-${slide}`,
            layers: drifting.map((layer) => ({ ...layer, name: `${layer.name}-${slide}` })),
          })),
        },
      ],
    })),
  };
}

/** The usual page, whose camera sways. */
export const swayPage = (scenes, layersPerScene) => ({
  ...benchPage(scenes, layersPerScene),
  page: { camera: { sway: "60px" } },
});

/** A careful pointer loop by hand: smoothed, one transform for each layer in view in a frame. */
const swayLoop = `
const layers = [...document.querySelectorAll("[data-lumbit-layer]")].filter((element) => element.getBoundingClientRect().top < innerHeight)
  .map((element) => [element, 1 - Number(getComputedStyle(element).getPropertyValue("--lumbit-speed"))]);
let x = 0, y = 0, toX = 0, toY = 0, frame = 0;
const draw = () => {
  frame = 0;
  x += (toX - x) * 0.15, y += (toY - y) * 0.15;
  for (const [element, k] of layers) element.style.transform = "translate3d(" + k * x + "px," + k * y + "px,0)";
  if (Math.abs(toX - x) + Math.abs(toY - y) > 0.1) frame = requestAnimationFrame(draw);
};
addEventListener("pointermove", ({ clientX, clientY }) => {
  toX = (clientX / innerWidth - 0.5) * -120, toY = (clientY / innerHeight - 0.5) * -120;
  frame ||= requestAnimationFrame(draw);
});`;

/** A careful loop by hand: positions cached, one transform for each visible layer in a frame. */
const plainLoop = `
const fades = document.querySelector("[data-lumbit-is~=ramped]") !== null;
const scenes = [...document.querySelectorAll("[data-lumbit-scene]")].map((element) => ({
  top: element.offsetTop, height: element.offsetHeight,
  layers: [...element.querySelectorAll("[data-lumbit-layer]")].map((element) => [element, 1 - Number(getComputedStyle(element).getPropertyValue("--lumbit-speed"))]),
}));
for (const { layers } of scenes) for (const [element] of layers) element.style.willChange = "transform";
let frame = 0;
const draw = () => {
  frame = 0;
  const y = scrollY, v = innerHeight;
  for (const { top, height, layers } of scenes) {
    if (top > y + v || top + height < y) continue;
    const d = y - top + (v - height) / 2;
    for (const [element, k] of layers) {
      element.style.transform = "translate3d(0," + k * d + "px,0)";
      if (fades) element.style.opacity = 0.2 + 0.8 * (y + v - top) / (v + height);
    }
  }
};
addEventListener("scroll", () => { frame ||= requestAnimationFrame(draw); }, { passive: true });
draw();`;

/** What is written on a first try: every layer, at every event, read and written in turn. */
const naiveListener = `
const layers = [...document.querySelectorAll("[data-lumbit-layer]")].map((element) => [element, 1 - Number(getComputedStyle(element).getPropertyValue("--lumbit-speed")), element.offsetTop]);
addEventListener("scroll", () => {
  for (const [element, k, top] of layers) {
    const scene = element.closest("[data-lumbit-scene]").getBoundingClientRect();
    element.style.top = top - scene.top * k + "px";
  }
});`;

const assets = { pictures: {}, fonts: {} };

/** As in a browser without scroll-driven animations: elements that ever had any cost more to style, driver or not. */
const withoutStandard = (css) =>
  css.replaceAll("(animation-timeline: view())", "(animation-timeline: none-such())");

/** The same animations between two plain lengths, wherever that puts the layers. */
const bareKeyframes = (css) =>
  css.replace(
    /@keyframes lumbit-drift \{.*?\n\}/s,
    "@keyframes lumbit-drift { from { translate: 0 -100px; } to { translate: 0 100px; } }",
  );
const without = (layers) => (css) => `${css}\n${layers} { animation: none !important; }`;

/** The ways to move a page: whether its own motion is on, what is changed of its style sheet, and the script it gets. */
export const ways = {
  static: { moves: false },
  "plain loop": { moves: false, script: plainLoop },
  // The same loop on the page that the scripted driver moves: what of its cost is the page's.
  "loop, moving page": { moves: true, edit: withoutStandard, script: plainLoop },
  "naive listener": { moves: false, script: naiveListener },
  native: { moves: true },
  // The least that the standard costs, and what of it are the timelines and each animation.
  "bare keyframes": { moves: true, edit: bareKeyframes },
  "native, a tenth": { moves: true, edit: without("[data-lumbit-is~=drifts]:not(:first-child)") },
  "timelines alone": { moves: true, edit: without("[data-lumbit-is~=drifts]") },
  scripted: { moves: true, edit: withoutStandard, driver: true },
  "sway loop": { moves: false, script: swayLoop },
  sway: { moves: true, sway: true },
};

export function benchFiles(page, { script, driver, sway, moves, edit = (css) => css }) {
  const css = edit(pageCss(page, assets));
  const html = pageHtml(page, { assets, stylesheet: "page.css" });
  const reels = moves && page.scenes.some(hasReel);
  const scripts = [script && "way.js", driver && "scripted.js", sway && "sway.js", reels && "reels.js"];
  const tags = scripts
    .filter(Boolean)
    .map((name) => `<script type="module" src="${name}"></script>`)
    .join("");
  // What does not move by itself is the still version: its media query never holds.
  const still = css.replaceAll("@media screen and (prefers-reduced-motion: no-preference)", "@media not all");
  return {
    "page.css": moves ? css : still,
    "way.js": script ?? "",
    "index.html": html.replace("</body>", `${tags}</body>`),
  };
}
