import { createContext, useContext } from "react";
import { useStore } from "zustand";
import type { State } from "./state.ts";
import type { Composer } from "./store.ts";

export const ComposerContext = createContext<Composer | undefined>(undefined);

/** What can be done in the composer around. */
export function useComposer(): Composer {
  const composer = useContext(ComposerContext);
  if (!composer) throw new Error("this part stands outside of a composer");
  return composer;
}

/** A part of the composer's state; whoever uses it is drawn again when that part changes. */
export const useComposed = <T>(part: (state: State) => T): T => useStore(useComposer().store, part);
