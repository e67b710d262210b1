import { formatFault } from "lumbit/document";
import { Button, ToggleButton } from "react-aria-components";
import { Count } from "../findings/count.tsx";
import { useComposed, useComposer } from "../state/context.ts";
import type { Saving } from "../state/state.ts";
import { Keys } from "./keys.tsx";
import { TakeAway } from "./take-away.tsx";
import { Versions } from "./versions.tsx";
import "./bar.css";

const words = (saving: Saving): string =>
  saving === "saved"
    ? "saved"
    : saving === "saving"
      ? "saving …"
      : saving === "unreachable"
        ? "not saved: lumbit compose does not answer; it is tried again"
        : `not saved: ${saving.problem}`;

/** The page's name, whether it is saved, and the way back. */
export function Bar() {
  const composer = useComposer();
  const { name, saving, history, faults, typed, missing, other, notice, beside } = useComposed(
    (state) => state,
  );
  const [undo, redo] = [history.past.at(-1), history.future.at(-1)];
  return (
    <header className="bar">
      <h1>{name}</h1>
      <p className={saving === "saved" || saving === "saving" ? "quiet" : "problem"} role="status">
        {words(saving)}
      </p>
      {typed.length > 0 && (
        <p className="problem">The text is not right yet; the stages show the last page that was.</p>
      )}
      <div className="group">
        <Count />
        <ToggleButton
          isSelected={beside === "text"}
          onChange={(open) => composer.beside(open ? "text" : "caption")}
        >
          Text
        </ToggleButton>
        <TakeAway />
        <Keys />
        <Button isDisabled={!undo} onPress={composer.undo}>
          Undo{undo ? ` ${undo.name}` : ""}
        </Button>
        <Button isDisabled={!redo} onPress={composer.redo}>
          Redo{redo ? ` ${redo.name}` : ""}
        </Button>
      </div>
      {faults.length > 0 && (
        <p className="problem" role="alert">
          The page file has {faults.length === 1 ? "a fault" : `${faults.length} faults`}; the last good page
          stays. {faults[0] && formatFault(faults[0])}
        </p>
      )}
      {missing.length > 0 && (
        <p className="problem" role="alert">
          {missing.join(" ")}
        </p>
      )}
      {notice && (
        <div className="problem group" role="alert">
          {notice}
          <Button onPress={() => composer.say(undefined)}>All right</Button>
        </div>
      )}
      {other && <Versions />}
    </header>
  );
}
