export {
  type Assets,
  blendCss,
  blurBehindCss,
  buttonCss,
  type DrawnSizes,
  type FontStack,
  type Picture,
  type PictureSource,
  panelCss,
} from "../markup/index.ts";
export { pageCss } from "./css.ts";
export { type DrawnWidths, drawnWidths } from "./drawn-widths.ts";
export { sceneCss, sceneHtml } from "./fragment.ts";
export { type HtmlOptions, pageHtml } from "./html.ts";
export { type LayerPath, layerCss, layerHtml, layerPlaceCss } from "./layer.ts";
export { loaderScript } from "./loader.ts";
export { apart, neededWidths } from "./needed-widths.ts";
