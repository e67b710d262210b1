import { Button } from "react-aria-components";
import { useComposed, useComposer } from "../state/context.ts";
import { type StepName, steps } from "./hints.ts";
import "./hint.css";

/** What to do first, right where it is done: one at a time, and gone for good when it was done. */
export function Hint({ step, children }: { step: StepName; children: React.ReactNode }) {
  const composer = useComposer();
  const next = useComposed(({ done }) => steps.find((one) => !done.includes(one)));
  const nothing = useComposed(({ page }) => page.scenes.every(({ layers }) => layers.length === 0));
  if (next !== step || nothing) return null;
  return (
    <p className="hint" data-step={step}>
      {children}
      <Button className="plain" aria-label="Do not tell me again" onPress={() => composer.did(step)}>
        ×
      </Button>
    </p>
  );
}
