import type { ElementContent } from "hast";
import { toHtml } from "hast-util-to-html";
import type { LayerView, SceneView, View } from "lumbit/checks";
import { isGroup, isImage, isText, plainText } from "lumbit/internal";
import { cellCss, type Materials, pageCell } from "../proof/cell.ts";
import { node } from "../proof/node.ts";

export interface Sheet {
  title: string;
  /** One for each viewport. */
  views: readonly View[];
  /** The names of the scenes that it shows. */
  scenes: readonly string[];
  materials: Materials;
  properties: readonly string[];
  faces: readonly string[];
  /** Where a layer is, as CSS. */
  css(scene: string, layer: string): string;
}

/** The most that a picture of a scene takes, in px. */
const drawn = { width: 440, height: 300 };
/** How wide a sheet is, in px. */
export const handOverWidth = 1240;

/** A sheet for whoever builds a page: what every layer is, where it stands and when it moves, in pixels and in CSS. */
export function handOverHtml(sheet: Sheet): string {
  const { title, views, properties, faces } = sheet;
  const sizes = views.map(({ viewport }) => `${viewport.width} × ${viewport.height}`).join(", ");
  const body = node("body", {}, [
    node("header", {}, [
      node("h1", {}, [title]),
      node("p", {}, [`Hand-over sheet, at ${sizes} px`]),
      node("p", {}, [
        "Boxes are where layers stand when their scene settles, in px from the scene’s left and top edge. Drift is how far a layer slides against its scene while any of it is on the screen. Scroll positions are px from the top of the page. Overscan is how far a picture reaches past its pane at the top, right, bottom and left; where it is negative, nobody sees that it ends short. In CSS, cqw and cqh are hundredths of the scene’s width and height.",
      ]),
    ]),
    ...sheet.scenes.map((name) => sceneSection(name, sheet)),
  ]);
  const head = node("head", {}, [
    node("meta", {}, [], { charSet: "utf-8" }),
    node("meta", {}, [], { name: "viewport", content: "width=device-width" }),
    node("title", {}, [`${title}: hand-over sheet`]),
    node("style", {}, [`${sheetCss}:root{${properties.join(";")}}${faces.join("")}`]),
  ]);
  return `<!doctype html>\n${toHtml(node("html", {}, [head, body], { lang: "en" }))}\n`;
}

function sceneSection(name: string, sheet: Sheet): ElementContent {
  const of = (view: View) => view.scenes.find(({ scene }) => scene.name === name) as SceneView;
  const first = of(sheet.views[0] as View);
  const layers = first.layers.map((_, index) => index);
  return node("section", {}, [
    node("h2", {}, [name]),
    node(
      "div",
      {},
      sheet.views.map((view) => scenePicture(view, of(view), sheet.materials)),
      { className: "scenes" },
    ),
    ...layers.map((index) =>
      layerRow(
        sheet.views.map((view) => ({ view, scene: of(view), own: of(view).layers[index] as LayerView })),
        sheet,
      ),
    ),
  ]);
}

/** A scene at its settle moment, and when it is on the screen. */
function scenePicture(view: View, { layout, from, to }: SceneView, materials: Materials): ElementContent {
  const { viewport } = view;
  const scale = Math.min(drawn.width / viewport.width, drawn.height / viewport.height);
  const settles = Math.min(Math.max(layout.top - viewport.height + layout.settle, from), to);
  const hold = layout.passage.hold;
  return node("figure", {}, [
    pageCell(view, settles, { scale, materials }) as ElementContent,
    node("figcaption", {}, [
      node("b", {}, [`${viewport.width} × ${viewport.height}`]),
      `${px(layout.height)} px high, ${px(layout.top)} px from the top of the page.`,
      node("br", {}),
      `On the screen from ${px(from)} to ${px(to)}; settles at ${px(settles)}${hold > 0 ? `; holds for ${px(hold)}` : ""}.`,
    ]),
  ]);
}

interface At {
  view: View;
  scene: SceneView;
  own: LayerView;
}

function layerRow(at: readonly At[], sheet: Sheet): ElementContent {
  const [{ own, scene }] = at as [At];
  const { layer, layout } = own;
  const facts = [
    Number.isFinite(layout.depth) ? `depth ${short(layout.depth)}` : "at the horizon",
    `speed ${short(layout.speed)}`,
    `order ${layout.order}`,
    own.group && `in the group ${own.group.layer.name}`,
  ].filter(Boolean);
  const moments = momentsOf(own);
  return node("article", {}, [
    node("div", {}, picture(own, sheet.materials), { className: "picture" }),
    node("div", {}, [
      node("h3", {}, [layer.name, node("small", {}, [kindOf(own)])]),
      node("p", {}, [facts.join(" · ")]),
      node("table", {}, [
        node(
          "tr",
          {},
          ["", "left", "top", "width", "height", "drift", "overscan"].map((text) => node("th", {}, [text])),
        ),
        ...at.map(figures),
      ]),
      ...(moments.length > 0
        ? [
            node(
              "ul",
              {},
              moments.map((text) => node("li", {}, [text])),
            ),
          ]
        : []),
      ...at.flatMap(({ view, scene, own }) => rampsAt(view, scene, own)),
    ]),
    // What is in a group is in the CSS of the group.
    node("pre", {}, own.group ? [] : [sheet.css(scene.scene.name, layer.name).trim()]),
  ]);
}

