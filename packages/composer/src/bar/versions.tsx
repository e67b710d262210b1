import { readPage } from "lumbit/document";
import { useState } from "react";
import {
  Button,
  Dialog,
  DialogTrigger,
  Heading,
  Modal,
  ModalOverlay,
  Radio,
  RadioGroup,
} from "react-aria-components";
import { useComposer } from "../state/context.ts";

/** Two versions of the page, this one and another program's: one of them is chosen, or of each what is wanted. */
export function Versions() {
  const composer = useComposer();
  return (
    <div className="problem group" role="alert">
      Another program has changed the file too.
      <Button onPress={() => composer.choose("mine")}>Keep what is here</Button>
      <Button onPress={() => composer.choose("theirs")}>Take what is there</Button>
      {composer.bothVersions(new Set()) && (
        <DialogTrigger>
          <Button>Piece by piece</Button>
          <ModalOverlay className="over" isDismissable>
            <Modal>
              <Dialog className="dialog versions">
                <Pieces />
              </Dialog>
            </Modal>
          </ModalOverlay>
        </DialogTrigger>
      )}
    </div>
  );
}

/** What both versions have changed, each to be chosen; what only one has changed is taken from it. */
function Pieces() {
  const composer = useComposer();
  const [chosen, choose] = useState<ReadonlySet<string>>(new Set());
  const both = composer.bothVersions(chosen);
  if (!both) return null;
  const { page, pieces } = both;
  const [fault] = readPage(JSON.stringify(page), "page.json").faults;
  return (
    <>
      <Heading slot="title">Two versions as one</Heading>
      <p className="quiet">
        What only one of them has changed is taken from it.
        {pieces.length > 0 && " This both have changed:"}
      </p>
      <div className="pieces">
        {pieces.map(({ where, mine, theirs }) => (
          <RadioGroup
            key={where}
            aria-label={where}
            value={chosen.has(where) ? "theirs" : "mine"}
            onChange={(which) => {
              const next = new Set(chosen);
              if (which === "theirs") next.add(where);
              else next.delete(where);
              choose(next);
            }}
          >
            <b>{where}</b>
            <Radio value="mine">here: {inWords(mine)}</Radio>
            <Radio value="theirs">there: {inWords(theirs)}</Radio>
          </RadioGroup>
        ))}
      </div>
      {fault && <p className="problem">Together they are no page: {fault.message}</p>}
      <Button isDisabled={fault !== undefined} onPress={() => composer.choose(page)}>
        Take these
      </Button>
    </>
  );
}

/** What stands at a place, in short. */
function inWords(value: unknown): string {
  if (value === undefined) return "nothing";
  const text = typeof value === "string" ? value : JSON.stringify(value);
  return text.length > 80 ? `${text.slice(0, 80)}…` : text;
}
