import { applyPatches, type Patch } from "immer";
import type { LayerName, Page } from "lumbit/core";
import { type Fault, formatFault, type SharedFile } from "lumbit/document";
import { createStore } from "zustand/vanilla";
import { keepScreens, keptScreens, type Screen } from "../desk/screens.ts";
import { become } from "../edit/apply.ts";
import { rewritten } from "../edit/changes.ts";
import { type Edit, edited } from "../edit/edit.ts";
import { namesIn, sceneOf, withoutInner } from "../edit/find.ts";
import { type Merged, merged } from "../edit/merge.ts";
import { redone, replaced, undone } from "../edit/text.ts";
import type { Judged } from "../findings/judged.ts";
import { keepSteps, keptSteps, type StepName, stepOf } from "../hints/hints.ts";
import type { Home, Kept } from "../home/home.ts";
import { firstMoment, type Moment, type Stands } from "../stage/messages.ts";
import { createAdding } from "./adding.ts";
import { withAssets } from "./assets.ts";
import { type History, keepHistory, keptHistory, noHistory, type Step } from "./history.ts";
import { createReader } from "./reader.ts";
import type { State } from "./state.ts";
import { createTelling } from "./telling.ts";

export type Composer = ReturnType<typeof createComposer>;

/** After which time what could not be written is tried again, in ms. */
const triedAgain = 4000;

/** How long a stage is waited for that has to tell how it stands, in ms: one that does not answer holds nobody up for ever. */
const stagePatience = 10_000;

/** How long after a key an intention ends, in ms. */
const keysRest = 600;

/**
 * The state of a composer, and everything that can be done to it. What changes the page is told to `onPatches`, so that
 * stages follow by what changed and not by the page.
 */
