import type { Finding } from "lumbit/checks";
import type { State } from "../state/state.ts";
import type { Composer } from "../state/store.ts";

/** How long nothing has changed before a page is judged, in ms, and on more screens: whoever is at work is not held up. */
const rest = { desk: 1000, usual: 3000 };

/** What a judgement depends on. */
const depends = ["page", "screens", "assets"] as const;
/** And when it may begin. */
const waitsFor = ["saving", "faults", "dragging"] as const;

/**
 * Has the page judged whenever it is at rest: on the screens of the desk first, then on the usual ones too. Gives what
 * ends it.
 */
export function keepJudging({ store, findings, judged }: Composer): () => void {
  if (!findings) return () => {};
  const { getState: get } = store;
  let waiting: ReturnType<typeof setTimeout> | undefined;
  let given = new AbortController();
  /** What has been judged whole. */
  let done: State | undefined;

  async function judge({ signal }: AbortController): Promise<void> {
    const state = get();
    const { text, screens } = state;
    const found = (findings: readonly Finding[], problem?: string) => {
      if (!signal.aborted) judged({ text, findings, ...(problem !== undefined && { problem }) });
    };
    try {
      found((await findings?.(screens, false, signal)) ?? []);
      await new Promise((later) => setTimeout(later, rest.usual - rest.desk));
      if (signal.aborted) return;
      found((await findings?.(screens, true, signal)) ?? []);
      done = state;
    } catch (error) {
      // That the command does not answer stands in the bar.
      if (!(error instanceof TypeError)) found([], (error as Error).message);
    }
  }

  function begin(): void {
    clearTimeout(waiting);
    given.abort();
    const state = get();
    const isDone = done !== undefined && depends.every((part) => state[part] === done?.[part]);
    if (isDone || state.saving !== "saved" || state.faults.length > 0 || state.dragging) return;
    given = new AbortController();
    waiting = setTimeout(judge, rest.desk, given);
  }

  begin();
  const forget = store.subscribe((now, before) => {
    if ([...depends, ...waitsFor].some((part) => now[part] !== before[part])) begin();
  });
  return () => {
    forget();
    clearTimeout(waiting);
    given.abort();
  };
}
