import { useCallback, useEffect, useRef, useState } from "react";
import { nameFrom } from "../edit/find.ts";

/** The name of what is selected, to be changed where it stands. */
export function Name({ name, onChange }: { name: string; onChange(name: string): void }) {
  const [text, setText] = useState(name);
  /** What was typed and not taken yet, and whose name it is to be, whatever is selected by the click that leaves it. */
  const typed = useRef<{ text: string; take: (name: string) => void } | undefined>(undefined);
  const commit = useCallback(() => {
    const { text, take } = typed.current ?? {};
    typed.current = undefined;
    if (text !== undefined) take?.(nameFrom(text));
  }, []);
  useEffect(() => {
    setText(name);
    return commit;
  }, [name, commit]);
  return (
    <h2>
      <span className="hidden">{name}</span>
      <input
        aria-label="Name"
        value={text}
        onChange={({ target }) => {
          setText(target.value);
          typed.current = { text: target.value, take: (to) => to !== name && onChange(to) };
        }}
        onBlur={() => {
          setText(nameFrom(text));
          commit();
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") {
            setText(nameFrom(text));
            commit();
          }
          if (event.key === "Escape") {
            typed.current = undefined;
            setText(name);
          }
        }}
      />
    </h2>
  );
}
