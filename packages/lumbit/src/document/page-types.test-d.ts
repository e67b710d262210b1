import type { Layer, Page, Place } from "../core/index.ts";
import type { LayerRows, page as pageSettings, sceneSettings, TypeOf, ValuesOf } from "../settings/index.ts";

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

// What the core takes is what the table of settings says, and nothing beside it.
const ofPage = (page: Page): ValuesOf<typeof pageSettings> => page;
const ofScene = (scene: Page["scenes"][number]): ValuesOf<typeof sceneSettings> => scene;
const ofLayer = (layer: Layer): { [Key in keyof LayerRows]?: TypeOf<LayerRows[Key]["grammar"]> } => layer;
const known = (key: KeysOf<Layer>): keyof LayerRows | "rules" | "layers" => key;
type KeysOf<Union> = Union extends unknown ? keyof Union : never;
// @ts-expect-error a setting that the table does not know
const unknown: keyof LayerRows = "wobble";
// @ts-expect-error a value that its grammar does not have
const fit: TypeOf<LayerRows["fit"]["grammar"]> = "fill";

export const used = [
  ...[right, place, both, noAlt, mixed, noPane, noFont, noText, bare, three, centred],
  ...[ofPage, ofScene, ofLayer, known, unknown, fit],
];
