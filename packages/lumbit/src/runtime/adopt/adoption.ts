import { type Declarations, plainCss } from "../../markup/index.ts";
import { plainLayer, plainScene } from "../../settings/index.ts";
import { ElementStyles } from "../element-styles.ts";
import { isMarked, mark, unmark } from "../marks.ts";
import { adoptSheets } from "../sheet.ts";
import { viewOf } from "../view.ts";
import { type AttributeRule, attributesOf, read } from "./attributes.ts";
import type { Complaint } from "./complaints.ts";
import type { AdoptedParts } from "./more/adopted-parts.ts";
import type { More } from "./more/index.ts";
import { needsScript, zoomedBy } from "./obstacles.ts";
import { ownAttributes } from "./own-attributes.ts";
import { type AdoptedPane, measurePanes, readPane } from "./pane.ts";
import { type LayerStyle, layersIn, plainStyle, sceneStyle } from "./plain-style.ts";

export interface AdoptOptions {
  driver: "native" | "scripted";
  /** Throws where something is wrong, instead of telling and going on. */
  strict: boolean;
  /** What only some markup needs, where it is there. */
  more?: More | undefined;
  /** Called when this markup turns out to need it. */
  onMore(): void;
  /** Called when words of a split text have changed. */
  onText(): void;
}

/** A scene, a layer or another part that is to be taken, and what as: where that changes it is taken anew. */
export interface Taking {
  element: HTMLElement;
  role: string;
  /** Takes it, and gives what takes that back. */
  take(): () => void;
}

/** An element that gets a style from its attributes, under the rules that hold. */
interface Styled {
  element: HTMLElement;
  rules: readonly AttributeRule[];
  read(rules: readonly AttributeRule[]): LayerStyle;
}

