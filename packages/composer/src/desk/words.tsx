import { useEffect, useRef } from "react";

/** The words of a text, to be written right where they are. */
export function Words({
  text,
  name,
  box,
  room,
  onChange,
  onEnd,
}: {
  text: string;
  name: string;
  box: { left: number; top: number; width: number; height: number };
  /** What of the stage there is to see. */
  room: { width: number; height: number };
  onChange(text: string): void;
  /** With the words, or without where they stay what they were. */
  onEnd(text: string | undefined, byKey: boolean): void;
}) {
  const field = useRef<HTMLTextAreaElement>(null);
  const ended = useRef(false);
  useEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, []);
  const end = (words: string | undefined, byKey: boolean) => {
    if (ended.current) return;
    ended.current = true;
    // Whoever ends with Enter did not mean an empty line.
    onEnd(words?.trimEnd(), byKey);
  };
  const rows = Math.min(8, text.split("\n").length + 1);
  const [width, height] = [Math.min(Math.max(260, box.width), room.width), 22 * rows + 44];
  return (
    <div
      className="words"
      // Below the words, so that they are seen as they come, but never out of sight.
      style={{
        left: Math.min(Math.max(box.left, 0), room.width - width),
        top: Math.min(Math.max(box.top + box.height + 8, 0), room.height - height),
        width,
      }}
      onPointerDown={(event) => event.stopPropagation()}
    >
      <textarea
        ref={field}
        aria-label={`Words of ${name}`}
        aria-describedby="words-ends"
        defaultValue={text}
        rows={rows}
        onChange={({ target }) => onChange(target.value)}
        onBlur={({ target }) => end(target.value, false)}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Escape") end(undefined, true);
          if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) end(event.currentTarget.value, true);
        }}
      />
      <p id="words-ends" className="quiet">
        A click elsewhere or Ctrl Enter takes them, Escape leaves them.
      </p>
    </div>
  );
}
