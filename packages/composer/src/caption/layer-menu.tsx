import { Button, Keyboard, Menu, MenuItem, MenuTrigger, Popover, Text } from "react-aria-components";
import { layerCommands } from "../layers/commands.ts";
import { useComposed, useComposer } from "../state/context.ts";

/** What can be done with the selected layers. */
export function LayerMenu() {
  const composer = useComposer();
  const selected = useComposed(({ selected }) => selected);
  useComposed(({ page }) => page);
  const commands = layerCommands(composer).filter(({ can }) => can);
  if (commands.length === 0) return null;
  return (
    <MenuTrigger>
      <Button>
        More{" "}
        <span className="hidden">for {selected.length > 1 ? `${selected.length} layers` : selected[0]}</span>
      </Button>
      <Popover placement="bottom end">
        <Menu
          aria-label="Selected layers"
          items={commands}
          onAction={(id) => commands.find((command) => command.id === id)?.do()}
        >
          {({ words, key }) => (
            <MenuItem textValue={words}>
              <Text slot="label">{words}</Text>
              {key && <Keyboard>{keyWords(key)}</Keyboard>}
            </MenuItem>
          )}
        </Menu>
      </Popover>
    </MenuTrigger>
  );
}

const keyWords = (key: string) =>
  key === "Delete" ? key : key === key.toLowerCase() ? `Ctrl ${key.toUpperCase()}` : `Ctrl Shift ${key}`;
