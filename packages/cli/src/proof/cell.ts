import type { View } from "lumbit/checks";
import { isBehindContent, trackAt } from "lumbit/checks";
import {
  type Block,
  type Box,
  type LayerPose,
  type PageLook,
  poseAt,
  resolveLength,
  type Scene,
  type TextLayer,
  type Viewport,
} from "lumbit/core";
import {
  columnDefaults,
  contentAcross,
  directionalityOf,
  fittedWidth,
  headerGap,
  headerPadding,
  isImage,
  isShape,
  isText,
  resolveFontSize,
  runsOf,
  type TextStyle,
  textDefaults,
} from "lumbit/internal";
import { blendCss, blurBehindCss, buttonCss, panelCss } from "lumbit/static";
import type { TextSizer } from "lumbit/text";
import { type Child, type Css, node } from "./node.ts";

/** What a picture of a page needs besides its model. */
export interface Materials {
  texts: TextSizer;
  /** How CSS names a picture of the page. */
  picture(path: string): string;
}

/** A picture of the page at a viewport and scroll position, at a scale, with what is drawn over it. */
export function pageCell(
  view: View,
  scroll: number,
  { scale, materials, over = [] }: { scale: number; materials: Materials; over?: readonly Child[] },
): Child {
  const { width, height } = view.viewport;
  const px = (value: number) => `${Math.round(value)}px`;
  const page = node(
    "i",
    { width: px(width), height: px(height), scale },
    [drawPage(view, scroll, materials)],
    { className: "page" },
  );
  return node("div", { width: px(width * scale), height: px(height * scale) }, [page, ...over], {
    className: "cell",
  });
}

/** How sheets set such pictures; letters are the page's own. */
export const cellCss = `
.cell{position:relative;overflow:hidden;border-radius:3px;box-shadow:0 0 0 1px #1d252622}
.page{position:absolute;left:0;top:0;display:block;transform-origin:0 0;font-style:normal;font-variant-numeric:normal}
.page i{position:absolute;display:block;font-style:normal;overflow-wrap:anywhere;background-repeat:no-repeat!important}
`;

/** The page at a viewport and scroll position, drawn with boxes: what a browser would show there, without one. */
function drawPage(view: View, scroll: number, materials: Materials): Child {
  const { page, viewport, layout } = view;
  const pose = poseAt(layout, scroll);
  const look = page.page ?? {};
  const backdrop =
    look.backdrop && pose.backdrop
      ? [
          node("i", {
            ...box(pose.backdrop),
            background: materials.picture(look.backdrop.image),
            "background-size": "cover",
            "background-position": shares(look.backdrop.subject),
          }),
        ]
      : [];
  const scenes = view.scenes.flatMap((scene, index) => {
    const at = pose.scenes[index];
    if (!at || at.top >= viewport.height || at.top + at.height <= 0) return [];
    const around = { left: scene.layout.left, top: at.top, width: scene.layout.width, height: at.height };
    const drawn = scene.layers
      .map((own, layer) => ({ own, pose: at.layers[layer] as LayerPose }))
      .filter(({ own, pose }) => pose.visible && !own.layout.hidden)
      .toSorted((a, b) => a.own.paint - b.own.paint)
      .map(({ own, pose: drawn }) => {
        const clip = trackAt(own, pose.scroll)?.clip ?? around;
        const inside = { ...drawn, left: drawn.left - clip.left, top: drawn.top - clip.top };
        const filter = [
          drawn.blur > 0.05 && `blur(${drawn.blur}px)`,
          drawn.brightness !== 1 && `brightness(${drawn.brightness})`,
          drawn.saturation !== 1 && `saturate(${drawn.saturation})`,
        ].filter(Boolean);
        const common: Css = {
          ...box(inside),
          opacity: drawn.opacity === 1 ? undefined : drawn.opacity,
          rotate: drawn.rotate === 0 ? undefined : `${drawn.rotate}deg`,
          filter: filter.length > 0 ? filter.join(" ") : undefined,
        };
        const rounded = "radius" in own.layer && own.layer.radius;
        const radius = rounded
          ? `${resolveLength(rounded, { viewport, percent: drawn.width })}px`
          : undefined;
        const { layer } = own;
        const panel: Css = {
          background: layer.background,
          "border-radius": radius,
          "box-shadow": layer.shadow,
          ...blurBehindCss(layer.blurBehind),
        };
        const content = isText(layer)
          ? text(layer, scene.scene, inside, { ...common, ...panel }, view, materials)
          : isImage(layer)
            ? node("i", {
                ...common,
                background: materials.picture(layer.image),
                "background-size": layer.fit === "contain" ? "contain" : "cover",
                "background-position": shares(layer.subject),
              })
            : node("i", {
                ...common,
                ...panel,
                // What is in a piece of markup a sheet does not draw: where it is.
                outline: layer.markup === undefined ? undefined : "1px dashed #8d99a0",
                ...(isShape(layer) && layer.shape === "ellipse" && { "border-radius": "50%" }),
              });
        const frame = { ...box(clip), overflow: "hidden", "border-radius": own.layout.pane && radius };
        return { own, child: node("i", { ...frame, ...blendCss(layer) }, [content]) };
      });
    const layers = (behind: boolean) =>
      drawn.flatMap(({ own, child }) => (isBehindContent(own) === behind ? [child] : []));
    const ground = node("i", { ...box(around), background: scene.scene.background });
    const blocks = scene.scene.content ? [content(scene.scene, scene.scene.content, around, view)] : [];
    return [ground, ...layers(true), ...blocks, ...layers(false)];
  });
  return node(
    "i",
    { ...box({ left: 0, top: 0, ...viewport }), background: look.background, overflow: "hidden" },
    [...backdrop, ...scenes, ...header(look.header, view)],
  );
}

