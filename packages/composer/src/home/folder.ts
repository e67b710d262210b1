import type { Home, Kept, Saved } from "./home.ts";

/** The folder of a page file on this machine, through the server that `lumbit compose` starts. */
export function folderHome(token: string): Home {
  const ask = async (method: "GET" | "PUT", body?: unknown): Promise<Response> =>
    fetch("api/page", {
      method,
      headers: {
        authorization: `Bearer ${token}`,
        ...(body !== undefined && { "content-type": "application/json" }),
      },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const open = async (): Promise<Kept> => {
    const response = await ask("GET");
    if (!response.ok) throw new Error(await response.text());
    return response.json();
  };
  return {
    open,
    async save(text, version): Promise<Saved> {
      const response = await ask("PUT", { text, version });
      if (response.status === 409) return { other: await response.json() };
      if (!response.ok) throw new Error(await response.text());
      return response.json();
    },
    watch(changed, reached) {
      const events = new EventSource(`api/events?token=${token}`);
      events.onopen = () => reached(true);
      events.onerror = () => reached(false);
      // A page that cannot be read just now is told of when it is saved.
      events.onmessage = () => void open().then(changed, () => {});
      return () => events.close();
    },
  };
}
