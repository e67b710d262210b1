import { adoptCss, type Declarations, motionConditions } from "../../markup/index.ts";
import { layerAttributes, partAttributes, sceneAttributes } from "../../settings/index.ts";
import { ElementStyles } from "../element-styles.ts";
import { isMarked, mark, unmark } from "../marks.ts";
import { adoptModel } from "../model-sheet.ts";
import { adoptSheet } from "../sheet.ts";
import { inlineStyles } from "../style-writer.ts";
import { viewOf } from "../view.ts";
import { AttributeError } from "./attribute-error.ts";
import { type AttributeRule, attributesOf, holding, rulesOf } from "./attribute-rules.ts";
import { isCue, readValue } from "./attribute-value.ts";
import { type LayerStyle, layerStyle, layersIn, sceneLook, sceneStyle } from "./attributes.ts";
import { type AdoptedBackground, adoptBackground, measureBackgrounds, readBackground } from "./background.ts";
import { type Complain, complaints } from "./complaints.ts";
import { needsScript, zoomedBy } from "./obstacles.ts";
import { type AdoptedPane, measurePanes, readPane } from "./pane.ts";
import { adoptReel, reelsIn } from "./reel.ts";
import { type AdoptedText, adoptText } from "./text.ts";
import { unknownAttributes } from "./unknown.ts";

export interface AdoptOptions {
  driver: "native" | "scripted";
  /** Throws where something is wrong, instead of telling and going on. */
  strict: boolean;
  /** Called when words of a split text have changed. */
  onText(): void;
}

/** A scene or layer that was taken, and what it was taken as: where that changes it is taken anew. */
interface Taken {
  role: string;
  undo: () => void;
}

/** An element that gets a style from its attributes, under the rules that hold. */
interface Styled {
  element: HTMLElement;
  rules: readonly AttributeRule[];
  read(rules: readonly AttributeRule[]): LayerStyle;
}

/** The scenes of existing markup, for as long as they are mounted. What they are follows their attributes. */
export class Adoption {
  scenes: HTMLElement[] = [];
  readonly styles: ElementStyles;
  readonly #element: HTMLElement;
  readonly #options: AdoptOptions;
  readonly #complain: Complain;
  readonly #taken = new Map<HTMLElement, Taken>();
  readonly #drivers = new Map<HTMLElement, "native" | "scripted">();
  readonly #texts = new Map<HTMLElement, AdoptedText>();
  /** What layers have of their own that goes on under what moves them. */
  readonly #own = new Map<HTMLElement, Declarations>();
  readonly #panes = new Map<HTMLElement, AdoptedPane>();
  readonly #backgrounds = new Map<HTMLElement, AdoptedBackground>();
  #styled: readonly Styled[] = [];
  readonly #releases: (() => void)[];
  #keyframes = { text: "", release: () => {} };

  /**
   * Takes the scenes of an element's markup. Nothing is written before all is read.
   *
   * @throws AttributeError where it is strict and something is wrong; nothing is changed then
   */
  constructor(element: HTMLElement, options: AdoptOptions) {
    this.#element = element;
    this.#options = options;
    this.#complain = complaints(options.strict);
    this.styles = new ElementStyles(element);
    const write = this.#read();
    this.#releases = [adoptModel(element), adoptSheet(element, adoptCss)];
    write();
  }

  /** How a scene is moved: by the script where something keeps the browser from it. */
  driverOf = (scene: HTMLElement): "native" | "scripted" => this.#drivers.get(scene) ?? "scripted";