/** What stays at the top of the screen. */
function header(own: PageLook["header"], { page, viewport }: View): Child[] {
  if (!own) return [];
  const row: Css = {
    ...{
      display: "flex",
      "flex-wrap": "wrap",
      "align-items": "baseline",
      "justify-content": "space-between",
    },
  };
  const inFlow: Css = { position: "static" };
  const look = page.page ?? {};
  const margin = resolveLength(look.margin ?? columnDefaults.margin, { viewport, percent: viewport.width });
  const size = resolveFontSize(own.fontSize, { viewport });
  return [
    node(
      "i",
      {
        ...{ ...row, left: px(0), top: px(0), width: px(viewport.width), "box-sizing": "border-box" },
        ...{ padding: `${headerPadding} ${px(margin)}`, gap: "0.4em 2em", background: own.background },
        ...textCss({ lineHeight: 1.3, ...own }, size, {}, { page, viewport }),
      },
      [
        node("i", inFlow, [own.text ?? ""]),
        node(
          "i",
          { ...row, ...inFlow, gap: `0.3em ${headerGap}em` },
          (own.links ?? []).map(({ text }) => node("i", inFlow, [text])),
        ),
      ],
    ),
  ];
}

const box = ({
  left,
  top,
  width,
  height,
}: {
  left: number;
  top: number;
  width: number;
  height: number;
}): Css => ({
  left: px(left),
  top: px(top),
  width: px(width),
  height: px(height),
});
const px = (value: number) => `${Math.round(value * 10) / 10}px`;
const shares = ([x, y]: readonly [number, number] = [0.5, 0.5]) => `${x * 100}% ${y * 100}%`;

