declare module "linebreak" {
  /** Finds where a text may be broken into lines (UAX #14). */
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { position: number; required: boolean } | null;
  }
}
