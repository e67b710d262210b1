import {
  type Block,
  type Box,
  intersection,
  isText,
  plainText,
  poseAt,
  type TextStyle,
} from "../../core/index.ts";
import { behind, type Ground, groundsAt, layersBehind, type Moment, painted } from "../behind.ts";
import { type BlockView, blocksOf } from "../blocks.ts";
import type { Check } from "../check.ts";
import { parseColor } from "../color.ts";
import type { Sighting } from "../finding.ts";
import { headerWords } from "../header.ts";
import { contrasts, legible, legibleBlock, legibleHeader, type Mend, spared, type Told } from "../legible.ts";
import { fontSizeOf } from "../letters.ts";
import type { Pixel } from "../picture.ts";
import { readMoments } from "../read-moments.ts";
import { about, isBehindContent, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "contrast",
  severity: "error",
  why: "Text with less contrast than WCAG 2.2 asks for cannot be read by many (success criterion 1.4.3).",
  scope: "scene",
  judge,
};

/** What is over within so much scroll, as a share of the viewport, is only passing. */
const passing = 0.1;
/** Where on the screen one reads, as shares of its height. */
const whereRead = [0.12, 0.88] as const;
/** How many scroll positions content is looked at, for each screen that it passes. */
const steps = 16;

/** A text, and what is seen behind its letters where it is read. */
interface Read extends Omit<Told, "behind"> {
  about: Pick<Sighting, "scene" | "layer" | "path">;
  /** Its first words, where no name tells which it is. */
  words?: string;
  seen: { scroll: number; behind: readonly Pixel[]; opacity: number }[];
  mend(told: Told): Mend;
}

/** Texts that cannot be told from what passes behind them. */
function judge(scene: SceneView, view: View): Sighting[] {
  return [...layerTexts(scene, view), ...blockTexts(scene, view), ...headerTexts(scene, view)].flatMap(
    ({ about, words, color, needed, blend, seen, mend }): Sighting[] => {
      const bad = seen.flatMap(({ scroll, behind, opacity }) => {
        const ratios = contrasts({ ...color, alpha: color.alpha * opacity }, behind, blend);
        const ratio = ratios[Math.floor(ratios.length * spared)] ?? 21;
        return ratio < needed - 0.05 ? [{ scroll, ratio, behind }] : [];
      });
      const worst = bad.toSorted((a, b) => a.ratio - b.ratio)[0];
      const span = (bad.at(-1)?.scroll ?? 0) - (bad[0]?.scroll ?? 0);
      if (!worst || (bad.length < seen.length && span < passing * view.viewport.height)) return [];
      return [
        {
          ...about,
          from: Math.min(...bad.map(({ scroll }) => scroll)),
          to: Math.max(...bad.map(({ scroll }) => scroll)),
          amount: needed - worst.ratio,
          measured: `contrast ${worst.ratio.toFixed(1)}${words ? ` of "${words}"` : ""} at scroll ${Math.round(worst.scroll)}, ${needed} is needed`,
          ...mend({ color, behind: seen.flatMap(({ behind }) => behind), needed, blend }),
        },
      ];
    },
  );
}

function layerTexts(scene: SceneView, view: View): Read[] {
  return scene.layers.flatMap((own): Read[] => {
    const { layer, layout } = own;
    if (!isText(layer) || layout.hidden || layer.outline) return [];
    const color = colorOf(layer, scene, view);
    if (!color) return [];
    const others = scene.layers.filter((other) => other === own || other.paint < own.paint);
    const seen = readMoments(own, view)
      .filter(({ pose }) => isWhereRead(pose, view))
      .map((moment) => {
        const grounds = [
          ...layersBehind(moment.pose, moment, others, view),
          ...groundsAt(moment, scene, view),
        ];
        return { scroll: moment.scroll, behind: behind(moment.pose, grounds), opacity: moment.pose.opacity };
      });
    return [
      {
        ...{ about: about(scene, own), color, blend: layer.blend, seen },
        needed: neededFor(layer, fontSizeOf(layer, own, view)),
        mend: (told) => legible(told, own, layer, scene),
      },
    ];
  });
}