function text(
  layer: TextLayer,
  scene: Scene,
  pose: LayerPose,
  common: Css,
  view: View,
  { texts }: Materials,
): Child {
  const slack = 0.01 * pose.width;
  const fitted = fittedWidth(layer) !== undefined && {
    width: pose.width / pose.scale,
    ems: texts.ems(layer),
  };
  const size =
    pose.scale * resolveFontSize(layer.fontSize, { viewport: view.viewport, ...(fitted && { fitted }) });
  const oneLine = layer.wrap === false || layer.repeat !== undefined || fitted !== false;
  return node(
    "i",
    {
      ...common,
      // A little wider than measured: rounding must not break a line.
      left: px(pose.left - slack),
      width: px(pose.width + 2 * slack),
      ...textCss(layer, size, scene, view),
      ...(layer.padding !== undefined && {
        padding: px(pose.scale * resolveLength(layer.padding, { viewport: view.viewport, percent: 0 })),
        "box-sizing": "border-box",
      }),
      "text-wrap": balance(layer),
      "white-space": oneLine ? "pre" : "pre-line",
      "-webkit-text-stroke": layer.outline ? `${layer.outline} currentcolor` : undefined,
      "-webkit-text-fill-color": layer.outline ? "transparent" : undefined,
    },
    words(
      Array(layer.repeat ?? 1)
        .fill(layer.text)
        .join(" "),
    ),
  );
}

/** A text, its strong and its emphasized words as the page shows them. */
const words = (source: string): Child[] =>
  runsOf(source).map(({ text, strong, emphasized }) =>
    strong || emphasized
      ? node(
          "span",
          { "font-weight": strong ? "bolder" : undefined, "font-style": emphasized ? "italic" : undefined },
          [text],
        )
      : text,
  );

/** Headings break into lines of like length, as in the page. */
const balance = ({ as }: { as?: string }) => (as?.startsWith("h") ? "balance" : undefined);

const textCss = (
  style: TextStyle,
  size: number,
  scene: Pick<Scene, "color">,
  { page, viewport }: Pick<View, "page" | "viewport">,
): Css => ({
  color: style.color ?? scene.color ?? page.page?.color,
  "font-family": style.fontFamily ?? page.page?.fontFamily,
  "font-size": px(size),
  "font-weight": style.fontWeight ?? textDefaults.fontWeight,
  "font-style": style.fontStyle,
  "line-height": style.lineHeight ?? textDefaults.lineHeight,
  "letter-spacing": spacing(style.letterSpacing, size, viewport),
  "text-align": style.textAlign,
  direction: directionalityOf(page.lang),
});

const spacing = (length: TextStyle["letterSpacing"], size: number, viewport: Viewport) =>
  length === undefined
    ? undefined
    : /[\d.]em$/.test(String(length)) && !/rem$/.test(String(length))
      ? `${length}`
      : px(resolveLength(length as string, { viewport, percent: size }));

/** A scene's content in the flow, in its column. */
function content(
  scene: Scene,
  blocks: readonly Block[],
  { left: sceneLeft, top: sceneTop }: Pick<Box, "left" | "top">,
  view: View,
): Child {
  const { viewport, page } = view;
  const across = (length: string | 0) => resolveLength(length, { viewport, percent: viewport.width });
  const look = page.page ?? {};
  const { left, width } = contentAcross(scene, look, viewport);
  return node(
    "i",
    {
      left: px(sceneLeft + left),
      top: px(sceneTop + across(scene.paddingTop ?? 0)),
      width: px(width),
      display: "grid",
      gap: px(across(look.gap ?? columnDefaults.gap)),
      ...panelCss(scene.panel ?? {}),
    },
    blocks.map((block) => {
      const size = resolveFontSize(block.fontSize, { viewport });
      const css: Css = {
        ...textCss(block, size, scene, view),
        "text-wrap": balance(block),
        position: "static",
        "white-space": "pre-line",
        "max-width": block.maxWidth === undefined ? undefined : px(across(block.maxWidth)),
      };
      if (block.list)
        return node(
          "i",
          { ...css, ...panelCss(block) },
          words(block.list.map((entry) => `•  ${entry}`).join("\n")),
        );
      const own = words(block.text ?? "");
      const button = buttonCss(block, block);
      if (!button) return node("i", { ...css, ...(block.href === undefined && panelCss(block)) }, own);
      return node("i", css, [node("i", { position: "static", ...button }, own)]);
    }),
  );
}
