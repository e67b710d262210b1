import { type Settle, settleOf } from "../core/index.ts";
import { css, print } from "./arithmetic.ts";
import { variable } from "./properties.ts";

/** p0 in CSS. */
export const settleCss = (settle: Settle): string =>
  print(
    settleOf(css, settle, {
      viewport: variable("v"),
      scene: variable("h"),
      length: variable("length"),
      automatic: variable("auto"),
    }),
  );
