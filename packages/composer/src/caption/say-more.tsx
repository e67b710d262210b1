import type { Setting } from "lumbit/settings";
import { useState } from "react";
import {
  Autocomplete,
  Button,
  Dialog,
  DialogTrigger,
  Input,
  Menu,
  MenuItem,
  Popover,
  SearchField,
  Text,
  useFilter,
} from "react-aria-components";

/** Everything else that can be said, found by its name or its words. */
export function SayMore({
  offered,
  onChoose,
}: {
  offered: readonly [name: string, setting: Setting][];
  onChoose(name: string): void;
}) {
  const [open, setOpen] = useState(false);
  const { contains } = useFilter({ sensitivity: "base" });
  const items = offered.map(([id, { meaning }]) => ({ id, meaning: meaning.replaceAll("`", "") }));
  return (
    <DialogTrigger isOpen={open} onOpenChange={setOpen}>
      <Button className="more">say more …</Button>
      <Popover placement="bottom start" className="react-aria-Popover settings">
        <Dialog aria-label="Say more">
          <Autocomplete filter={contains}>
            <SearchField
              aria-label="Say more"
              autoFocus
              // What was typed is no reason to stay.
              onKeyDown={({ key }) => key === "Escape" && setOpen(false)}
            >
              <Input placeholder="what it is called, or does" />
            </SearchField>
            <Menu
              aria-label="What can be said"
              items={items}
              onAction={(id) => {
                setOpen(false);
                onChoose(String(id));
              }}
              renderEmptyState={() => <p className="none">Nothing that can be said here is called that.</p>}
            >
              {({ id, meaning }) => (
                <MenuItem textValue={`${id} ${meaning}`}>
                  <Text slot="label">{id}</Text>
                  <Text slot="description">{meaning}</Text>
                </MenuItem>
              )}
            </Menu>
          </Autocomplete>
        </Dialog>
      </Popover>
    </DialogTrigger>
  );
}