function figures({ view, scene, own: { layout } }: At): ElementContent {
  const { box, pane, overscan, drift } = layout;
  const { left, top, width, height } = pane ?? box;
  const { lo, hi } = scene.layout.passage;
  const way = (factor: number, on: string, back: string) =>
    factor === 0 ? [] : [`${px(Math.abs(factor) * (hi - lo))} ${factor > 0 ? on : back}`];
  const drifts = [...way(drift.y, "down", "up"), ...way(drift.x, "right", "left")];
  const sides = overscan && ([overscan.top, overscan.right, overscan.bottom, overscan.left] as const);
  return node("tr", {}, [
    node("th", {}, [`${view.viewport.width} × ${view.viewport.height}`]),
    ...[left, top, width, height].map((value) => node("td", {}, [px(value)])),
    node("td", {}, [drifts.join(", ") || "none"]),
    node("td", {}, [sides ? sides.map(px).join(" / ") : ""]),
  ]);
}

/** The ramps of a layer at a viewport, by scroll position. */
function rampsAt({ viewport }: View, { layout }: SceneView, own: LayerView): ElementContent[] {
  const scrollOf = (p: number) => px(layout.top - viewport.height + p);
  return own.layout.ramps.length === 0
    ? []
    : [
        node(
          "p",
          {},
          [
            node("b", {}, [`${viewport.width} × ${viewport.height}`]),
            own.layout.ramps
              .map(
                ({ property, stops }) =>
                  `${property} ${stops.map(({ at, value }) => `${short(value)} at ${scrollOf(at)}`).join(", ")}`,
              )
              .join("; "),
          ],
          { className: "ramps" },
        ),
      ];
}

/** When a layer changes, in the words of the page file. */
function momentsOf({ layer: { hold, cue, ramps = [], travel } }: LayerView): string[] {
  return [
    ...(hold ? [`stays on the screen from ${hold[0]} to ${hold[1]}`] : []),
    ...(travel
      ? [
          `travels ${[travel.x && `sideways ${travel.x.join(" to ")}`, travel.y && `down ${travel.y.join(" to ")}`].filter(Boolean).join(", ")}`,
        ]
      : []),
    ...ramps.map(
      ({ property, of = "scene", stops }) =>
        `${property} ${stops.map(({ at, value }) => `${value} at ${at}`).join(", ")} of the ${of}’s passage`,
    ),
    ...(cue
      ? [
          `comes in once, at ${cue.at ?? "entry 30%"} of the ${cue.of ?? "layer"}’s passage, in ${cue.duration ?? 700} ms, from ${Object.entries(
            cue.from,
          )
            .map(([name, value]) => `${name} ${value}`)
            .join(", ")}`,
        ]
      : []),
  ];
}

const kindOf = ({ layer }: LayerView) =>
  isImage(layer)
    ? layer.image
    : isText(layer)
      ? `text, ${layer.as ?? "p"}`
      : isGroup(layer)
        ? "group"
        : (layer.markup ?? `shape, ${layer.shape}`);

function picture({ layer }: LayerView, materials: Materials): ElementContent[] {
  if (isImage(layer)) return [node("i", { "background-image": materials.picture(layer.image) })];
  if (isText(layer)) return [node("q", {}, [plainText(layer.text)])];
  return [node("i", { background: "background" in layer ? layer.background : undefined })];
}

const px = (value: number) => String(Number(value.toFixed(1)));
const short = (value: number) => String(Number(value.toFixed(4)));

const sheetCss = `${cellCss}*{box-sizing:border-box}
body{margin:0 auto;max-width:${handOverWidth}px;padding:40px 48px 56px;background:#f4f3ef;color:#1d2526;font:14px/1.5 system-ui,sans-serif;font-variant-numeric:tabular-nums}
h1{margin:0;font-size:26px;font-weight:650;letter-spacing:-.01em}
header p{margin:2px 0 0;max-width:84ch;color:#5b6667}
header p+p{margin-top:10px}
h2{margin:44px 0 12px;padding-top:14px;border-top:2px solid #1d2526;font-size:20px;font-weight:650}
.scenes{display:flex;flex-wrap:wrap;gap:20px;margin-bottom:10px}
figure{margin:0}
figcaption{margin-top:6px;color:#5b6667;font-size:12.5px}
b{margin-right:.7em;font-weight:600;color:#1d2526}
article{display:grid;grid-template-columns:120px minmax(0,1fr) minmax(0,380px);gap:4px 22px;padding:16px 0;border-top:1px solid #1d252622;break-inside:avoid}
h3{margin:0;font-size:15px;font-weight:600}
small{margin-left:.8em;color:#5b6667;font-size:12.5px;font-weight:400}
article p,article ul{margin:0 0 6px}
article ul{padding-left:1.2em}
.ramps{color:#5b6667;font-size:12.5px}
.picture{display:grid;place-items:center;height:96px;padding:6px;overflow:hidden;border-radius:3px;background:repeating-conic-gradient(#e2e0da 0 25%,#efede8 0 50%) 0 0/14px 14px}
.picture i{display:block;width:100%;height:100%;background-position:50%;background-size:contain;background-repeat:no-repeat}
.picture q{font-size:12px;quotes:none;overflow-wrap:anywhere;max-height:100%;overflow:hidden}
table{border-collapse:collapse;margin:2px 0 8px;font-size:12.5px}
th{padding:1px 14px 1px 0;color:#5b6667;font-weight:400;text-align:right;white-space:nowrap}
th:first-child{text-align:left}
td{padding:1px 14px 1px 0;text-align:right;white-space:nowrap}
pre{margin:0;font:11px/1.45 ui-monospace,"Liberation Mono",monospace;white-space:pre-wrap;overflow-wrap:anywhere;color:#36423f}
@media print{body{padding:0;background:none}section{break-before:page}}
`;
