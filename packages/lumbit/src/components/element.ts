import { type ImageLayer, isGroup, isImage, type Layer, type Page, type Scene } from "../core/index.ts";
import { buildAtOnce } from "../runtime/build.ts";
import { type MountedScene, mountScene } from "../runtime/mount-scene.ts";
import { pageAt } from "./page-at.ts";

/**
 * `<lumbit-scene src="page.json" scene="low-water">`: a scene of a page file, in any page. Without `scene` it is the first.
 * Pictures and fonts are found from where the page file is. Tells `mounted` when it is there, and `error` with what is
 * wrong.
 */
export class LumbitScene extends (globalThis.HTMLElement ?? Object) {
  static readonly observedAttributes = ["src", "scene", "driver"];

  #live: MountedScene | undefined;
  /** What is being loaded; what comes for anything else is too late. */
  #loading = 0;

  /** What moves the scene, once it is there. */
  get mounted(): MountedScene | undefined {
    return this.#live;
  }

  connectedCallback(): void {
    this.style.display ||= "block";
    void this.#load();
  }

  attributeChangedCallback(_: string, before: string | null, after: string | null): void {
    if (this.isConnected && before !== after) void this.#load();
  }

  disconnectedCallback(): void {
    this.#loading++;
    this.#live?.dispose();
    this.#live = undefined;
  }

  async #load(): Promise<void> {
    const loading = ++this.#loading;
    const src = this.getAttribute("src");
    if (src === null) return;
    const wanted = this.getAttribute("scene");
    const driver = this.getAttribute("driver");
    try {
      const url = new URL(src, this.baseURI);
      const page = await pageAt(url, src);
      if (loading !== this.#loading) return;
      const scene = page.scenes?.find(({ name }) => wanted === null || name === wanted);
      if (!scene)
        throw new Error(
          wanted === null
            ? `${src} is no page file: it has no scenes`
            : `${src} has no scene "${wanted}"; it has ${page.scenes?.map(({ name }) => name).join(", ")}`,
        );
      await Promise.all((page.fonts ?? []).map((font) => loadedFont(font, url)));
      if (loading !== this.#loading) return;
      const { backdrop: _, ...look } = page.page ?? {};
      this.#live?.dispose();
      this.#live = mountScene(
        this,
        {
          scene: located(scene, url),
          page: look,
          ...(isDriver(driver) && { driver }),
        },
        buildAtOnce,
      );
      this.dispatchEvent(new CustomEvent("mounted", { detail: this.#live }));
    } catch (error) {
      if (loading !== this.#loading) return;
      console.error(`<lumbit-scene>: ${(error as Error).message}`);
      this.dispatchEvent(new ErrorEvent("error", { error, message: (error as Error).message }));
    }
  }
}

const isDriver = (name: string | null) => name === "native" || name === "scripted" || name === "auto";

/** A scene whose pictures are found from any page. */
function located(scene: Scene, base: URL): Scene {
  const at = (path: string) => new URL(path, base).href;
  const picture = <T extends Partial<Pick<ImageLayer, "image" | "variants" | "video">>>(own: T): T => ({
    ...own,
    ...(own.video !== undefined && { video: at(own.video) }),
    ...(own.image !== undefined && { image: at(own.image) }),
    ...(own.variants && {
      variants: Object.fromEntries(
        Object.entries(own.variants).map(([density, path]) => [density, at(path)]),
      ),
    }),
  });
  const layer = (own: Layer): Layer =>
    isGroup(own)
      ? ({ ...own, layers: own.layers.map((inner) => layer(inner as Layer)) } as Layer)
      : isImage(own)
        ? ({ ...picture(own), rules: own.rules?.map(picture) } as Layer)
        : own;
  return { ...scene, layers: scene.layers.map(layer) };
}

/** A font of the page, in the document; one that cannot be loaded is left out, as in a style sheet. */
async function loadedFont(
  { family, src, weight, style }: NonNullable<Page["fonts"]>[number],
  base: URL,
): Promise<void> {
  if ([...document.fonts].some((font) => font.family === family)) return;
  const font = new FontFace(family, `url("${new URL(src, base).href}")`, {
    ...(weight !== undefined && { weight }),
    ...(style !== undefined && { style }),
  });
  document.fonts.add(font);
  await font.load().catch(() => {});
}

if (globalThis.customElements && !customElements.get("lumbit-scene"))
  customElements.define("lumbit-scene", LumbitScene as unknown as CustomElementConstructor);
