import type { z } from "zod";
import type { Layer, Page, Place } from "../core/index.ts";
import type { pageSchema } from "./schema.ts";

/** Wrong scenes that must not compile, right ones that must; the type check is the test. */
const right: Layer[] = [
  { name: "a", image: "a.png", alt: "", depth: "horizon" },
  {
    name: "b",
    text: "b",
    speed: 0.5,
    place: { center: "x", top: "3vh" },
    fontSize: { min: "10px", max: "20px" },
  },
  {
    name: "c",
    image: "c.png",
    alt: "",
    rules: [{ media: "(max-width: 600px)", image: "narrow.png", pane: true, hold: "none", cue: "none" }],
  },
];
const place: Place = { left: 0, right: "5%", bottom: "-8vh" };

// @ts-expect-error both depth and speed
const both: Layer = { name: "a", text: "a", depth: 1, speed: 0.5 };
// @ts-expect-error a picture needs alt
const noAlt: Layer = { name: "a", image: "a.png" };
// @ts-expect-error a picture is no text
const mixed: Layer = { name: "a", image: "a.png", alt: "", text: "a" };
const media = "(max-width: 600px)";
// @ts-expect-error a text is in no pane
const noPane: Layer = { name: "a", text: "a", rules: [{ media, pane: true }] };
// @ts-expect-error a picture has no font size
const noFont: Layer = { name: "a", image: "a.png", alt: "", rules: [{ media, fontSize: "3rem" }] };
// @ts-expect-error what a layer says no rule changes
const noText: Layer = { name: "a", text: "a", rules: [{ media, text: "b" }] };
// @ts-expect-error a number is no length
const bare: Place = { left: 3 };
// @ts-expect-error left, right and width contradict each other
const three: Place = { left: 0, right: 0, width: "3px" };
// @ts-expect-error centred and against an edge
const centred: Place = { center: "x", left: 0 };

// What the core takes the reader accepts.
const read: z.input<typeof pageSchema> = {} as unknown as Page extends z.input<typeof pageSchema>
  ? Page
  : never;

export const used = [right, place, both, noAlt, mixed, noPane, noFont, noText, bare, three, centred, read];
