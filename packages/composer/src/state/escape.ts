/** Calls back when Escape is pressed while a hand is on something; what is given back ends that. */
export function onEscape(leave: () => void): () => void {
  const listener = (event: KeyboardEvent) => {
    if (event.key !== "Escape") return;
    event.preventDefault();
    event.stopPropagation();
    end();
    leave();
  };
  const end = () => removeEventListener("keydown", listener, true);
  addEventListener("keydown", listener, true);
  return end;
}