export function createComposer(home: Home, kept: Kept) {
  const before = keptHistory(kept.name, kept.text);
  const { text, history } = before;
  const reader = createReader(home, kept);
  reader.learn(kept.shared);
  const { page, faults } = reader.read(text);
  const empty: Page = { format: "lumbit/1", title: "", lang: "en", scenes: [] };
  const first = firstMoment(page ?? empty);
  const store = createStore<State>()(() => ({
    ...{
      name: kept.name,
      page: page ?? empty,
      assets: kept.assets,
      blobs: kept.blobs ?? {},
      text,
      faults,
      typed: [],
      missing: kept.missing ?? [],
      ...(kept.notes && kept.notes.length > 0 && { notice: kept.notes.join(" ") }),
      // What was done here could not be written, and another program has written something else since.
      ...(![before.written, text].includes(kept.text) && { other: kept }),
    },
    ...{
      history,
      saving: "saved",
      scene: first.scene,
      selected: [],
      dragging: false,
    },
    ...{ moment: first, screens: keptScreens(), done: keptSteps() },
    // A page that cannot be read is mended in its text.
    beside: faults.length > 0 ? "text" : "caption",
  }));
  const { getState: get, setState: set } = store;
  const { tell, changes, glimpse, listen } = createTelling();

  let version = kept.version;
  /** What was last written, or is there: what differs from it is unsaved. */
  let written = before.written;
  let writing = false;
  let again: ReturnType<typeof setTimeout> | undefined;
  async function save(): Promise<void> {
    if (writing) return;
    writing = true;
    while (get().text !== written && !get().other) {
      const { text } = get();
      set({ saving: "saving" });
      try {
        const saved = await home.save(text, version);
        if ("other" in saved) {
          // It may have been told of, and be in the text, since it was written.
          if (saved.other.version !== version) bothChanged(saved.other);
        } else {
          version = saved.version;
          written = text;
        }
      } catch (error) {
        writing = false;
        const unreachable = error instanceof TypeError;
        set({ saving: unreachable ? "unreachable" : { problem: (error as Error).message } });
        // A disk may have room again; that a server is back is told by the server.
        clearTimeout(again);
        if (!unreachable) again = setTimeout(save, triedAgain);
        return;
      }
    }
    writing = false;
    set({ saving: get().other ? { problem: "another program has changed the file" } : "saved" });
  }

  /** What a drag began from: its steps are one intention. */
  let base: Page | undefined;
  /** What another program wrote while a hand is on something: it waits until the hand lets go. */
  let meanwhile: Kept | undefined;
  const takeMeanwhile = (): void => {
    const waits = meanwhile;
    meanwhile = undefined;
    if (waits) api.changedOutside(waits);
  };

  /** Shows an edit on the stages. */
  function show(edit: Edit): void {
    base ??= get().page;
    const { page, patches } = edited(get().page, edit);
    set({ page, dragging: true });
    tell(patches);
  }

  /** Makes a page and its text those of a step, and saves. */
  function take(page: Page, text: string, history: History): void {
    set({ page, text, history, faults: [], typed: [], ...still(page) });
    keepHistory(get().name, { text, written, history });
    void save();
  }

  /** A step that goes on while the same key is pressed again. */
  let going: { name: string; edit: Edit; end: ReturnType<typeof setTimeout> } | undefined;

  const api = {
    store,
    onPatches: listen,
    changes,
    /** Makes an edit that is one intention with those of the same name right before it: keys that are pressed again and again. */
    goOn(name: string, edit: Edit): void {
      if (going?.name !== name) api.rest();
      clearTimeout(going?.end);
      going = { name, edit, end: setTimeout(api.rest, keysRest) };
      show(edit);
    },
    /** Shows another page on the stages until something is done, or nothing of it any more. */
    glimpse: (other?: Page) => glimpse(get().page, other),
    /** Ends what goes on. */
    rest(): void {
      const ended = going;
      going = undefined;
      if (!ended) return;
      clearTimeout(ended.end);
      api.edit(ended.name, ended.edit);
    },
    /** Shows an edit on the stages while a hand is still on it. Each says all that has changed since the hand came. */
    drag(edit: Edit): void {
      api.rest();
      show(edit);
    },
    /** Puts everything back to where it was when a hand came. */
    letGo(): void {
      going = undefined;
      if (!base) return;
      tell([{ op: "replace", path: [], value: base }]);
      set({ page: base, dragging: false });
      base = undefined;
      takeMeanwhile();
    },
    /** Makes an edit, what was dragged before included: one step that can be taken back. */
    edit(name: string, edit: Edit): void {
      api.rest();
      const from = base ?? get().page;
      base = undefined;
      set({ dragging: false });
      const { page, patches, inverse } = edited(from, edit);
      const shown = edited(get().page, edit);
      const before = get().text;
      const [unread] = get().typed;
      const [fault] = get().faults;
      const text =
        patches.length === 0 || fault || unread ? before : rewritten(before, page, reader.sharedBy(before));
      const wrong =
        patches.length > 0 && unread
          ? `the text beside is not right yet, and what is typed there would be lost; mend it first: ${formatFault(unread)}`
          : fault
            ? formatFault(fault)
            : reader.wrongWith(text, page);
      if (wrong !== undefined) {
        // Not taken: what was shown meanwhile goes back.
        tell([{ op: "replace", path: [], value: from }]);
        set({ page: from, saving: { problem: wrong } });
        takeMeanwhile();
        return;
      }
      tell(shown.patches);
      if (patches.length === 0) {
        set({ page });
        takeMeanwhile();
        return;
      }
      const step: Step = { name, patches, inverse, text: replaced(before, text) };
      const first = stepOf(name);
      if (first) api.did(first);
      take(page, text, { past: [...get().history.past, step], future: [] });
      takeMeanwhile();
    },
    /** Takes a text of the page file that was typed; of one that is not right only what is wrong with it. */
    async write(text: string, name = "text"): Promise<void> {
      api.rest();
      await reader.know(text);
      const before = get();
      if (text === before.text) {
        // What was typed and not right is taken back.
        set({ typed: [] });
        void save();
        return;
      }
      const { page, faults } = reader.read(text);
      if (!page) {
        set({ typed: faults });
        return;
      }
      const { page: next, patches, inverse } = edited(before.page, become(page));
      tell(patches);
      const step: Step = { name, patches, inverse, text: replaced(before.text, text) };
      take(next, text, { past: [...before.history.past, step], future: [] });
    },
    /** What a text of the page file says, as far as it is known what it shares. */
    read: (text: string) => reader.read(text),
    /** What is wrong with a text of the page file, once it is known what it shares with others. */
    async faultsIn(text: string): Promise<readonly Fault[]> {
      await reader.know(text);
      return reader.read(text).faults;
    },
    /** The file that the page shares with others. */
    shared: (): SharedFile | undefined => reader.sharedBy(get().text),
    /** What keeps a page from being what an edit makes of it, in words; nothing where it can be. */
    faultOf(edit: Edit): string | undefined {
      const { page } = edited(base ?? get().page, edit);
      return reader.read(JSON.stringify(page)).faults[0]?.message;
    },
    undo(): void {
      api.rest();
      const { history, text } = get();
      const step = history.past.at(-1);
      if (!step) return;
      const before = undone(text, step.text);
      take(led(step.inverse, before), before, {
        past: history.past.slice(0, -1),
        future: [...history.future, step],
      });
    },
    redo(): void {
      api.rest();
      const { history, text } = get();
      const step = history.future.at(-1);
      if (!step) return;
      const after = redone(text, step.text);
      take(led(step.patches, after), after, {
        past: [...history.past, step],
        future: history.future.slice(0, -1),
      });
    },
    /** Takes what another program wrote; where there is something unsaved here, both are kept to choose from. */
    changedOutside(other: Kept): void {
      if (reader.learn(other.shared)) readAnew();
      // Back where it was: what could not be written meanwhile can be, and pictures that it names again are known.
      if (other.version === version || other.text === get().text) {
        // What was just written here is told of too, at times before it is known that it was.
        version = other.version;
        written = other.text;
        const assets = withAssets(get().assets, other.assets);
        set({ missing: other.missing ?? [], ...(assets !== get().assets && { assets }) });
        void save();
      } else if (base) meanwhile = other;
      else if (get().text !== written) bothChanged(other);
      else takeOver(other);
    },
    /**
     * This version and another program's as one, theirs at the places that are chosen; nothing where one of them, or what
     * was there before both, is no page.
     */
    bothVersions(chosen: ReadonlySet<string>): Merged | undefined {
      const { other, page, faults } = get();
      const [base, theirs] = [written, other?.text ?? ""].map((text) => reader.read(text).page);
      return base && theirs && faults.length === 0 ? merged(base, page, theirs, chosen) : undefined;
    },
    /** Ends a choice between two versions: one of them, or what has come of both. */
    choose(which: "mine" | "theirs" | Page): void {
      const { other } = get();
      if (!other) return;
      set({ other: undefined });
      version = other.version;
      written = other.text;
      if (which === "mine") return void save();
      takeOver(other);
      if (which !== "theirs") api.edit("two versions as one", become(which));
    },
    /** What is kept cannot be read any more, or nobody answers: why, in words. */
    lost: (problem: string): void => set({ saving: { problem } }),
    reached(reached: boolean): void {
      if (!reached) set({ saving: "unreachable" });
      else if (get().text !== written) void save();
      else set({ saving: "saved" });
    },
    /** Selects layers of a scene; what is in a group that is selected too goes with it. */
    select: (layers: readonly string[], scene: string = get().scene) =>
      set({ scene, selected: withoutInner(get().page, scene, layers) }),
    /** Has the words of a text be written where they are on the large stage; with nothing it is ended. */
    writeWords: (layer: string | undefined) => set({ writing: layer }),
    goTo: (moment: Moment) =>
      set((state) => ({
        moment,
        ...(state.scene !== moment.scene && { scene: moment.scene, selected: [] }),
      })),
    /** Says what stands beside the stages. */
    beside: (beside: State["beside"]) => set({ beside }),
    /** What is wrong with the page, where it can be judged. */
    ...(home.findings && { findings: home.findings }),
    /** Takes note of what was found wrong. */
    judged: (judged: Judged) => set({ judged }),
    /** Says how the page stands on the large stage. */
    stands: (stands: Stands) => set({ stands }),
    /** How the page stands on the large stage once what was changed has come there. */
    standsNow(): Promise<Stands | undefined> {
      const wanted = changes();
      const isThere = () => (get().stands?.changes ?? wanted) >= wanted;
      if (isThere()) return Promise.resolve(get().stands);
      return new Promise((done) => {
        const end = () => {
          forget();
          clearTimeout(late);
          done(get().stands);
        };
        const forget = store.subscribe(() => isThere() && end());
        const late = setTimeout(end, stagePatience);
      });
    },
    /** What is selected, by whole names. */
    selection: (): LayerName[] => get().selected.map((layer) => ({ scene: get().scene, layer })),
    /** Shows other screens, and does so the next time. */
    show(screens: readonly Screen[]): void {
      set({ screens });
      keepScreens(screens);
    },
    ...createAdding(home, store, {
      edit: (name, edit): void => api.edit(name, edit),
      goTo: (moment): void => void api.goTo(moment),
    }),
    /** One of the first steps is done, and told no more. */
    did(step: StepName): void {
      const { done } = get();
      if (done.includes(step)) return;
      set({ done: [...done, step] });
      keepSteps(get().done);
    },
    /** Says something to the person, or nothing any more. */
    say: (notice: string | undefined) => set({ notice }),
  };
  // What could not be written the last time is.
  if (text !== kept.text) void save();
  return api;

  /** Both versions as one, where neither has changed what the other has; else both are there to choose from. */
  function bothChanged(other: Kept): void {
    set({ other });
    const both = api.bothVersions(new Set());
    if (both?.pieces.length !== 0 || api.faultOf(become(both.page))) return;
    api.choose(both.page);
    set({ notice: "Another program has changed the file too: what both have done is in it." });
  }

  /** The page anew, where what it shares with others has changed and its own text has not. */
  function readAnew(): void {
    const { page, faults } = reader.read(get().text);
    set({ faults, ...(page && { page, ...still(page) }) });
    if (page) tell([{ op: "replace", path: [], value: page }]);
  }

  /** The page of a text that a step led to: what it shares with others may have changed since. */
  function led(patches: readonly Patch[], text: string): Page {
    const page = applyPatches(get().page, patches as Patch[]);
    const comes = reader.sharedBy(text) ? reader.read(text).page : undefined;
    tell(comes ? [{ op: "replace", path: [], value: comes }] : patches);
    return comes ?? page;
  }

  /** The scene and the layers that one is at, as far as a page has them. */
  function still(page: Page): Pick<State, "scene" | "selected"> {
    const { scene, selected } = get();
    const own = sceneOf(page, scene) ?? page.scenes[0];
    if (own?.name !== scene) return { scene: own?.name ?? "", selected: [] };
    const names = namesIn(page, scene);
    const left = selected.filter((name) => names.includes(name));
    return { scene, selected: left.length === selected.length ? selected : left };
  }

  function takeOver(other: Kept): void {
    reader.learn(other.shared);
    const { page, faults } = reader.read(other.text);
    const before = get();
    version = other.version;
    written = other.text;
    if (!page) {
      set({ text: other.text, faults, history: noHistory, beside: "text", saving: "saved" });
      return;
    }
    const { page: next, patches, inverse } = edited(before.page, become(page));
    const step: Step = {
      name: "changed by another program",
      patches,
      inverse,
      text: replaced(before.text, other.text),
    };
    const history = { past: [...before.history.past, step], future: [] };
    set({
      page: next,
      text: other.text,
      assets: other.assets,
      faults: [],
      history,
      ...still(next),
      saving: "saved",
    });
    keepHistory(before.name, { text: other.text, written: other.text, history });
    tell(patches);
  }
}
