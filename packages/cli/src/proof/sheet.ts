import type { ElementContent } from "hast";
import { toHtml } from "hast-util-to-html";
import { type Finding, trackAt, type View, viewportName } from "lumbit/checks";
import { intersection } from "lumbit/internal";
import { cellCss, type Materials, pageCell } from "./cell.ts";
import type { Difference } from "./difference.ts";
import { node } from "./node.ts";

/** One version of a page in a sheet. */
export interface Version {
  /** What it is called where there are two: the name of its file. */
  name: string;
  /** One a row. */
  views: readonly View[];
  findings: readonly Finding[];
  materials: Materials;
  /** Where the bytes of its pictures and fonts are, as custom properties and font faces. */
  properties: readonly string[];
  faces: readonly string[];
}

export interface Sheet {
  title: string;
  /** The page, and the version that it is set against. */
  versions: readonly [Version] | readonly [Version, Version];
  /** What the two do not share. */
  differences: readonly Difference[];
  /** The moments of the columns, as shares of what can be scrolled at a viewport, or of a scene's time in view. */
  shares: readonly number[];
  /** The scene whose time in view the columns are; the whole page without it. */
  scene?: string;
}

/** The most that a picture takes, in px. */
const rowHeight = 300;
const widest = 320;

/** So many pictures stand side by side at most; more of them go on below. */
const most = 8;

/** How wide a sheet with so many moments is at most, in px. */
export const sheetWidth = (moments: number): number => 96 + Math.min(moments, most) * (widest + 14);

/** A sheet of pictures of a page, viewports below each other, moments side by side: one file that needs nothing else. */
export function sheetHtml(sheet: Sheet): string {
  const { title, versions, differences } = sheet;
  const compared = versions.length > 1;
  const rows = versions[0].views.flatMap(({ viewport }, index) => [
    node("h2", {}, [`${viewport.width} × ${viewport.height}`]),
    ...versions.flatMap((version) => [
      ...(compared ? [node("h3", {}, [version.name])] : []),
      node("div", {}, cells(version.views[index] as View, version, sheet), { className: "row" }),
    ]),
  ]);
  const lists = versions.flatMap(({ name, findings }) =>
    list(
      compared ? `Found in ${name}` : "Found",
      "ol",
      findings.map(({ rule, scene, layer, measured, severity }) => ({
        of: nameOf(scene, layer),
        text: ` ${rule} (${severity}): ${measured}`,
      })),
    ),
  );
  const differ = list(
    "What differs",
    "ul",
    differences.map(({ scene, layer, what }) => ({ of: nameOf(scene, layer), text: ` ${what}` })),
  );
  const about = sheet.scene ? `the scene ${sheet.scene}` : "the whole page";
  const against = compared ? `, ${versions[0].name} against ${versions[1]?.name}` : "";
  const nothing =
    compared && differences.length === 0 ? [node("p", {}, ["The two pages say the same."])] : [];
  const body = node("body", {}, [
    node("header", {}, [node("h1", {}, [title]), node("p", {}, [`Proof of ${about}${against}`])]),
    ...nothing,
    ...(compared ? differ : []),
    ...rows,
    ...lists,
  ]);
  const style = `:root{${unique(versions.flatMap(({ properties }) => properties)).join(";")}}${unique(versions.flatMap(({ faces }) => faces)).join("")}`;
  const head = node("head", {}, [
    node("meta", {}, [], { charSet: "utf-8" }),
    node("meta", {}, [], { name: "viewport", content: "width=device-width" }),
    node("title", {}, [`${title}: proof`]),
    node("style", {}, [sheetCss + style]),
  ]);
  return `<!doctype html>\n${toHtml(node("html", {}, [head, body], { lang: "en" }))}\n`;
}

const unique = (texts: readonly string[]) => [...new Set(texts)];
const nameOf = (scene?: string, layer?: string) => [scene, layer].filter(Boolean).join(" / ") || "page";

/** A list with its heading; nothing where it has no entries. */
const list = (heading: string, tag: "ol" | "ul", entries: readonly { of: string; text: string }[]) =>
  entries.length === 0
    ? []
    : [
        node("h2", {}, [heading]),
        node(
          tag,
          {},
          entries.map(({ of, text }) => node("li", {}, [node("b", {}, [of]), text])),
        ),
      ];