/** The blocks of content in the flow: what lies on the surface or nearer passes before them. */
function blockTexts(scene: SceneView, view: View): Read[] {
  const farther = scene.layers.filter((own) => isBehindContent(own));
  const moments = scene.scene.content ? scrolled(scene, view) : [];
  const screen = view.viewport.height;
  const [from, to] = whereRead;
  return blocksOf(scene, view).flatMap((own): Read[] => {
    const { block, index, size } = own;
    const color = block.outline ? undefined : colorOf(block, scene, view);
    if (!color) return [];
    const seen = moments.flatMap((moment) => {
      const all = onScreen(own.letters, moment.scene);
      const page = { left: all.left, width: all.width, top: from * screen, height: (to - from) * screen };
      // All of it, or as much as fits.
      const letters = intersection(all, page);
      if (letters.height < 0.99 * Math.min(all.height, page.height)) return [];
      const grounds = [
        ...panelsAt(own, scene, moment),
        ...layersBehind(letters, moment, farther, view),
        ...groundsAt(moment, scene, view),
      ];
      return [{ scroll: moment.scroll, behind: behind(letters, grounds), opacity: 1 }];
    });
    const path = `${scene.path}/content/${index}`;
    return [
      {
        ...{ about: { scene: scene.scene.name, path }, words: firstWords(block), color, seen },
        needed: neededFor(block, size),
        mend: (told) => legibleBlock(told, block, path, scene),
      },
    ];
  });
}

/** The words of the header, where the scene passes behind them. */
function headerTexts(scene: SceneView, view: View): Read[] {
  const { header } = view.page.page ?? {};
  const color = header && colorOf(header, undefined, view);
  if (!header || !color) return [];
  const blocks = blocksOf(scene, view);
  const [farther, nearer] = [true, false].map((behind) =>
    scene.layers.filter((own) => isBehindContent(own) === behind),
  );
  const moments = scrolled(scene, view);
  return headerWords(header, view).map(({ words, box, size, bar }) => {
    const { top, height } = box;
    const over = moments.filter(({ scene }) => scene.top <= top && scene.top + scene.height >= top + height);
    const seen = over.map((moment) => {
      const grounds = [
        ...painted(header.background, bar),
        ...layersBehind(box, moment, nearer ?? [], view),
        ...blocks.flatMap((own) => panelsAt(own, scene, moment)),
        ...layersBehind(box, moment, farther ?? [], view),
        ...groundsAt(moment, scene, view),
      ];
      return { scroll: moment.scroll, behind: behind(box, grounds), opacity: 1 };
    });
    const path = "/page/header";
    return {
      ...{ about: { path }, words, color, seen, needed: neededFor(header, size) },
      mend: (told) => legibleHeader(told, header, path),
    };
  });
}

const firstWords = ({ text, list: [entry = ""] = [] }: Block): string => {
  const [first = "", ...more] = plainText(text ?? entry).match(/\S+/g) ?? [];
  return [first, ...more.slice(0, 3)].join(" ") + (more.length > 3 ? " …" : "");
};

const onScreen = (box: Box, scene: Box): Box => ({
  ...box,
  left: box.left + scene.left,
  top: box.top + scene.top,
});

/** The panels that a block stands on: its own, and that of its content. */
function panelsAt({ block, box, panel }: BlockView, { scene }: SceneView, moment: Moment): Ground[] {
  return [
    { of: block, at: box },
    { of: scene.panel ?? {}, at: panel },
  ].flatMap(({ of, at }) =>
    painted(of.background ?? (of.blurBehind && "transparent"), onScreen(at, moment.scene)).map((ground) => ({
      ...ground,
      blurred: Number.parseFloat(of.blurBehind ?? "0px"),
    })),
  );
}

/** Where a scene is over all of its scroll. */
function scrolled({ layout, from, to }: SceneView, { layout: page, viewport }: View): Moment[] {
  const bare = { ...page, scenes: [{ ...layout, layers: [] }] };
  const count = Math.max(2, Math.ceil((steps * (to - from)) / viewport.height));
  return Array.from({ length: count + 1 }, (_, index) => {
    const scroll = from + ((to - from) * index) / count;
    const { top = 0, height = 0 } = poseAt(bare, scroll).scenes[0] ?? {};
    return { scroll, scene: { left: layout.left, top, width: layout.width, height } };
  });
}

const isWhereRead = ({ top, height }: Box, { viewport }: View): boolean => {
  const middle = (top + height / 2) / viewport.height;
  return middle > whereRead[0] && middle < whereRead[1];
};

/** WCAG 2.2: 3 for large letters (24 px, or 18.66 px and bold), 4.5 for others. */
const neededFor = ({ fontWeight = 400 }: TextStyle, size: number): number =>
  size >= 24 || (size >= 18.66 && fontWeight >= 700) ? 3 : 4.5;

const colorOf = ({ color }: TextStyle, own: SceneView | undefined, { page }: View) =>
  parseColor(color ?? own?.scene.color ?? page.page?.color ?? "#000");
