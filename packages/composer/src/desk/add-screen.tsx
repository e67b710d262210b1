import { useState } from "react";
import {
  Button,
  Dialog,
  Form,
  Heading,
  Input,
  Label,
  Menu,
  MenuItem,
  MenuTrigger,
  Modal,
  ModalOverlay,
  NumberField,
  Popover,
} from "react-aria-components";
import { useComposed, useComposer } from "../state/context.ts";
import { mostScreens, type Screen, screenNamed, screenSizes, usualScreens } from "./screens.ts";

/** One more screen: one of the usual ones, or of a size of one's own. */
export function AddScreen() {
  const composer = useComposer();
  const screens = useComposed(({ screens }) => screens);
  const [asks, setAsks] = useState(false);
  const isThere = ({ width, height }: Pick<Screen, "width" | "height">) =>
    screens.some((one) => one.width === width && one.height === height);
  const add = (screen: Screen) => composer.show([...screens, screen]);
  return (
    <>
      <MenuTrigger>
        <Button isDisabled={screens.length >= mostScreens}>Add a screen</Button>
        <Popover>
          <Menu
            aria-label="Screens"
            onAction={(id) => {
              const screen = usualScreens.find(({ name }) => name === id);
              if (screen) add(screen);
              else setAsks(true);
            }}
          >
            {usualScreens
              .filter((screen) => !isThere(screen))
              .map(({ name, width, height }) => (
                <MenuItem key={name} id={name} textValue={name}>
                  {name}{" "}
                  <span className="quiet">
                    {width} × {height}
                  </span>
                </MenuItem>
              ))}
            <MenuItem id="own">Another size …</MenuItem>
          </Menu>
        </Popover>
      </MenuTrigger>
      <ModalOverlay className="over" isDismissable isOpen={asks} onOpenChange={setAsks}>
        <Modal>
          <Dialog className="dialog size">
            <OwnSize
              isThere={isThere}
              onChoose={(width, height) => {
                setAsks(false);
                add({ name: screenNamed(width, height), width, height });
              }}
            />
          </Dialog>
        </Modal>
      </ModalOverlay>
    </>
  );
}

function OwnSize({
  isThere,
  onChoose,
}: {
  isThere(size: { width: number; height: number }): boolean;
  onChoose(width: number, height: number): void;
}) {
  const [width, setWidth] = useState(1440);
  const [height, setHeight] = useState(900);
  const { least, most } = screenSizes;
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        onChoose(width, height);
      }}
    >
      <Heading slot="title">A screen of another size</Heading>
      {(
        [
          ["Width", width, setWidth],
          ["Height", height, setHeight],
        ] as const
      ).map(([name, value, onChange]) => (
        <NumberField
          key={name}
          autoFocus={name === "Width"}
          value={value}
          onChange={onChange}
          minValue={least}
          maxValue={most}
          formatOptions={{ useGrouping: false, maximumFractionDigits: 0 }}
        >
          <Label>{name}</Label>
          <Input />
          <span className="quiet">px</span>
        </NumberField>
      ))}
      <Button type="submit" isDisabled={isThere({ width, height })}>
        {isThere({ width, height }) ? "It is there already" : "Add it"}
      </Button>
    </Form>
  );
}
