import type { ValueFault } from "../../settings/index.ts";

/** What is wrong that has to be told in words, which are for those who need them (`more/words.ts`). */
export type Wrong = "no scene" | "zoomed" | "over lines" | "not alone" | "no picture" | "depth and speed";

/** Something in markup that is wrong or cannot work: a value that is not written as it should be, or what is said of it. */
export type Complaint = { element: Element; name: string } & (
  | { fault: ValueFault }
  | { wrong: Wrong }
  | { said: string }
);

/** Told of what is wrong; what it is about is left out, and the rest goes on. */
export type Complain = (complaint: Complaint) => void;