/** The scenes of existing markup, for as long as they are mounted. What they are follows their attributes. */
export class Adoption {
  scenes: readonly HTMLElement[] = [];
  readonly styles: ElementStyles;
  readonly #element: HTMLElement;
  readonly #options: AdoptOptions;
  readonly #taken = new Map<HTMLElement, { role: string; undo: () => void }>();
  readonly #drivers = new Map<HTMLElement, "native" | "scripted">();
  /** What layers have of their own that goes on under what moves them. */
  readonly #own = new Map<HTMLElement, Declarations>();
  readonly #panes = new Map<HTMLElement, AdoptedPane>();
  #styled: readonly Styled[] = [];
  #more: { part: More; parts: AdoptedParts } | undefined;
  #complain = (_: Complaint): void => {
    this.#lacks = true;
  };
  /** Whether something was read that cannot be understood without more. */
  #lacks = false;
  #releaseStyle = () => {};
  #styledBy: More | "plain" | undefined;
  #isAsked = false;

  /**
   * Takes the scenes of an element's markup. Nothing is written before all is read.
   *
   * @throws AttributeError where it is strict and something is wrong; nothing is changed then
   */
  constructor(element: HTMLElement, options: AdoptOptions) {
    this.#element = element;
    this.#options = options;
    this.styles = new ElementStyles(element);
    if (options.more) this.goOn(options.more);
    else this.#read()?.();
  }

  /**
   * Goes on with what this markup turned out to need.
   *
   * @throws AttributeError where it is strict and something is wrong; nothing is changed then
   */
  goOn(more: More): void {
    this.#complain = more.complaints(this.#options.strict);
    this.#more = { part: more, parts: more.partsIn(this.#element, this.styles, this.#complain) };
    this.#read()?.();
  }

  /** How a scene is moved: by the script where something keeps the browser from it. */
  driverOf = (scene: HTMLElement): "native" | "scripted" => this.#drivers.get(scene) ?? "scripted";

  /** Reads the markup again and follows it: whether other elements than before are scenes, layers and the like. */
  update(): boolean {
    const before = [...this.#taken].map(([element, { role }]) => [element, role] as const);
    this.#read()?.();
    const after = [...this.#taken];
    return (
      before.length !== after.length ||
      before.some(
        ([element, role], index) => after[index]?.[0] !== element || after[index]?.[1].role !== role,
      )
    );
  }

  /** Brings the style of all elements up to date: other rules may hold than before. */
  restyle(): void {
    for (const { element, read, rules } of this.#styled) {
      const style = read(holding(rules, viewOf(element)));
      const pane = this.#panes.get(element);
      if (pane) (style.paned ? mark : unmark)(element, "paned");
      this.styles.set(element, "settings", style.declarations);
      this.#more?.parts.stylePieces(element, style.pieces?.style);
    }
    this.styles.write();
  }

  /** Once the style is up to date: lays scenes from edge to edge that are to be. */
  spread(): void {
    this.#more?.parts.spread(this.scenes);
  }

  /** Once it is known where scenes lie: measures what in them depends on that. */
  measure(): void {
    this.#more?.parts.measure(this.scenes);
    const panes = [...this.#panes.values()];
    const shown = panes.filter(({ picture }) => isMarked(picture, "paned"));
    for (const pane of panes) {
      if (shown.includes(pane)) continue;
      for (const part of ["pane", "cover"]) this.styles.set(pane.picture, part, {});
      if (!shown.some(({ box }) => box === pane.box)) this.styles.set(pane.box, "pane", {});
    }
    this.styles.write();
    measurePanes(shown, this.styles, () => this.restyle());
  }

  /** Elements whose size says something that the size of their scene may not. */
  measured = (): Element[] => [...this.#panes.keys(), ...(this.#more?.parts.measured() ?? [])];

  /** Takes back everything that was written. */
  release(): void {
    for (const { undo } of [...this.#taken.values()].reverse()) undo();
    this.#taken.clear();
    this.styles.release();
    this.#more?.parts.release();
    this.#releaseStyle();
  }

  #ask(): undefined {
    if (!this.#isAsked) this.#options.onMore();
    this.#isAsked = true;
  }

  /** Reads and judges the markup, and gives what takes it; nothing where that needs more than is there. */
  #read(): (() => void) | undefined {
    const { part: more, parts } = this.#more ?? {};
    const element = this.#element;
    this.#lacks = false;
    const complain = this.#complain;
    const rows = more?.rows ?? { scene: plainScene, layer: plainLayer };
    const alone = parts?.alone() ?? [];
    const found = [
      ...(element.matches("[data-lumbit-scene]") ? [element] : []),
      ...element.querySelectorAll<HTMLElement>("[data-lumbit-scene]"),
    ].filter((scene) => !scene.matches("[data-lumbit-is~=scene]"));
    const scenes = [...found, ...alone];
    if (scenes.length === 0) complain({ element, name: "data-lumbit-scene", wrong: "no scene" });
    const outside = element.querySelector("[data-lumbit-background-depth]:not([data-lumbit-scene] *)");
    if (!more && (this.#lacks || outside || scenes.some(saysMore))) return this.#ask();
    const layerNames = [...Object.keys(rows.layer), ...(more ? ["rules"] : [])];
    const takings: Taking[] = [];
    const styled: Styled[] = [];
    for (const scene of scenes) {
      const zoomed = zoomedBy(scene);
      if (zoomed) complain({ element: zoomed, name: "zoom", wrong: "zoomed" });
      const layers = layersIn(scene, layerNames);
      if (!this.#drivers.has(scene))
        this.#drivers.set(
          scene,
          this.#options.driver === "native" && !needsScript(scene, layers) ? "native" : "scripted",
        );
      const native = this.driverOf(scene) === "native";
      const sceneRules = more?.rulesOf(scene, complain) ?? [];
      const sceneSettings = (rules: readonly AttributeRule[] = []) =>
        attributesOf(scene, rows.scene, complain, rules) as never;
      const look = more?.lookOf(sceneSettings()) ?? {
        haze: read(attributesOf(scene, plainScene, complain), "haze"),
      };
      const isHeld = scene.dataset.lumbitHold !== undefined && this.#isHeldWell(scene);
      styled.push({
        element: scene,
        rules: sceneRules,
        read: (rules) => ({
          declarations: (more?.sceneStyle ?? sceneStyle)(sceneSettings(rules)),
          ...{ keyframes: [], paned: false },
        }),
      });
      takings.push({
        element: scene,
        role: `scene ${isHeld}`,
        take: () => this.#takeScene(scene, isHeld),
      });
      const pushed = more?.isPushed(scene) ?? false;
      for (const layer of layers) {
        const rules = more?.rulesOf(layer, complain) ?? [];
        const read = (holding: readonly AttributeRule[]) =>
          (more?.layerStyle ?? plainStyle)(attributesOf(layer, rows.layer, complain, holding) as never, {
            ...{ native, pushed, look },
            cropped: this.#panes.get(layer)?.cropped ?? false,
          });
        const states = statesOf(rules).map(read);
        const pieces = states.find(({ pieces }) => pieces)?.pieces;
        const paned = states.some(({ paned }) => paned);
        const settles = states[0]?.settles ?? [];
        // What is in a group that tilts, or in a slide, moves with it.
        const inGroup = layer.parentElement?.closest("[data-lumbit-tilt], [data-lumbit-reel]") !== null;
        styled.push({ element: layer, rules, read });
        const role = `layer ${inGroup} ${pieces?.kind} ${paned} ${settles}`;
        const isNew = this.#taken.get(layer)?.role !== role;
        const pane = isNew && paned ? readPane(layer) : undefined;
        // What moves is not where it stands by itself.
        const own = this.#own.get(layer) ?? this.#ownStyle(layer);
        takings.push({
          ...{ element: layer, role },
          take: () => {
            const marked = [inGroup ? "ramped" : "drifts", ...settles].map((name) => mark(layer, name));
            this.styles.set(layer, "own", own, true);
            this.#own.set(layer, own);
            const untake = pieces && parts?.takeText(layer, pieces, this.#options.onText);
            if (pane) this.#panes.set(layer, pane);
            return () => {
              untake?.();
              if (pane) this.styles.forget(pane.box);
              this.#panes.delete(layer);
              for (const unmark of marked) unmark();
              unmark(layer, "paned");
              this.styles.forget(layer);
              this.#own.delete(layer);
            };
          },
        });
      }
      takings.push(...(parts?.takings(scene, alone.includes(scene), native) ?? []));
    }
    if (this.#lacks) return this.#ask();
    return () => {
      this.#adoptStyle();
      const wanted = new Map(takings.map((one) => [one.element, one]));
      for (const [element, { role, undo }] of this.#taken)
        if (wanted.get(element)?.role !== role) {
          undo();
          this.#taken.delete(element);
        }
      const kept = new Map(this.#taken);
      this.#taken.clear();
      for (const { element, role, take } of wanted.values())
        this.#taken.set(element, kept.get(element) ?? { role, undo: take() });
      this.scenes = scenes;
      this.#styled = styled;
      parts?.writeKeyframes(
        styled.flatMap(({ read, rules }) => statesOf(rules).flatMap((own) => read(own).keyframes)),
      );
      this.restyle();
    };
  }
  /** Gives the document the style that this markup needs. */
  #adoptStyle(): void {
    const more = this.#more?.part;
    if (this.#styledBy === (more ?? "plain")) return;
    this.#styledBy = more ?? "plain";
    const before = this.#releaseStyle;
    this.#releaseStyle = more ? more.adoptStyle(this.#element) : adoptSheets(this.#element, plainCss);
    before();
  }

  /** What an element has of its own that goes on under what moves it. */
  #ownStyle(layer: HTMLElement): Declarations {
    const { display, translate } = getComputedStyle(layer);
    const [x, y = "0px"] = translate === "none" ? [] : translate.split(" ");
    const isInline =
      display === "inline" && !layer.matches("img, picture, video, canvas, svg, object, iframe");
    if (isInline && layer.getClientRects().length > 1)
      this.#complain({ element: layer, name: "display", wrong: "over lines" });
    return {
      display: isInline ? "inline-block" : undefined,
      "--lumbit-own-x": x,
      "--lumbit-own-y": x && y,
    };
  }

  #isHeldWell(scene: HTMLElement): boolean {
    const isSingle = scene.childElementCount === 1;
    if (!isSingle) this.#complain({ element: scene, name: "data-lumbit-hold", wrong: "not alone" });
    return isSingle;
  }

  #takeScene(scene: HTMLElement, isHeld: boolean): () => void {
    const undo = [mark(scene, "adopted")];
    // What becomes one by its background alone.
    if (scene.dataset.lumbitScene === undefined) {
      scene.dataset.lumbitScene = "";
      undo.push(() => scene.removeAttribute("data-lumbit-scene"));
    }
    const held = isHeld ? (scene.firstElementChild as HTMLElement) : undefined;
    if (held) {
      undo.push(mark(scene, "track"), mark(held, "adopted-held"));
      // Whatever the page's own style makes of the box; without a hold it comes to the same as staying in place.
      this.styles.set(held, "held", { position: "sticky !important", top: "0px !important" });
    }
    return () => {
      for (const step of undo) step();
      if (held) this.styles.forget(held);
      this.styles.forget(scene);
      scene.removeAttribute("data-lumbit-driver");
      this.#drivers.delete(scene);
    };
  }
}

/** Those rules whose media queries hold in a window. */
const holding = (rules: readonly AttributeRule[], view: Window): AttributeRule[] =>
  rules.filter(({ media }) => view.matchMedia(media).matches);

/** The rules that hold in each state of an element: none, and each by itself. */
const statesOf = (rules: readonly AttributeRule[]): AttributeRule[][] => [[], ...rules.map((rule) => [rule])];

/** Whether a scene's markup says anything that needs more than a depth. */
const saysMore = (scene: HTMLElement): boolean =>
  [scene, ...scene.querySelectorAll("*")].some(
    (element) =>
      element.hasAttribute("data-lumbit-rules") ||
      ownAttributes(element).some((name) => !(name in (element === scene ? plainScene : plainLayer))),
  );
