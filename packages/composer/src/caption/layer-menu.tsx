import { layerCommands } from "../layers/commands.ts";
import { Commands } from "../menu.tsx";
import { useComposed, useComposer } from "../state/context.ts";

/** What can be done with the selected layers. */
export function LayerMenu() {
  const composer = useComposer();
  const selected = useComposed(({ selected }) => selected);
  useComposed(({ page }) => page);
  const commands = layerCommands(composer);
  if (!commands.some(({ can }) => can)) return null;
  return (
    <Commands label="Selected layers" commands={commands} placement="bottom end">
      More{" "}
      <span className="hidden">for {selected.length > 1 ? `${selected.length} layers` : selected[0]}</span>
    </Commands>
  );
}
