import type { Path } from "./source.ts";

/** A file that a page file names, and where. */
export interface Reference {
  path: string;
  at: Path;
  kind: "picture" | "video" | "font" | "markup";
  /** Whether it stands in a link, as that or in one. */
  linked?: true;
}

/** All files that a page file names, whether the rest of it is right or not. */
export function referencesIn(value: unknown, at: Path = [], inLink = false): Reference[] {
  if (Array.isArray(value))
    return value.flatMap((entry, index) => referencesIn(entry, [...at, index], inLink));
  if (typeof value !== "object" || value === null) return [];
  const linked = inLink || "href" in value;
  return Object.entries(value).flatMap(([key, inner]): Reference[] => {
    const here = [...at, key];
    if (typeof inner !== "string") return referencesIn(inner, here, linked);
    if (["image", "icon"].includes(key) || at.at(-1) === "variants")
      return [{ path: inner, at: here, kind: "picture" }];
    if (key === "markup")
      return [{ path: inner, at: here, kind: "markup", ...(linked && { linked: true as const }) }];
    if (key === "video") return [{ path: inner, at: here, kind: "video" }];
    return key === "src" ? [{ path: inner, at: here, kind: "font" }] : [];
  });
}
