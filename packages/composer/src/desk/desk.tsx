import { Stage } from "./stage.tsx";

/** The screens that a page is composed on, the large one first. */
const screens = [
  { width: 1280, height: 800, name: "laptop" },
  { width: 390, height: 844, name: "telephone" },
] as const;

/** All stages. */
export function Desk() {
  return (
    <main className="desk" aria-label="Stages">
      {screens.map((screen) => (
        <Stage key={screen.name} {...screen} />
      ))}
    </main>
  );
}
