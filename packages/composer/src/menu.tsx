import {
  Button,
  Keyboard,
  Menu,
  MenuItem,
  MenuTrigger,
  Popover,
  type PopoverProps,
  Text,
} from "react-aria-components";

/** One thing that can be done. */
export interface Command {
  id: string;
  words: string;
  /** The key that does it, pressed with Control, or the Command key. Not `key`, which lists of items take for their own. */
  shortcut?: string;
  /** Whether it has a sense now. */
  can: boolean;
  do(): void;
}

/** A button with a menu of everything that can be done now. */
export function Commands({
  label,
  commands,
  className,
  placement = "bottom start",
  children,
}: {
  label: string;
  commands: readonly Command[];
  className?: string;
  placement?: PopoverProps["placement"];
  children: React.ReactNode;
}) {
  return (
    <MenuTrigger>
      <Button {...(className && { className })}>{children}</Button>
      <Popover {...(placement && { placement })}>
        <Menu
          aria-label={label}
          items={commands.filter(({ can }) => can)}
          onAction={(id) => commands.find((command) => command.id === id)?.do()}
        >
          {({ words, shortcut }) => (
            <MenuItem textValue={words}>
              <Text slot="label">{words}</Text>
              {shortcut && <Keyboard>{keyWords(shortcut)}</Keyboard>}
            </MenuItem>
          )}
        </Menu>
      </Popover>
    </MenuTrigger>
  );
}

const keyWords = (key: string) =>
  key === "Delete" ? key : key === key.toLowerCase() ? `Ctrl ${key.toUpperCase()}` : `Ctrl Shift ${key}`;
