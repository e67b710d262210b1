import { useEffect, useState } from "react";
import { ToggleButton } from "react-aria-components";
import { useComposed, useComposer } from "../state/context.ts";
import { play } from "../state/play.ts";
import { Stage } from "./stage.tsx";

/** The screens that a page is composed on, the large one first. */
const screens = [
  { width: 1280, height: 800, name: "laptop" },
  { width: 390, height: 844, name: "telephone" },
] as const;

/** All stages, and what scrolls them. */
export function Desk() {
  return (
    <main className="desk" aria-label="Stages">
      {screens.map((screen) => (
        <Stage key={screen.name} {...screen} />
      ))}
      <Play />
    </main>
  );
}

/** A calm scroll through the scene and back. */
function Play() {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const [playing, setPlaying] = useState(false);
  useEffect(() => (playing && scene ? play(composer) : undefined), [composer, playing, scene]);
  return (
    <ToggleButton className="play" isSelected={playing} onChange={setPlaying}>
      {playing ? "Stop" : "Play"}
    </ToggleButton>
  );
}
