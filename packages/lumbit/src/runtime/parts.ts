/** What only some pages need, in files of its own: loaded by the first page that does. */
export interface Part<Own> {
  there?: Own;
  /** Who waits for it gets it in the order of asking: browsers do not promise that for imports of one file. */
  coming?: Promise<Own> | undefined;
  load(): Promise<Own>;
}

/** Calls back with a part: at once where it is there, and else as soon as it is loaded. */
export function withPart<Own>(part: Part<Own>, use: (own: Own) => void): void {
  if (part.there) {
    use(part.there);
    return;
  }
  part.coming ??= part.load().finally(() => {
    part.coming = undefined;
  });
  part.coming
    .then((own) => {
      part.there = own;
      use(own);
    })
    .catch(reportError);
}

/** A part that is there from the beginning. */
export const whole = <Own>(own: Own): Part<Own> => ({ there: own, load: async () => own });

/** A part by what loads it. */
export const part = <Own>(load: () => Promise<Own>): Part<Own> => ({ load });

/** What moves layers in browsers that do not by themselves. */
export const scripting = /* @__PURE__ */ part(() => import("./scripted.ts"));
export const swaying = /* @__PURE__ */ part(() => import("./sway.ts"));
export const cueing = /* @__PURE__ */ part(() => import("./cues.ts"));
export const announcing = /* @__PURE__ */ part(() => import("./events.ts"));
export const filming = /* @__PURE__ */ part(() => import("./videos.ts"));
export const reeling = /* @__PURE__ */ part(() => import("./reel.ts"));
export const focusing = /* @__PURE__ */ part(() => import("./focus.ts"));
