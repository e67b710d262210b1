import { Button, Dialog, DialogTrigger, Heading, Modal, ModalOverlay } from "react-aria-components";

/** What keys do, by where they do it. */
const keys: readonly (readonly [where: string, keys: readonly (readonly [keys: string, does: string])[]])[] =
  [
    [
      "Anywhere",
      [
        ["Ctrl Z, Ctrl Y", "undo, redo"],
        [". and ,", "scroll on and back through the scene; with Shift in larger steps"],
        ["Ctrl D", "duplicate what is selected"],
        ["Ctrl C, Ctrl V", "copy and paste, between windows too; pictures from the clipboard become layers"],
        ["Ctrl G, Ctrl Shift G", "group, take a group apart"],
        ["Delete", "delete what is selected"],
      ],
    ],
    [
      "On a stage",
      [
        ["arrow keys", "move what is selected by a pixel; with Shift by ten"],
        ["Enter", "write words where they are; Escape leaves them as they were, Ctrl Enter takes them"],
        ["Alt while dragging", "edges and middles let go"],
        ["Shift and click, or a frame", "select more"],
        ["Escape while dragging", "leave it as it was"],
      ],
    ],
    [
      "In the section",
      [
        ["up and down", "go through the layers, the nearest first"],
        ["left and right", "bring what is selected nearer or farther; with Shift in larger steps"],
        ["Alt with these, or while dragging", "it stays where it is on the large stage"],
        ["Enter", "open a group"],
        ["Ctrl and click", "select several"],
      ],
    ],
    [
      "In a value",
      [
        ["up and down", "step it; with Shift in larger steps"],
        ["Enter, Escape", "take what was typed, leave it as it was"],
      ],
    ],
  ];

/** Lists what keys do. */
export function Keys() {
  return (
    <DialogTrigger>
      <Button>Keys</Button>
      <ModalOverlay className="over" isDismissable>
        <Modal>
          <Dialog className="dialog keys">
            <Heading slot="title">Keys</Heading>
            {keys.map(([where, does]) => (
              <section key={where}>
                <h3>{where}</h3>
                <dl>
                  {does.map(([key, words]) => (
                    <div key={key}>
                      <dt>{key}</dt>
                      <dd>{words}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
            <Button slot="close">Close</Button>
          </Dialog>
        </Modal>
      </ModalOverlay>
    </DialogTrigger>
  );
}
