import type { Beginning, Home, Kept, Saved } from "./home.ts";

/** The folder of a page file on this machine, through the server that `lumbit compose` starts. */
export function folderHome(token: string): Home {
  const ask = (path: string, method: string, body?: BodyInit): Promise<Response> =>
    fetch(`api/${path}`, {
      method,
      headers: { authorization: `Bearer ${token}` },
      ...(body !== undefined && { body }),
    });
  const answer = async <T>(response: Response): Promise<T> => {
    if (response.status === 401)
      throw new Error("lumbit compose was started anew; open the address that it prints, where this goes on");
    if (!response.ok) throw new Error(await response.text());
    return response.json();
  };
  const open = async () => answer<Kept | Beginning>(await ask("page", "GET"));
  return {
    open,
    begin: async (how) => answer(await ask("begin", "POST", JSON.stringify(how))),
    async save(text, version): Promise<Saved> {
      const response = await ask("page", "PUT", JSON.stringify({ text, version }));
      return response.status === 409 ? { other: await response.json() } : answer<Saved>(response);
    },
    async add(file) {
      return answer(await ask(`files?name=${encodeURIComponent(file.name)}`, "POST", file));
    },
    watch(changed, reached) {
      const events = new EventSource(`api/events?token=${token}`);
      events.onopen = () => reached(true);
      events.onerror = () => reached(false);
      // A page that cannot be read just now is told of when it is saved.
      events.onmessage = () =>
        void open().then(
          (kept) => "text" in kept && changed(kept),
          () => {},
        );
      return () => events.close();
    },
  };
}
