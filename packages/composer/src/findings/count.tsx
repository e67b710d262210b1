import { Button } from "react-aria-components";
import type { Screen } from "../desk/screens.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { countOn } from "./judged.ts";

/** How many findings there are: on a screen, or on all; pressed, they are shown. */
export function Count({ screen }: { screen?: Screen }) {
  const composer = useComposer();
  const judged = useComposed(({ judged }) => judged);
  const beside = useComposed(({ beside }) => beside);
  if (!composer.findings) return null;
  const count = judged && (screen ? countOn(judged.findings, screen) : judged.findings.length);
  return (
    <Button
      {...(screen && { className: "plain count" })}
      aria-pressed={beside === "findings"}
      onPress={() => composer.beside(beside === "findings" ? "caption" : "findings")}
    >
      {count === undefined ? (
        <>
          <span className="word">judging</span> …
        </>
      ) : judged?.problem !== undefined ? (
        <>
          <span className="word">not judged</span> ?
        </>
      ) : (
        <>
          <span className="figure">{count}</span>{" "}
          <span className="word">{count === 1 ? "finding" : "findings"}</span>
        </>
      )}
    </Button>
  );
}
