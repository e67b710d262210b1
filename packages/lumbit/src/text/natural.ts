import {
  type Block,
  blockPadding,
  columnDefaults,
  isButton,
  isImage,
  isText,
  type Layer,
  type Length,
  listIndent,
  type Natural,
  type Page,
  resolveLength,
  type Scene,
  type Size,
  type Viewport,
} from "../core/index.ts";
import type { PageFont } from "./font.ts";
import { TextSizer } from "./text-size.ts";

/** What natural sizes depend on. */
export interface SizedPage {
  page: Page;
  /** Its picture files, by the paths that it names. */
  pictures: readonly (Size & { path: string })[];
  fonts: readonly PageFont[];
}

/** The natural sizes of a page's layers and contents, and which of the texts are only estimates. */
export function naturalSizes({ page, fonts, ...files }: SizedPage): { natural: Natural; texts: TextSizer } {
  const pictures = new Map(files.pictures.map((picture) => [picture.path, picture]));
  const texts = new TextSizer(page, fonts);
  const gapLength = page.page?.gap ?? columnDefaults.gap;
  const natural: Natural = {
    layer: onceFor((layer: Layer, availableWidth, viewport) => {
      if (isText(layer)) return texts.size(layer, availableWidth, viewport);
      const { width, height } = (isImage(layer) && pictures.get(layer.image)) || { width: 1, height: 1 };
      return { width, height };
    }),
    content: onceFor((scene: Scene, width, viewport) => {
      const px = (length: Length) => resolveLength(length, { viewport, percent: width });
      const around = 2 * px(scene.panel?.padding ?? 0);
      const inside = width - around;
      const height = (block: Block) => {
        const { padding: _, maxWidth, ...style } = block;
        const widest =
          maxWidth === undefined
            ? inside
            : Math.min(inside, resolveLength(maxWidth, { viewport, percent: inside }));
        const padding = px(blockPadding(block));
        const beside = (isButton(block) ? 4 : 2) * padding + (block.list ? px(listIndent) : 0);
        return (block.list ?? [block.text ?? ""])
          .map((text) => texts.size({ ...style, text }, widest - beside, viewport).height)
          .reduce((sum, height) => sum + height, 2 * padding);
      };
      const blocks = scene.content ?? [];
      const gap = resolveLength(gapLength, { viewport, percent: inside });
      return blocks
        .map(height)
        .reduce((sum, height) => sum + height, around + gap * Math.max(0, blocks.length - 1));
    }),
  };
  return { natural, texts };
}

/** Measures what is measured again and again, at every scroll position that a check looks at, only once. */
function onceFor<T extends object, Measure>(
  measure: (of: T, width: number, viewport: Viewport) => Measure,
): (of: T, width: number, viewport: Viewport) => Measure {
  const known = new WeakMap<T, Map<string, Measure>>();
  return (of, width, viewport) => {
    const sizes = known.get(of) ?? new Map<string, Measure>();
    known.set(of, sizes);
    const key = `${width} ${viewport.width} ${viewport.height}`;
    const size = sizes.get(key) ?? measure(of, width, viewport);
    sizes.set(key, size);
    return size;
  };
}
