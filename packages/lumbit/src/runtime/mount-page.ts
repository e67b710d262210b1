import {
  directionalityOf,
  type FontFace,
  layoutPage,
  noLook,
  type Page,
  type PageLayout,
} from "../core/index.ts";
import {
  type Assets,
  backdropElement,
  fileAt,
  headerElement,
  headerRules,
  modelCss,
  resetCss,
  sceneElement,
} from "../markup/index.ts";
import { MeasuredEms } from "./ems.ts";
import { driverFor, enliven, type Mounted, type Staged } from "./enliven.ts";
import { followScene, isAlike } from "./followed-scene.ts";
import { KeptSheets, type KeptStyle } from "./kept-sheets.ts";
import { measureLines } from "./lines.ts";
import { liveElement } from "./live.ts";
import { layerIn, measuredIn } from "./measured.ts";
import { movingModel } from "./model-sheets.ts";
import { restartable } from "./restartable.ts";
import { lookStyle, SceneStyles } from "./scene-styles.ts";
import { adoptSheet, adoptSheets } from "./sheet.ts";
import { spreadFull } from "./spread.ts";
import { standing } from "./standing.ts";
import { inlineStyles } from "./style-writer.ts";
import { viewOf } from "./view.ts";

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
  const releases = [adoptSheet(body, resetCss), adoptSheets(body, ...(still ? [modelCss] : movingModel))];
  const sheets = new KeptSheets(document, still);
  const sceneStyles = new SceneStyles();
  const fonts = new Map<FontFace, globalThis.FontFace>();
  let shown: Shown = { page: { ...page, scenes: [] }, assets };
  body.append(main);

  const ems = new MeasuredEms();
  const restyle = () =>
    ems.write(
      () => sheets.replace(stylesOf(shown, ems.widths, sceneStyles)),
      shown.page.scenes,
      shown.page.page ?? noLook,
      ({ name }, text) => layerIn(main, name, text.name),
    );
  const others = standing(main);
  // Fitted texts are as wide as their letters: fonts that arrive change them.
  const arrived = () => {
    ems.forget();
    others.release();
    restyle();
  };
  // Of what moves the layout is watched anyway.
  if (still) document.fonts.addEventListener("loadingdone", arrived);
  const staged = (): Staged => ({
    scenes: still ? [] : scenesIn(main),
    backdrop: still ? undefined : (main.querySelector("[data-lumbit-is~=backdrop]") ?? undefined),
    driverOf: () => driver,
    styles: inlineStyles,
    restyle() {
      arrived();
      spreadFull(scenesIn(main), inlineStyles);
    },
    measure: () => scenesIn(main).forEach(measureLines),
  });
  let header: HTMLElement | undefined;
  const showHeader = ({ page }: Page, before: Page) => {
    if (header && page?.header === before.page?.header) return;
    header?.remove();
    const plain = headerElement(page ?? noLook);
    header = plain && liveElement(plain, document);
    if (header) main.before(header);
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
    showHeader(next.page, before.page);
    return rebuilt(main, before, next, driver);
  };
  show({ page, assets });
  const live = restartable(() => enliven(staged(), { smoothing: 0 }));
  return {
    ...live,
    driver,
    pause() {
      others.release();
      live.pause();
    },
    update(page, assets = shown.assets) {
      if (show({ page, assets })) {
        others.release();
        sheets.settle();
        live.restart();
      } else {
        const change = restyle();
        if (change === "rules") others.release();
        else others.besides(change);
        live.follow(change);
      }
    },
    layout() {
      const { innerWidth: width, innerHeight: height } = viewOf(document.documentElement);
      return layoutPage(shown.page, { width, height }, measuredIn(main, shown.assets));
    },
    dispose() {
      live.dispose();
      others.dispose();
      document.fonts.removeEventListener("loadingdone", arrived);
      main.remove();
      header?.remove();
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

const scenesIn = (main: HTMLElement) => [...main.querySelectorAll<HTMLElement>("[data-lumbit-scene]")];

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
    const kept =
      !anew &&
      known &&
      element &&
      followScene(element, { scene: known, look: before.page.page ?? noLook }, { scene, look }, assets);
    if (kept === "changed") changed = true;
    children.push(kept ? element : build(sceneElement(scene, look, false, assets)));
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
  (isAlike(now.markup, before.markup) &&
    Object.entries(before.pictures).every(([path, picture]) => isAlike(picture, now.pictures[path])));

/** Every style of a page by what it is of; what comes from the same objects as before is not written again. */
function stylesOf(
  { page, assets }: Shown,
  ems: MeasuredEms["widths"],
  sceneStyles: SceneStyles,
): KeptStyle[] {
  const look = page.page ?? noLook;
  return [
    lookStyle(look, "body"),
    { key: " header", from: [look], keyframes: () => [], rules: () => headerRules(look) },
    ...page.scenes.flatMap((scene) => sceneStyles.of(scene, look, { assets, ems })),
  ];
}

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
    // Of the document's own window: a frame does not load the fonts of another one.
    const font = new (viewOf(document.documentElement).FontFace)(
      family,
      `url("${encodeURI(fileAt(assets.fonts, src) ?? src)}")`,
      {
        ...(weight !== undefined && { weight: String(weight) }),
        ...(style !== undefined && { style }),
      },
    );
    document.fonts.add(font);
    shown.set(face, font);
  }
}
