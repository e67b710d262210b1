import { useEffect, useState } from "react";
import { nameFrom } from "../edit/find.ts";

/** The name of what is selected, to be changed where it stands. */
export function Name({ name, onChange }: { name: string; onChange(name: string): void }) {
  const [text, setText] = useState(name);
  useEffect(() => setText(name), [name]);
  const commit = () => {
    const to = nameFrom(text);
    setText(to);
    if (to !== name) onChange(to);
  };
  return (
    <h2>
      <span className="hidden">{name}</span>
      <input
        aria-label="Name"
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") commit();
          if (event.key === "Escape") setText(name);
        }}
      />
    </h2>
  );
}
