import type { Grammar } from "lumbit/settings";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { digitsIn, stepped, stepsOf, valueFrom, writtenValue } from "./value.ts";

const Colors = lazy(() => import("./colors.tsx"));

/** A value inside a sentence: chosen, typed, stepped with the arrow keys, or scrubbed by dragging sideways. */
export function Field({
  label,
  grammar,
  value,
  otherwise,
  comesTo,
  faultOf,
  onDrag,
  onChange,
  onRefused,
}: {
  label: string;
  grammar: Grammar;
  value: unknown;
  /** What holds without a value. */
  otherwise?: string | undefined;
  /** What the value is on the large stage. */
  comesTo?: string | undefined;
  /** What is wrong with a value, in the words of the page file. */
  faultOf(value: unknown): string | undefined;
  onDrag(value: unknown): void;
  onChange(value: unknown): void;
  /** What was typed is not taken, and can be seen no more. */
  onRefused(text: string, fault: string): void;
}) {
  const written = writtenValue(value);
  const [text, setText] = useState(written);
  const [fault, setFault] = useState<string>();
  const scrub = useRef<{ x: number; from: string; moved: boolean }>(undefined);
  /** The most digits behind the point since it is worked on: none is lost by a step to a round number. */
  const digits = useRef(0);
  useEffect(() => {
    setText(written);
    setFault(undefined);
  }, [written]);
  // What was typed is of what it was typed for, whatever is selected by the click that leaves it.
  const leave = useRef(() => {});
  leave.current = () => {
    if (text === written) return;
    const meant = valueFrom(grammar, text, value);
    const wrong = faultOf(meant);
    if (wrong === undefined) onChange(meant);
    else onRefused(text, wrong);
  };
  useEffect(() => () => leave.current(), []);
  if (grammar.form === "choice" || grammar.form === "boolean") {
    const words = grammar.form === "choice" ? grammar.words : ["true", "false"];
    const [yes, no] = ["yes", "no"];
    return (
      <select
        aria-label={label}
        value={written}
        onChange={({ target }) => onChange(valueFrom(grammar, target.value, value))}
      >
        {!words.includes(written) && <option value={written}>{written || otherwise || "…"}</option>}
        {words.map((word) => (
          <option key={word} value={word}>
            {word === "true" ? yes : word === "false" ? no : word}
          </option>
        ))}
      </select>
    );
  }
  const take = (text: string): boolean => {
    const meant = valueFrom(grammar, text, value);
    const wrong = faultOf(meant);
    setFault(wrong);
    return wrong === undefined;
  };
  const commit = () => {
    if (text === written) setFault(undefined);
    else if (take(text)) onChange(valueFrom(grammar, text, value));
  };
  const bring = (next: string, end: boolean) => {
    if (next === text && !end) return;
    setText(next);
    if (take(next)) (end ? onChange : onDrag)(valueFrom(grammar, next, value));
  };
  const isLong = grammar.form === "text" || grammar.form === "list" || grammar.form === "object";
  const Element = isLong ? "textarea" : "input";
  const isColor = grammar.form === "css" && /color|background/.test(grammar.property);
  const steps = isLong ? undefined : stepsOf(grammar);
  const step = (from: string, by: number, shifted: boolean): string => {
    if (!steps) return from;
    digits.current = Math.max(digits.current, steps.digits, digitsIn(from));
    // Without a value it begins at what holds.
    const base = from.trim() === "" ? (otherwise ?? from) : from;
    return stepped(base, by * (shifted ? 10 : 1), { ...steps, digits: digits.current });
  };
  return (
    <>
      <Element
        className={[fault && "wrong", steps && "steps"].filter(Boolean).join(" ")}
        aria-label={label}
        aria-invalid={fault !== undefined}
        title={comesTo}
        spellCheck={grammar.form === "text"}
        value={text}
        placeholder={otherwise}
        size={isLong ? undefined : Math.max(2, text.length || otherwise?.length || 4)}
        rows={
          isLong
            ? Math.min(
                6,
                text.split("\n").reduce((rows, line) => rows + Math.max(1, Math.ceil(line.length / 26)), 0),
              )
            : undefined
        }
        onChange={({ target }) => setText(target.value)}
        onBlur={() => {
          digits.current = 0;
          commit();
        }}
        onKeyDown={(event: React.KeyboardEvent) => {
          event.stopPropagation();
          const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
          if (event.key === "Enter" && !(isLong && event.shiftKey)) {
            event.preventDefault();
            commit();
          } else if (event.key === "Escape") {
            setText(written);
            setFault(undefined);
          } else if (way && steps) {
            event.preventDefault();
            bring(step(text, way, event.shiftKey), true);
          }
        }}
        onPointerDown={(event: React.PointerEvent) => {
          if (!steps || document.activeElement === event.currentTarget) return;
          scrub.current = { x: event.clientX, from: text, moved: false };
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={({ clientX, shiftKey }: React.PointerEvent) => {
          const held = scrub.current;
          if (!held || (!held.moved && Math.abs(clientX - held.x) < 4)) return;
          held.moved = true;
          bring(step(held.from, Math.round((clientX - held.x) / 2), shiftKey), false);
        }}
        onPointerUp={(event: React.PointerEvent<HTMLElement>) => {
          const held = scrub.current;
          scrub.current = undefined;
          if (!held?.moved) return;
          event.currentTarget.blur();
          bring(text, true);
        }}
      />
      {isColor && text !== "" && (
        <Suspense>
          <Colors
            label={label}
            text={text}
            onDrag={(text) => bring(text, false)}
            onChange={(text) => bring(text, true)}
          />
        </Suspense>
      )}
      {comesTo && !fault && <span className="quiet comes"> {comesTo}</span>}
      {fault && (
        <span className="problem fault" role="alert">
          {fault}
        </span>
      )}
    </>
  );
}
