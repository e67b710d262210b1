import type { AnyLayer } from "lumbit/core";

/** What a layer is, with its article. */
export const isNamedBy = (layer: AnyLayer): string =>
  layer.image !== undefined
    ? "a picture"
    : layer.text !== undefined
      ? "a text"
      : layer.shape !== undefined
        ? "a shape"
        : layer.reel
          ? "a reel"
          : "a group";
