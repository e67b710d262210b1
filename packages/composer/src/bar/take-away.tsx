import { Button } from "react-aria-components";
import { useComposer } from "../state/context.ts";
import type { Composer } from "../state/store.ts";

/** Gives the page with its files as a zip. */
export function TakeAway() {
  const composer = useComposer();
  return (
    <Button
      onPress={() =>
        takeAway(composer).catch((error: Error) =>
          composer.say(`The page could not be taken away: ${error.message}`),
        )
      }
    >
      Take away
    </Button>
  );
}

async function takeAway(composer: Composer): Promise<void> {
  const { name, text, assets } = composer.store.getState();
  const addresses = [
    ...Object.entries(assets.pictures).map(([path, { url }]) => [path, url] as const),
    ...Object.entries(assets.fonts),
  ];
  const files: [string, Uint8Array][] = await Promise.all(
    addresses.map(async ([path, url]) => {
      const response = await fetch(url);
      if (!response.ok) throw new Error(`${path} is not there any more`);
      return [path, new Uint8Array(await response.arrayBuffer())];
    }),
  );
  const shared = composer.shared();
  const texts = [
    ...Object.entries(assets.markup ?? {}),
    ...(shared ? [[shared.file, shared.text] as const] : []),
  ];
  for (const [path, text] of texts) files.push([path, new TextEncoder().encode(text)]);
  const { zipOf } = await import("../home/archive.ts");
  const address = URL.createObjectURL(zipOf(name, text, Object.fromEntries(files)));
  const link = Object.assign(document.createElement("a"), {
    href: address,
    download: `${name.replace(/\.json$/, "")}.zip`,
  });
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
