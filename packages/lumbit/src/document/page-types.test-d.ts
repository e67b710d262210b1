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
];
const place: Place = { left: 0, right: "5%", bottom: "-8vh" };

// @ts-expect-error both depth and speed
const both: Layer = { name: "a", text: "a", depth: 1, speed: 0.5 };
// @ts-expect-error a picture needs alt
const noAlt: Layer = { name: "a", image: "a.png" };
// @ts-expect-error a picture is no text
const mixed: Layer = { name: "a", image: "a.png", alt: "", text: "a" };
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

export const used = [right, place, both, noAlt, mixed, bare, three, centred, read];
