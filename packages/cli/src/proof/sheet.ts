import type { ElementContent } from "hast";
import { toHtml } from "hast-util-to-html";
import { type Finding, type View, viewportName } from "lumbit/checks";
import type { Box } from "lumbit/core";
import { poseAt } from "lumbit/core";
import { drawPage, type Materials } from "./cell.ts";
import { node } from "./node.ts";

export interface Sheet {
  title: string;
  /** One a row. */
  views: readonly View[];
  /** The moments of the columns, as shares of what can be scrolled at a viewport, or of a scene's time in view. */
  shares: readonly number[];
  /** The scene whose time in view the columns are; the whole page without it. */
  scene?: string;
  findings: readonly Finding[];
  materials: Materials;
  /** Style that pictures and fonts need: where their bytes are. */
  style: string;
}

/** The most that a picture takes, in px. */
const rowHeight = 300;
const widest = 320;

/** How wide a sheet with so many columns is at most, in px. */
export const sheetWidth = (columns: number): number => 96 + columns * (widest + 14);

/** A sheet of pictures of a page, viewports below each other, moments side by side: one file that needs nothing else. */
export function sheetHtml(sheet: Sheet): string {
  const { title, views, findings } = sheet;
  const numbered = findings.map((finding, index) => ({ finding, number: index + 1 }));
  const rows = views.flatMap((view) => [
    node("h2", {}, [`${view.viewport.width} × ${view.viewport.height}`]),
    node("div", {}, cells(view, sheet, numbered), { className: "row" }),
  ]);
  const list =
    findings.length > 0
      ? [
          node("h2", {}, ["Found"]),
          node(
            "ol",
            {},
            findings.map(({ rule, scene, layer, measured, severity }) =>
              node("li", {}, [
                node("b", {}, [[scene, layer].filter(Boolean).join(" / ") || "page"]),
                ` ${rule} (${severity}): ${measured}`,
              ]),
            ),
          ),
        ]
      : [];
  const about = sheet.scene ? `the scene ${sheet.scene}` : "the whole page";
  const body = node("body", {}, [
    node("header", {}, [node("h1", {}, [title]), node("p", {}, [`Proof of ${about}`])]),
    ...rows,
    ...list,
  ]);
  const head = node("head", {}, [
    node("meta", {}, [], { charSet: "utf-8" }),
    node("meta", {}, [], { name: "viewport", content: "width=device-width" }),
    node("title", {}, [`${title}: proof`]),
    node("style", {}, [sheetCss + sheet.style]),
  ]);
  return `<!doctype html>\n${toHtml(node("html", {}, [head, body], { lang: "en" }))}\n`;
}

interface Numbered {
  finding: Finding;
  number: number;
}

function cells(view: View, sheet: Sheet, numbered: readonly Numbered[]): ElementContent[] {
  const { viewport, layout } = view;
  const scale = Math.min(rowHeight / viewport.height, widest / viewport.width);
  const scene = view.scenes.find(({ scene }) => scene.name === sheet.scene);
  const [from, to] = scene ? [scene.from, scene.to] : [0, layout.scrollHeight - viewport.height];
  return sheet.shares.map((share) => {
    const scroll = Math.round(from + share * (to - from));
    const marks = numbered.flatMap(({ finding, number }) => mark(finding, number, view, scroll, scale));
    const [width, height] = [viewport.width * scale, viewport.height * scale].map(Math.round);
    return node("figure", {}, [
      node(
        "div",
        { width: `${width}px`, height: `${height}px` },
        [
          node(
            "i",
            { width: `${viewport.width}px`, height: `${viewport.height}px`, scale },
            [drawPage(view, scroll, sheet.materials)],
            { className: "page" },
          ),
          ...marks,
        ],
        { className: "cell" },
      ),
      node("figcaption", {}, [`scroll ${scroll}`]),
    ]);
  });
}

/** Where a finding is seen in a picture: the frame of its layer, with its number. */
function mark(
  { scene, layer, places }: Finding,
  number: number,
  view: View,
  scroll: number,
  scale: number,
): ElementContent[] {
  const here = places.some(
    ({ viewport, from, to }) =>
      viewport === viewportName(view.viewport) && scroll >= from - 1 && scroll <= to + 1,
  );
  const pose = poseAt(view.layout, scroll).scenes.find(({ name }) => name === scene);
  const box: Box | undefined = pose?.layers.find(({ name, visible }) => name === layer && visible);
  if (!here || !box) return [];
  const cut = (value: number, most: number) => Math.min(Math.max(value, 0), most);
  const [left, top] = [cut(box.left, view.viewport.width), cut(box.top, view.viewport.height)];
  const right = cut(box.left + box.width, view.viewport.width);
  const bottom = cut(box.top + box.height, view.viewport.height);
  const px = (value: number) => `${Math.round(value * scale)}px`;
  return [
    node(
      "span",
      { left: px(left), top: px(top), width: px(right - left), height: px(bottom - top) },
      [node("b", {}, [String(number)])],
      { className: "mark" },
    ),
  ];
}

const sheetCss = `
*{box-sizing:border-box}
body{margin:0;padding:40px 48px 56px;background:#f4f3ef;color:#1d2526;font:15px/1.5 system-ui,sans-serif}
h1{margin:0;font-size:26px;font-weight:650;letter-spacing:-.01em}
header p{margin:2px 0 0;color:#5b6667}
h2{margin:36px 0 10px;font-size:15px;font-weight:600;font-variant-numeric:tabular-nums}
.row{display:flex;gap:14px;overflow-x:auto}
figure{margin:0;flex:none}
figcaption{margin-top:5px;color:#5b6667;font-size:12.5px;font-variant-numeric:tabular-nums}
.cell{position:relative;overflow:hidden;border-radius:3px;box-shadow:0 0 0 1px #1d252622}
.page{position:absolute;left:0;top:0;transform-origin:0 0}
.page i{position:absolute;display:block;font-style:normal;overflow-wrap:anywhere;background-repeat:no-repeat!important}
.page{display:block;font-style:normal}
.mark{position:absolute;border:1.5px solid #d4371c;border-radius:2px}
.mark b{position:absolute;left:-1.5px;top:-1.5px;padding:0 5px;background:#d4371c;color:#fff;font-size:11px;line-height:16px;border-radius:2px 0 2px 0}
ol{margin:0;padding-left:1.6em;max-width:80ch}
@media print{body{padding:0;background:none}.row,figure{break-inside:avoid}}
`;
