import type { Beginning, Home, Kept, Saved } from "./home.ts";

/** After which time who refused is asked again, in ms. */
const triedAgain = 5000;

/** The folder of a page file on this machine, through the server that `lumbit compose` starts. */
export function folderHome(token: string): Home {
  const ask = (path: string, method: string, body?: BodyInit, signal?: AbortSignal): Promise<Response> =>
    fetch(`api/${path}`, {
      method,
      ...(signal && { signal }),
      headers: { authorization: `Bearer ${token}` },
      ...(body !== undefined && { body }),
    });
  const answer = async <T>(response: Response): Promise<T> => {
    if (response.status === 401)
      throw new Error(
        "lumbit compose was started anew: open the address that it printed; this goes on there, with what was not saved",
      );
    if (!response.ok) throw new Error(await response.text());
    return response.json();
  };
  /** The saving that is under way, and how many have been: what is read beside one may be older than it. */
  let saving: Promise<unknown> | undefined;
  let saves = 0;
  const save = async (text: string, version: string): Promise<Saved> => {
    const response = await ask("page", "PUT", JSON.stringify({ text, version }));
    return response.status === 409 ? { other: await response.json() } : answer<Saved>(response);
  };
  /** The page as it is when nothing is being saved. */
  const openAtRest = async () => {
    for (;;) {
      await saving?.catch(() => {});
      // Whoever saved takes note of it first.
      await new Promise((done) => setTimeout(done));
      if (saving) continue;
      const before = saves;
      const opened = await open();
      if (saves === before && !saving) return opened;
    }
  };
  const open = async () => answer<Kept | Beginning>(await ask("page", "GET"));
  return {
    open,
    begin: async (how) =>
      answer(
        how.kind === "drawing"
          ? await ask(`drawing?name=${encodeURIComponent(how.file.name)}`, "POST", how.file)
          : await ask("begin", "POST", JSON.stringify(how)),
      ),
    save(text, version) {
      saves++;
      const own = save(text, version).finally(() => {
        if (saving === own) saving = undefined;
      });
      saving = own;
      return own;
    },
    async add(file) {
      return answer(await ask(`files?name=${encodeURIComponent(file.name)}`, "POST", file));
    },
    async addDrawing(file) {
      return answer(await ask(`drawing?name=${encodeURIComponent(file.name)}`, "POST", file));
    },
    async shared(name) {
      const response = await ask(`shared?name=${encodeURIComponent(name)}`, "GET");
      return response.status === 404 ? undefined : answer(response);
    },
    async findings(screens, usual, signal) {
      return answer(await ask("findings", "POST", JSON.stringify({ screens, usual }), signal));
    },
    watch(changed, reached, lost) {
      let again: ReturnType<typeof setTimeout> | undefined;
      const look = () =>
        openAtRest().then(
          (kept) => "text" in kept && changed(kept),
          (error: Error) => (error instanceof TypeError ? reached(false) : lost(error.message)),
        );
      let events: EventSource;
      const listen = () => {
        events = new EventSource(`api/events?token=${token}`);
        events.onopen = () => reached(true);
        events.onerror = () => {
          reached(false);
          // Refused, and not only out of reach, a browser does not try again: who answers says why.
          if (events.readyState !== EventSource.CLOSED) return;
          void look();
          again = setTimeout(listen, triedAgain);
        };
        events.onmessage = () => void look();
      };
      listen();
      return () => {
        clearTimeout(again);
        events.close();
      };
    },
  };
}
