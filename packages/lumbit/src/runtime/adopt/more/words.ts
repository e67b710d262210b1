import { faultInWords, short } from "../../../faults/in-words.ts";
import { AttributeError } from "../attribute-error.ts";
import type { Complain, Complaint, Wrong } from "../complaints.ts";

const words: Record<Wrong, string> = {
  "no scene": "there is no scene in it; give one to each section whose parts have a depth",
  zoomed:
    "in this browser scenes in what is zoomed do not move as they should; give it a transform, or other sizes, instead",
  "over lines":
    "what is in a line of text and runs over several lines cannot move as one; make it an inline-block, or a block",
  "not alone": "a scene that holds has a single element in it, the box that stays on the screen",
  "no picture":
    "a pane is for pictures; give it to the <img>, or the element a data-lumbit-background-depth if its picture is a CSS background",
  "depth and speed":
    "data-lumbit-depth is given too: each follows from the other (speed = 1 / (1 + depth)); keep one",
};

/**
 * Complaints of one mounted element: each is printed once. Where it is strict, the first one is thrown.
 *
 * @throws AttributeError
 */
export function complaints(strict: boolean): Complain {
  const told = new Set<string>();
  return (complaint) => {
    const error = new AttributeError(
      `${described(complaint.element)}: ${complaint.name}: ${sayingOf(complaint)}`,
    );
    if (strict) throw error;
    if (told.has(error.message)) return;
    told.add(error.message);
    console.warn(`lumbit: ${error.message}`);
  };
}

const sayingOf = (complaint: Complaint): string =>
  "wrong" in complaint
    ? words[complaint.wrong]
    : "said" in complaint
      ? complaint.said
      : faultInWords(complaint.fault);

/** An element as a person finds it: by its id, or else by its classes. */
function described(element: Element): string {
  const { tagName, id } = element;
  const classes = element.getAttribute("class");
  const told = id ? ` id="${id}"` : classes ? ` class="${short(classes, 60)}"` : "";
  return `<${tagName.toLowerCase()}${told}>`;
}
