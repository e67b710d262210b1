import { type Command, Commands } from "../menu.tsx";
import { useComposed, useComposer } from "../state/context.ts";
import { type Screen, screenNamed } from "./screens.ts";

/** A screen's name and size, and what can be done with it. */
export function ScreenMenu({ screen, index }: { screen: Screen; index: number }) {
  const composer = useComposer();
  const screens = useComposed(({ screens }) => screens);
  const { name, width, height, as } = screen;
  const others = screens.filter((one) => one !== screen);
  const becomes = (other: Screen) => composer.show(screens.with(index, other));
  const commands: Command[] = [
    {
      ...{ id: "large", words: "Make it the large one", can: index > 0 },
      do: () => composer.show([screen, ...others]),
    },
    {
      ...{ id: "rotate", words: "Turn it on its side", can: true },
      do: () => becomes({ ...screen, name: screenNamed(height, width), width: height, height: width }),
    },
    {
      ...{ id: "still", words: as === "still" ? "Show it moving" : "Show less motion, and print", can: true },
      do: () => becomes({ name, width, height, ...(as !== "still" && { as: "still" }) }),
    },
    {
      ...{ id: "scriptless", words: as === "scriptless" ? "Show it with script" : "Show it without script" },
      can: true,
      do: () => becomes({ name, width, height, ...(as !== "scriptless" && { as: "scriptless" }) }),
    },
    { ...{ id: "remove", words: "Take it away", can: others.length > 0 }, do: () => composer.show(others) },
  ];
  return (
    <Commands label={`The ${name}`} commands={commands} className="plain">
      {name}{" "}
      <span className="quiet">
        <span className="size">
          {width} × {height}
          {as && ", "}
        </span>
        {as === "still" && "less motion and print"}
        {as === "scriptless" && "without script"}
      </span>
    </Commands>
  );
}
