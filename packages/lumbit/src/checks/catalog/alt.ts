import { isImage, type Page } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { inPage, walk } from "../walk.ts";

export const check: Check = {
  name: "alt",
  severity: "error",
  why: "A file name read aloud tells nobody what a picture shows.",
  scope: "page",
  judge,
};

/** Alternative texts that tell nothing: file names, and words for "picture". */
function judge({ scenes, page }: Page): Sighting[] {
  const sightings = scenes.flatMap(({ name, layers }, index) =>
    walk(layers, `/scenes/${index}`).flatMap(({ layer, path }): Sighting[] =>
      isImage(layer) && tellsNothing(layer.alt)
        ? [{ ...inPage, scene: name, layer: layer.name, path: `${path}/alt`, ...empty(layer.alt, path) }]
        : [],
    ),
  );
  const backdrop = page?.backdrop?.alt ?? "";
  return tellsNothing(backdrop)
    ? [...sightings, { ...inPage, path: "/page/backdrop/alt", ...empty(backdrop, "/page/backdrop") }]
    : sightings;
}

const empty = (text: string, path: string): Pick<Sighting, "measured" | "change"> => ({
  measured: `"${text}" says nothing of what is seen`,
  change: [{ op: "replace", path: `${path}/alt`, value: "" }],
});

const tellsNothing = (text: string) =>
  /\.(webp|avif|png|jpe?g|gif|svg)$/i.test(text.trim()) ||
  /^(an? )?(image|picture|photo|photograph|graphic|layer|background)( \d+)?$/i.test(text.trim());
