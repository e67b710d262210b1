import { useEffect, useRef } from "react";

/** The words of a text, to be written right where they are. */
export function Words({
  text,
  name,
  box,
  onChange,
  onEnd,
}: {
  text: string;
  name: string;
  box: { left: number; top: number; width: number; height: number };
  onChange(text: string): void;
  /** With the words, or without where they stay what they were. */
  onEnd(text: string | undefined): void;
}) {
  const field = useRef<HTMLTextAreaElement>(null);
  const ended = useRef(false);
  useEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, []);
  const end = (words: string | undefined) => {
    if (ended.current) return;
    ended.current = true;
    onEnd(words);
  };
  return (
    <textarea
      ref={field}
      className="words"
      aria-label={`Words of ${name}; Escape leaves them as they were`}
      defaultValue={text}
      rows={Math.min(8, text.split("\n").length + 1)}
      style={{ left: box.left, top: box.top + box.height + 8, minWidth: Math.max(220, box.width) }}
      onPointerDown={(event) => event.stopPropagation()}
      onChange={({ target }) => onChange(target.value)}
      onBlur={({ target }) => end(target.value)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Escape") end(undefined);
        if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) end(event.currentTarget.value);
      }}
    />
  );
}
