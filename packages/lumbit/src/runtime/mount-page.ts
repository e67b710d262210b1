import {
  type AnyLayer,
  directionalityOf,
  type FontFace,
  isFitted,
  isText,
  layoutPage,
  orderOf,
  type Page,
  type PageLayout,
  type PageLook,
  type Scene,
  type TextLayer,
} from "../core/index.ts";
import {
  type Assets,
  backdropElement,
  layerContext,
  layerElement,
  layerKeyframes,
  layerRules,
  ownSceneRules,
  pageRules,
  resetCss,
  type StyleRule,
  sceneElement,
  stageLayers,
} from "../markup/index.ts";
import { emsOf } from "./ems.ts";
import { driverFor, enliven, type Mounted } from "./enliven.ts";
import { KeptOrders } from "./kept-orders.ts";
import { KeptSheets, type KeptStyle } from "./kept-sheets.ts";
import { liveElement } from "./live.ts";
import { layerIn, measuredIn } from "./measured.ts";
import { adoptModel } from "./model-sheet.ts";
import { adoptSheet } from "./sheet.ts";

/** A page that stands in a document and can be changed. */
export interface MountedPage extends Mounted {
  /**
   * Makes the page another one. What is the same object as before stays as it is, with its elements and styles; so a
   * change of one layer costs what that layer costs.
   */
  update(page: Page, assets?: Assets): void;
  /** Lays the page out as it stands in its document: with texts and contents as they came out there. */
  layout(): PageLayout;
}

export interface MountPageOptions {
  /** The best that the browser has without it. */
  driver?: "auto" | "native" | "scripted";
  /** Shows the page as readers have it who want less motion, and as it is printed. */
  still?: boolean;
}

/**
 * Builds a whole page in a document of its own, with the markup, the style rules and the drivers of a built site.
 * Names and addresses are those of the page file; `assets` says where its files are.
 */
export function mountPage(
  document: Document,
  page: Page,
  assets: Assets,
  { driver: wanted, still = false }: MountPageOptions = {},
): MountedPage {
  const driver = driverFor(wanted);
  const { body } = document;
  const main = document.createElement("main");
  const releases = [adoptSheet(body, resetCss), adoptModel(body, still)];
  const sheets = new KeptSheets(document, still);
  const orders = new KeptOrders();
  const fonts = new Map<FontFace, globalThis.FontFace>();
  let shown: Shown = { page: { ...page, scenes: [] }, assets };
  let live: Mounted | undefined;
  body.append(main);

  const withEms = (scene: Scene, assets: Assets): Assets => ({
    ems: (text: TextLayer) => emsOf(layerIn(main, scene.name, text.name)),
    ...assets,
  });
  // Fitted texts are as wide as their letters: fonts that arrive change them.
  let letters = 0;
  const restyle = () => sheets.replace(stylesOf(shown, letters, orders, withEms));
  const arrived = () => {
    letters++;
    restyle();
  };
  document.fonts.addEventListener("loadingdone", arrived);
  const enlivened = () => {
    live?.dispose();
    const scenes = still ? [] : [...main.querySelectorAll<HTMLElement>("[data-lumbit-scene]")];
    live = enliven(scenes, { driver, smoothing: 0, restyle });
  };
  const show = (next: Shown) => {
    const before = shown;
    shown = next;
    const { title, lang } = next.page;
    if (document.title !== title) document.title = title;
    // An engine styles all of a document anew when its language is set, to the same one too.
    if (document.documentElement.lang !== lang) {
      document.documentElement.lang = lang;
      document.documentElement.dir = directionalityOf(lang);
    }
    showFonts(document, fonts, next);
    if (rebuilt(main, before, next, driver) || !live) {
      sheets.settle();
      enlivened();
    } else restyle();
  };
  show({ page, assets });

  const current = () => live as Mounted;
  return {
    driver,
    on: (type, listener) => current().on(type, listener),
    jump: (scene) => current().jump(scene),
    refresh: () => current().refresh(),
    pause: () => current().pause(),
    resume: () => current().resume(),
    update: (page, assets = shown.assets) => show({ page, assets }),
    layout() {
      const { innerWidth: width, innerHeight: height } = document.defaultView ?? window;
      return layoutPage(shown.page, { width, height }, measuredIn(main, shown.assets));
    },
    dispose() {
      current().dispose();
      document.fonts.removeEventListener("loadingdone", arrived);
      main.remove();
      sheets.release();
      for (const font of fonts.values()) document.fonts.delete(font);
      for (const release of releases) release();
    },
  };
}

/** A page, and where its files are. */
interface Shown {
  page: Page;
  assets: Assets;
}