  /** Reads the markup again and follows it: whether other elements than before are scenes, layers and the like. */
  update(): boolean {
    const before = [...this.#taken].map(([element, { role }]) => [element, role] as const);
    this.#read()();
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
      if (pane && style.paned) mark(element, "paned");
      else if (pane) unmark(element, "paned");
      this.styles.set(element, "settings", style.declarations);
      for (const piece of this.#texts.get(element)?.pieces() ?? [])
        inlineStyles.set(piece, "settings", style.pieces?.style ?? {});
    }
    this.styles.write();
  }

  /** Once it is known where scenes lie: measures what in them depends on that. */
  measure(): void {
    measureBackgrounds([...this.#backgrounds.values()], this.styles);
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
  measured = (): Element[] => [...this.#panes.keys(), ...this.#backgrounds.keys()];

  /** Takes back everything that was written. */
  release(): void {
    for (const { undo } of [...this.#taken.values()].reverse()) undo();
    this.#taken.clear();
    this.styles.release();
    this.#keyframes.release();
    for (const release of this.#releases) release();
  }

  /** Reads and judges the markup, and gives what takes it. */
  #read(): () => void {
    const element = this.#element;
    const complain = this.#complain;
    const alone = [
      ...(element.matches("[data-lumbit-background-depth]") ? [element] : []),
      ...element.querySelectorAll<HTMLElement>("[data-lumbit-background-depth]"),
    ].filter((one) => !one.closest("[data-lumbit-scene]"));
    const found = [
      ...(element.matches("[data-lumbit-scene]") ? [element] : []),
      ...element.querySelectorAll<HTMLElement>("[data-lumbit-scene]"),
    ].filter((scene) => !scene.matches("[data-lumbit-is~=scene]"));
    const scenes = [...found, ...alone];
    if (scenes.length === 0)
      complain(
        new AttributeError(
          element,
          "data-lumbit-scene",
          "there is no scene in it; give one to each section whose parts have a depth",
        ),
      );
    const taking: { element: HTMLElement; role: string; take: () => () => void }[] = [];
    const styled: Styled[] = [];
    for (const scene of scenes) {
      const zoomed = zoomedBy(scene);
      if (zoomed)
        complain(
          new AttributeError(
            zoomed,
            "zoom",
            "in this browser scenes in what is zoomed do not move as they should; give it a transform, or other sizes, instead",
          ),
        );
      const layers = layersIn(scene);
      if (!this.#drivers.has(scene))
        this.#drivers.set(
          scene,
          this.#options.driver === "native" && !needsScript(scene, layers) ? "native" : "scripted",
        );
      const native = this.driverOf(scene) === "native";
      const sceneRules = rulesOf(scene, complain);
      const look = sceneLook(attributesOf(scene, [], complain));
      const isHeld = scene.dataset.lumbitHold !== undefined && this.#isHeldWell(scene);
      styled.push({
        element: scene,
        rules: sceneRules,
        read: (rules) => ({ declarations: sceneStyle(attributesOf(scene, rules, complain)), keyframes: [] }),
      });
      taking.push({
        element: scene,
        role: `scene ${isHeld}`,
        take: () => this.#takeScene(scene, isHeld, alone.includes(scene)),
      });
      for (const layer of layers) {
        const rules = rulesOf(layer, complain);
        const read = (holding: readonly AttributeRule[]) =>
          layerStyle(attributesOf(layer, holding, complain), {
            ...{ native, look },
            cropped: this.#panes.get(layer)?.cropped ?? false,
          });
        const states = [[], ...rules.map((rule) => [rule])].map(read);
        const kind = states.find(({ pieces }) => pieces)?.pieces?.kind;
        const paned = states.some(({ paned }) => paned);
        const settles = states[0]?.settles ?? [];
        // What is in a group that tilts, or in a slide, moves with it.
        const inGroup = layer.parentElement?.closest("[data-lumbit-tilt], [data-lumbit-reel]") !== null;
        styled.push({ element: layer, rules, read });
        const role = `layer ${inGroup} ${kind} ${paned} ${settles}`;
        const isNew = this.#taken.get(layer)?.role !== role;
        const pane = isNew && paned ? readPane(layer) : undefined;
        // What moves is not where it stands by itself.
        const own = this.#own.get(layer) ?? this.#ownStyle(layer);
        taking.push({
          ...{ element: layer, role },
          take: () => {
            const marked = [inGroup ? "ramped" : "drifts", ...settles].map((name) => mark(layer, name));
            this.styles.set(layer, "own", own, true);
            this.#own.set(layer, own);
            if (kind) this.#texts.set(layer, adoptText(layer, kind, this.#options.onText));
            if (pane) this.#panes.set(layer, pane);
            return () => {
              this.#texts.get(layer)?.restore();
              this.#texts.delete(layer);
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
      for (const background of [
        scene,
        ...scene.querySelectorAll<HTMLElement>("[data-lumbit-background-depth]"),
      ]) {
        if (background.closest("[data-lumbit-scene]") !== (alone.includes(scene) ? null : scene)) continue;
        const attributes = attributesOf(background, [], complain);
        const depth = readValue(attributes, "background-depth", partAttributes["background-depth"].grammar);
        if (depth === undefined) continue;
        const isNew = !this.#backgrounds.has(background);
        const adopted = isNew ? readBackground(background) : undefined;
        taking.push({
          // Elements may be layers or scenes besides.
          ...{ element: this.#backgrounds.get(background)?.pane ?? adopted?.pane ?? background },
          role: `background ${depth}`,
          take: () => {
            const own = adopted ?? (this.#backgrounds.get(background) as AdoptedBackground);
            this.#backgrounds.set(background, own);
            const undo = adoptBackground(own, depth, this.styles);
            return () => {
              this.#backgrounds.delete(background);
              undo();
            };
          },
        });
      }
      for (const reel of reelsIn(scene, complain))
        taking.push({
          element: reel.element,
          role: `reel ${JSON.stringify(reel.settings)} ${reel.slides.length}`,
          take: () => adoptReel(reel, native, this.styles),
        });
      for (const cued of scene.querySelectorAll<HTMLElement>("[data-lumbit-cue]"))
        isCue(attributesOf(cued, [], complain));
      for (const error of unknownAttributes(scene)) complain(error);
    }
    return () => {
      const wanted = new Map(taking.map((one) => [one.element, one]));
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
      this.#writeKeyframes();
      this.restyle();
    };
  }

  /** What an element has of its own that goes on under what moves it. */
  #ownStyle(layer: HTMLElement): Declarations {
    const { display, translate } = getComputedStyle(layer);
    const [x, y = "0px"] = translate === "none" ? [] : translate.split(" ");
    const isInline =
      display === "inline" && !layer.matches("img, picture, video, canvas, svg, object, iframe");
    if (isInline && layer.getClientRects().length > 1)
      this.#complain(
        new AttributeError(
          layer,
          "display",
          "what is in a line of text and runs over several lines cannot move as one; make it an inline-block, or a block",
        ),
      );
    return {
      display: isInline ? "inline-block" : undefined,
      "--lumbit-own-x": x,
      "--lumbit-own-y": x && y,
    };
  }

  #isHeldWell(scene: HTMLElement): boolean {
    const isSingle = scene.childElementCount === 1;
    if (!isSingle)
      this.#complain(
        new AttributeError(
          scene,
          "data-lumbit-hold",
          "a scene that holds has a single element in it, the box that stays on the screen",
        ),
      );
    return isSingle;
  }

  #takeScene(scene: HTMLElement, isHeld: boolean, isAlone: boolean): () => void {
    const undo = [mark(scene, "adopted")];
    if (isAlone) {
      scene.setAttribute("data-lumbit-scene", "");
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

  #writeKeyframes(): void {
    const states = this.#styled.flatMap(({ read, rules }) =>
      [[], ...rules.map((rule) => [rule])].flatMap((own) => read(own).keyframes),
    );
    const text =
      states.length > 0 ? `@media ${motionConditions.media} {${[...new Set(states)].join("\n")}}` : "";
    if (text === this.#keyframes.text) return;
    const before = this.#keyframes.release;
    this.#keyframes = { text, release: text ? adoptSheet(this.#element, text) : () => {} };
    before();
  }
}

/** Every attribute that says something of a scene, a layer or another part. */
export const settingAttributes = [
  ...new Set([
    ...["scene", "rules"],
    ...[sceneAttributes, layerAttributes, partAttributes].flatMap((table) => Object.keys(table)),
  ]),
].map((name) => `data-lumbit-${name}`);
