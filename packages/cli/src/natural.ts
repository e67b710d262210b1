import { isImage, type Natural } from "lumbit/core";
import type { Project } from "./project.ts";
import { TextSizer } from "./text-size.ts";

/** The natural sizes of a project's layers, and which of them are only estimates. */
export function naturalSizes(project: Project): { natural: Natural; texts: TextSizer } {
  const pictures = new Map(project.pictures.map((picture) => [picture.path, picture]));
  const texts = new TextSizer(project.page, project.fonts);
  const natural: Natural = (layer, availableWidth, viewport) => {
    if (!isImage(layer)) return texts.size(layer, availableWidth, viewport);
    const { width, height } = pictures.get(layer.image) ?? { width: 1, height: 1 };
    return { width, height };
  };
  return { natural, texts };
}