/** Brings the elements of a page up to date: whether any had to be built. */
function rebuilt(main: HTMLElement, before: Shown, { page, assets }: Shown, driver: string): boolean {
  const look = page.page ?? noLook;
  const anew = !hasAll(assets, before.assets);
  const elements = new Map(
    [...main.children].map((element) => [element.getAttribute("data-lumbit-scene") ?? "", element]),
  );
  let changed = false;
  const build = (element: Parameters<typeof liveElement>[0]) => {
    changed = true;
    return liveElement(element, main.ownerDocument);
  };
  const backdrop = backdropElement(page, assets);
  const same = !anew && before.page.page?.backdrop === page.page?.backdrop;
  const first = elements.get("");
  const children: Element[] = backdrop ? [same && first ? first : build(backdrop)] : [];
  for (const image of children) image.firstElementChild?.setAttribute("data-lumbit-backdrop", driver);
  for (const scene of page.scenes) {
    const known = before.page.scenes.find(({ name }) => name === scene.name);
    const element = elements.get(scene.name);
    const kept = !anew && known && element && isStagedAlike(known, before.page.page ?? noLook, scene, look);
    if (!kept) children.push(build(sceneElement(scene, look, false, assets)));
    else {
      children.push(element);
      const { fixed } = stageLayers(scene, look);
      for (const [index, layer] of scene.layers.entries()) {
        const other = known.layers[index];
        if (!other || other === layer) continue;
        const still = fixed.includes(layer);
        const plain = layerElement(layer, still, false, assets);
        if (isAlike(plain, layerElement(other, still, false, assets))) continue;
        elementOf(element, other)?.replaceWith(build(plain));
      }
    }
  }
  if (
    children.length !== main.children.length ||
    children.some((child, index) => child !== main.children[index])
  ) {
    changed = true;
    main.replaceChildren(...children);
  }
  return changed;
}

/** Whether pictures are where they were: more of them may have come. */
const hasAll = (now: Assets, before: Assets): boolean =>
  now === before ||
  Object.entries(before.pictures).every(([path, picture]) => isAlike(picture, now.pictures[path]));

/** The outermost element of a layer of a scene: its pane, or the picture with its sources. */
function elementOf(scene: Element, { name }: AnyLayer): Element | null {
  const [own] = ["pane", "layer"].flatMap((part) => [
    ...scene.querySelectorAll(`[data-lumbit-${part}="${CSS.escape(name)}"]`),
  ]);
  return own?.parentElement instanceof HTMLPictureElement ? own.parentElement : (own ?? null);
}

/** Whether two states of a scene have their layers in the same places of the same elements. */
function isStagedAlike(before: Scene, lookBefore: PageLook, after: Scene, lookAfter: PageLook): boolean {
  if (before === after && lookBefore === lookAfter) return true;
  const frame = ({ layers: _, ...scene }: Scene, look: PageLook, own: Scene) => {
    const { fixed, back, front } = stageLayers(own, look);
    const names = [fixed, back, front].map((layers) => layers.map(({ name }) => name));
    const { content, hold, rules } = scene;
    return [names, content, hold === undefined, rules?.map((rule) => "hold" in rule)];
  };
  return isAlike(frame(before, lookBefore, before), frame(after, lookAfter, after));
}

/** The look of a page that says nothing of it: always the same object, so that nothing seems to have changed. */
const noLook: PageLook = {};

const isAlike = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Every style of a page by what it is of; what comes from the same objects as before is not written again. */
function stylesOf(
  { page, assets }: Shown,
  letters: number,
  orders: KeptOrders,
  withEms: (scene: Scene, assets: Assets) => Assets,
): KeptStyle[] {
  const look = page.page ?? noLook;
  const none = () => [];
  return [
    { key: "", from: [look], keyframes: none, rules: () => pageRules(look) },
    ...page.scenes.flatMap((scene): KeptStyle[] => {
      const { layers: _, ...own } = scene;
      const context = layerContext(scene, look, withEms(scene, assets));
      const around = [look, assets, context.pushed, scene.name];
      const kept = orders.of(scene);
      return [
        {
          key: scene.name,
          from: Object.entries(own).flat(),
          keyframes: none,
          rules: () => ownSceneRules(scene),
        },
        ...scene.layers.map((layer, index) => ({
          key: `${scene.name} ${layer.name}`,
          from: [
            ...[layer, ...around, context.fixed.includes(layer), kept[index]],
            isText(layer) && isFitted(layer) && letters,
          ],
          keyframes: () => layerKeyframes(layer),
          rules: () => layerRules(layer, context).map((rule) => ordered(rule, layer, kept[index])),
        })),
      ];
    }),
  ];
}

/** A rule of a layer with the order that it keeps. */
const ordered = (rule: StyleRule, layer: AnyLayer, order: number | undefined): StyleRule =>
  !rule.media && rule.declarations["z-index"] === orderOf(layer)
    ? { ...rule, declarations: { ...rule.declarations, "z-index": order } }
    : rule;

function showFonts(
  document: Document,
  shown: Map<FontFace, globalThis.FontFace>,
  { page, assets }: Shown,
): void {
  const faces = page.fonts ?? [];
  for (const [face, font] of shown)
    if (!faces.includes(face)) {
      document.fonts.delete(font);
      shown.delete(face);
    }
  for (const face of faces) {
    if (shown.has(face)) continue;
    const { family, src, weight, style } = face;
    const font = new FontFace(family, `url("${encodeURI(assets.fonts[src] ?? src)}")`, {
      ...(weight !== undefined && { weight: String(weight) }),
      ...(style !== undefined && { style }),
    });
    document.fonts.add(font);
    shown.set(face, font);
  }
}
