import { ToggleButton } from "react-aria-components";

/** What is folded to a line where a window is too small for all of it: one at a time is open. */
export type Fold = "strip" | "section" | "caption";

const words: readonly (readonly [Fold, string])[] = [
  ["strip", "Page"],
  ["section", "Section"],
  ["caption", "Caption"],
];

/** The line of what is folded, in a small window. */
export function Folds({ open, onOpen }: { open: Fold | undefined; onOpen(open: Fold | undefined): void }) {
  return (
    <nav className="folds" aria-label="What stands around the stages">
      {words.map(([fold, label]) => (
        <ToggleButton
          key={fold}
          isSelected={open === fold}
          onChange={(wanted) => onOpen(wanted ? fold : undefined)}
        >
          {label}
        </ToggleButton>
      ))}
    </nav>
  );
}
