import { applyPatches, type Patch } from "immer";
import type { Assets } from "lumbit";
import type { Page } from "lumbit/core";
import { type Fault, formatFault, patchText, readPage } from "lumbit/document";
import { createStore } from "zustand/vanilla";
import { changesOf, type Edit, edited } from "../edit/edit.ts";
import type { LayerName } from "../edit/set-depth.ts";
import { redone, replaced, undone } from "../edit/text.ts";
import type { Home, Kept } from "../home/home.ts";
import type { Moment } from "../stage/messages.ts";
import { type History, keepHistory, keptHistory, noHistory, type Step } from "./history.ts";

/** How a page is on its way to where it is kept. */
export type Saving = "saved" | "saving" | "unreachable" | { problem: string };

export interface State {
  name: string;
  /** The page on the stages: the last one without faults. */
  page: Page;
  assets: Assets;
  /** The page file. */
  text: string;
  faults: readonly Fault[];
  history: History;
  saving: Saving;
  /** Whether a hand is on something: what is shown is not in the text yet. */
  dragging: boolean;
  /** Another program's version, where it and this one have both changed. */
  other?: Kept | undefined;
  scene: string;
  layer?: string | undefined;
  moment: Moment;
}

export type Composer = ReturnType<typeof createComposer>;

/**
 * The state of a composer, and everything that can be done to it. What changes the page is told to `onPatches`, so that
 * stages follow by what changed and not by the page.
 */
export function createComposer(home: Home, kept: Kept) {
  const { page, faults } = readPage(kept.text, kept.name);
  const empty: Page = { format: "lumbit/1", title: "", lang: "en", scenes: [] };
  const first = page?.scenes[0]?.name ?? "";
  const store = createStore<State>()(() => ({
    ...{ name: kept.name, page: page ?? empty, assets: kept.assets, text: kept.text, faults },
    ...{ history: keptHistory(kept.name, kept.text), saving: "saved", scene: first, dragging: false },
    moment: { scene: first, share: 0.5 },
  }));
  const { getState: get, setState: set } = store;
  const listeners = new Set<(patches: readonly Patch[]) => void>();
  const tell = (patches: readonly Patch[]) => listeners.forEach((listener) => void listener(patches));

  let version = kept.version;
  /** What was last written, or is there: what differs from it is unsaved. */
  let written = kept.text;
  let writing = false;
  async function save(): Promise<void> {
    if (writing) return;
    writing = true;
    while (get().text !== written && !get().other) {
      const { text } = get();
      set({ saving: "saving" });
      try {
        const saved = await home.save(text, version);
        if ("other" in saved) set({ other: saved.other });
        else {
          version = saved.version;
          written = text;
        }
      } catch (error) {
        writing = false;
        const unreachable = error instanceof TypeError;
        set({ saving: unreachable ? "unreachable" : { problem: (error as Error).message } });
        return;
      }
    }
    writing = false;
    set({ saving: "saved" });
  }

  /** What a drag began from: its steps are one intention. */
  let base: Page | undefined;

  /** Makes a page and its text those of a step, and saves. */
  function take(page: Page, text: string, history: History): void {
    set({ page, text, history, faults: [] });
    keepHistory(get().name, text, history);
    void save();
  }

  return {
    store,
    onPatches(listener: (patches: readonly Patch[]) => void): () => void {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    /** Shows an edit on the stages while a hand is still on it. */
    drag(edit: Edit): void {
      base ??= get().page;
      const { page, patches } = edited(get().page, edit);
      set({ page, dragging: true });
      tell(patches);
    },
    /** Makes an edit, what was dragged before included: one step that can be taken back. */
    edit(name: string, edit: Edit): void {
      const from = base ?? get().page;
      base = undefined;
      set({ dragging: false });
      const { page, patches, inverse } = edited(from, edit);
      const shown = edited(get().page, edit);
      const before = get().text;
      const [fault] = get().faults;
      const text = patches.length === 0 || fault ? before : patchText(before, changesOf(patches));
      const [wrong] = fault ? [fault] : readPage(text, get().name).faults;
      if (wrong) {
        // Not taken: what was shown meanwhile goes back.
        tell([{ op: "replace", path: [], value: from }]);
        set({ page: from, saving: { problem: formatFault(wrong) } });
        return;
      }
      tell(shown.patches);
      if (patches.length === 0) {
        set({ page });
        return;
      }
      const step: Step = { name, patches, inverse, text: replaced(before, text) };
      take(page, text, { past: [...get().history.past, step], future: [] });
    },
    undo(): void {
      const { history, page, text } = get();
      const step = history.past.at(-1);
      if (!step) return;
      tell(step.inverse);
      take(applyPatches(page, step.inverse), undone(text, step.text), {
        past: history.past.slice(0, -1),
        future: [...history.future, step],
      });
    },
    redo(): void {
      const { history, page, text } = get();
      const step = history.future.at(-1);
      if (!step) return;
      tell(step.patches);
      take(applyPatches(page, step.patches), redone(text, step.text), {
        past: [...history.past, step],
        future: history.future.slice(0, -1),
      });
    },
    /** Takes what another program wrote; where there is something unsaved here, both are kept to choose from. */
    changedOutside(other: Kept): void {
      // Back where it was: what could not be written meanwhile can be.
      if (other.version === version) void save();
      else if (get().text !== written) set({ other });
      else takeOver(other);
    },
    /** Ends a choice between two versions. */
    choose(which: "mine" | "theirs"): void {
      const { other } = get();
      if (!other) return;
      set({ other: undefined });
      version = other.version;
      written = other.text;
      if (which === "theirs") takeOver(other);
      else void save();
    },
    reached(reached: boolean): void {
      if (!reached) set({ saving: "unreachable" });
      else if (get().text !== written) void save();
      else set({ saving: "saved" });
    },
    select: (name: LayerName | undefined) =>
      set(name ? { scene: name.scene, layer: name.layer } : { layer: undefined }),
    goTo: (moment: Moment) =>
      set((state) => ({
        moment,
        ...(state.scene !== moment.scene && { scene: moment.scene, layer: undefined }),
      })),
  };

  function takeOver(other: Kept): void {
    const { page, faults } = readPage(other.text, other.name);
    const before = get();
    version = other.version;
    written = other.text;
    if (!page) {
      set({ text: other.text, faults, history: noHistory });
      return;
    }
    const patches: Patch[] = [{ op: "replace", path: [], value: page }];
    const inverse: Patch[] = [{ op: "replace", path: [], value: before.page }];
    const step: Step = {
      name: "changed by another program",
      patches,
      inverse,
      text: replaced(before.text, other.text),
    };
    const history = { past: [...before.history.past, step], future: [] };
    const scene = page.scenes.some(({ name }) => name === before.scene)
      ? before.scene
      : (page.scenes[0]?.name ?? "");
    set({ page, text: other.text, assets: other.assets, faults: [], history, scene, saving: "saved" });
    keepHistory(before.name, other.text, history);
    tell(patches);
  }
}