function cells(view: View, { findings, materials }: Version, sheet: Sheet): ElementContent[] {
  const { viewport, layout } = view;
  const scale = Math.min(rowHeight / viewport.height, widest / viewport.width);
  const scene = view.scenes.find(({ scene }) => scene.name === sheet.scene);
  const [from, to] = scene ? [scene.from, scene.to] : [0, layout.scrollHeight - viewport.height];
  const name = viewportName(viewport);
  return sheet.shares.map((share) => {
    const scroll = Math.round(from + share * (to - from));
    const at = { view, scroll, scale };
    const changed = new Map(sheet.differences.map((one) => [nameOf(one.scene, one.layer), one]));
    const marks = [
      ...[...changed.values()].flatMap(({ scene, layer }) => frame(scene, layer, at, "differs", [])),
      ...findings.flatMap(({ scene, layer, places }, index) =>
        places.some(({ viewport, from, to }) => viewport === name && scroll >= from - 1 && scroll <= to + 1)
          ? frame(scene, layer, at, "mark", [node("b", {}, [String(index + 1)])])
          : [],
      ),
    ];
    return node("figure", {}, [
      pageCell(view, scroll, { scale, materials, over: marks }) as ElementContent,
      node("figcaption", {}, [
        ...(scene ? [] : [node("b", {}, [sceneAt(view, scroll)])]),
        `scroll ${scroll}`,
      ]),
    ]);
  });
}

/** The name of the scene in the middle of the screen. */
const sceneAt = ({ scenes, viewport }: View, scroll: number): string =>
  scenes.findLast(({ layout }) => layout.top <= scroll + viewport.height / 2)?.scene.name ?? "";

/** A frame around a layer where it is in a picture; nothing where it is out of view. */
function frame(
  scene: string | undefined,
  layer: string | undefined,
  { view, scroll, scale }: { view: View; scroll: number; scale: number },
  className: string,
  children: ElementContent[],
): ElementContent[] {
  const own = view.scenes
    .find((one) => one.scene.name === scene)
    ?.layers.find((one) => one.layer.name === layer);
  const at = own && trackAt(own, scroll);
  if (!at?.pose.visible || at.pose.opacity < 0.05) return [];
  const { left, top, width, height } = intersection(at.pose, at.clip);
  if (width <= 0 || height <= 0) return [];
  const px = (value: number) => `${Math.round(value * scale)}px`;
  return [
    node("span", { left: px(left), top: px(top), width: px(width), height: px(height) }, children, {
      className,
    }),
  ];
}

const sheetCss = `${cellCss}*{box-sizing:border-box}
body{margin:0;padding:40px 48px 56px;background:#f4f3ef;color:#1d2526;font:15px/1.5 system-ui,sans-serif}
h1{margin:0;font-size:26px;font-weight:650;letter-spacing:-.01em}
header p{margin:2px 0 0;color:#5b6667}
h2{margin:36px 0 10px;font-size:15px;font-weight:600;font-variant-numeric:tabular-nums}
.row{display:flex;flex-wrap:wrap;gap:14px}
figure{margin:0;flex:none}
figcaption{margin-top:5px;color:#5b6667;font-size:12.5px;font-variant-numeric:tabular-nums}
figcaption b{margin-right:.6em;font-weight:600;color:#1d2526}
h3{margin:14px 0 6px;font-size:12.5px;font-weight:500;color:#5b6667}
.differs{position:absolute;border:1.5px dashed #5b9dff;border-radius:2px}
.mark{position:absolute;border:1.5px solid #d4371c;border-radius:2px}
.mark b{position:absolute;left:-1.5px;top:-1.5px;padding:0 5px;background:#d4371c;color:#fff;font-size:11px;line-height:16px;border-radius:2px 0 2px 0}
ol,ul{margin:0;padding-left:1.6em;max-width:80ch}
@media print{body{padding:0;background:none}.row,figure{break-inside:avoid}}
`;
