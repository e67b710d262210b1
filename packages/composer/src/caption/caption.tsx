import { speedOf } from "lumbit/core";
import { Input, NumberField } from "react-aria-components";
import { layerOf } from "../edit/find.ts";
import { setDepth } from "../edit/set-depth.ts";
import { useComposed, useComposer } from "../state/context.ts";
import { isNamedBy } from "./kind.ts";
import "./caption.css";

/** What is selected, in sentences with live values. */
export function Caption() {
  const composer = useComposer();
  const scene = useComposed(({ scene }) => scene);
  const name = useComposed(({ selected }) => selected.at(-1));
  const layer = useComposed(({ page, scene, selected }) => {
    const layer = selected.at(-1);
    return layer === undefined ? undefined : layerOf(page, { scene, layer });
  });
  const count = useComposed(
    ({ page, scene }) => page.scenes.find(({ name }) => name === scene)?.layers.length ?? 0,
  );
  if (!layer || name === undefined)
    return (
      <aside className="caption" aria-label="Caption">
        <h2>{scene}</h2>
        <p>
          {count === 1 ? "One layer" : `${count} layers`}. Drag a card in the section below: to the right it
          lies deeper and moves less.
        </p>
      </aside>
    );
  const speed = speedOf(layer);
  const depth = 1 / speed - 1;
  const change = (depth: number) => {
    if (Number.isFinite(depth)) composer.edit(`${name}: depth`, setDepth({ scene, layer: name }, depth));
  };
  return (
    <aside className="caption" aria-label="Caption">
      <h2>{name}</h2>
      <p>
        <b>{name}</b> is {isNamedBy(layer)}.{" "}
        {speed === 0 ? (
          "It lies at the horizon, so it stays where it is on the screen."
        ) : (
          <>
            {depth < 0 ? "It stands " : "It lies "}
            <Value
              label={depth < 0 ? "Distance in front of the page" : "Depth"}
              value={Math.abs(depth)}
              onChange={(value) => change(depth < 0 ? -value : value)}
            />
            {depth < 0 ? " in front of the page" : " deep"}, so it moves at{" "}
            <span className="figure">{speed.toFixed(2)}</span> of the page's speed.
          </>
        )}
      </p>
    </aside>
  );
}

/** A number inside a sentence: typed, or stepped with the arrow keys. */
function Value({ label, ...field }: { label: string; value: number; onChange(value: number): void }) {
  return (
    <NumberField
      aria-label={label}
      minValue={0}
      step={0.01}
      formatOptions={{ maximumFractionDigits: 2 }}
      {...field}
    >
      <Input />
    </NumberField>
  );
}
