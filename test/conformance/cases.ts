import fc from "fast-check";
import type { Layer, Length, Page, PageLook, Scene } from "lumbit/core";
import type { Ramp } from "lumbit/internal";
import { randomScenes } from "../random-scenes.ts";

/** One row of the conformance table: a feature and a page that uses it. */
export interface Case {
  name: string;
  page: Page;
}

const page = (scenes: Scene[], look: PageLook = {}): Page => ({
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  page: { background: "#fff", ...look },
  scenes,
});
const gap = (name: string, height: Scene["height"] = "110vh"): Scene => ({ name, height, layers: [] });
/** A scene in the middle of a page, so that its whole passage can be reached. */
const middle = (scene: Partial<Scene> & { layers: readonly Layer[] }, look?: PageLook) =>
  page([gap("before"), { name: "scene", height: "90vh", ...scene }, gap("after")], look);
const box = { left: "20%", top: "30%", width: "160px", height: "90px" } as const;
const tank: Omit<Extract<Layer, { image: string }>, "name" | "depth" | "speed"> = {
  image: "tank.png",
  alt: "",
};
const block = (name: string, more: object = {}): Layer =>
  ({ name, shape: "rectangle", background: "#0a6", place: box, ...more }) as Layer;

// biome-ignore lint/suspicious/noExplicitAny: what is made at random
type Json = Record<string, any>;
const constants = <T extends object>(values: T) =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, fc.constant(value)]));

/** A ramp by its stops, each a moment, a value and how it goes on. */
const ramp = (property: string, ...stops: [at: string, value: string | number, easing?: string][]) =>
  ({
    property,
    stops: stops.map(([at, value, easing]) => ({ at, value, ...(easing && { easing }) })),
  }) as unknown as Ramp;

const size = fc
  .tuple(fc.integer({ min: 2, max: 30 }), fc.constantFrom("%", "vw", "vh", "rem"))
  .map(([value, unit]) => `${unit === "rem" ? value / 5 : value}${unit}`);
const words = fc.constantFrom(
  "Tide",
  "High water at six",
  "The wheel turns when the mill pond is full, twice a day",
);
/** Where something stands in a group that is as large as what is in it. */
const insets = fc.oneof(
  fc.record({ left: size, top: size }),
  fc.record({ right: size, bottom: size }),
  fc.constant({ center: "both" }),
  fc.record({ center: fc.constant("x"), top: fc.constant("-6px") }),
);
const stretched = fc.oneof(
  fc.record({ left: size, right: size, top: size, bottom: size }),
  fc.record({ left: size, right: size, bottom: size, height: size }),
);
/** Rows of anything, rows among them, and groups that are as large as what is in them. */
const randomRows = fc
  .array(
    fc.letrec((tie) => ({
      row: fc.record({
        row: fc.record(
          {
            along: fc.constantFrom("x", "y"),
            gap: size,
            align: fc.constantFrom("start", "middle", "end", "stretch"),
          },
          { requiredKeys: [] },
        ),
        wrap: fc.boolean(),
        padding: fc.constantFrom("0px", "1vw", "12px"),
        layers: fc.array(
          fc.oneof(
            { maxDepth: 2 },
            fc.record({ text: words }),
            fc.record({ text: words, maxWidth: size }),
            fc.record({ ...constants(tank), place: fc.record({ width: size }) }),
            fc.record({
              ...constants(tank),
              place: fc.record({ width: size, height: size }),
              pane: fc.boolean(),
            }),
            fc.record({
              ...constants({ shape: "rectangle", background: "#0a6" }),
              place: fc.record({ width: size, height: size }),
              hidden: fc.boolean(),
            }),
            tie("row"),
            tie("fit"),
          ),
          { minLength: 1, maxLength: 5 },
        ),
      }),
      fit: fc.record({
        bare: fc.boolean(),
        layers: fc.array(
          fc.oneof(
            { maxDepth: 2 },
            fc.record({ text: words, place: insets, wrap: fc.boolean() }),
            fc.record({
              ...constants(tank),
              place: fc.tuple(insets, size).map(([at, width]) => ({ ...at, width })),
            }),
            fc.record(constants(tank)),
            fc.record({ ...constants({ shape: "rectangle", background: "#0a6" }), place: stretched }),
            tie("row"),
            tie("fit"),
          ),
          { minLength: 1, maxLength: 4 },
        ),
      }),
    })).row,
    { minLength: 5, maxLength: 5 },
  )
  .map((rows) => {
    let count = 0;
    const sized = ({ text, row, image, place }: Json) => text || row || (image && place);
    const named = ({ wrap, bare, ...own }: Json): Json => ({
      ...own,
      // Without a place it is as large only as what has a size.
      ...(bare !== undefined && !(bare && own.layers.some(sized)) && { place: {} }),
      name: `l${count++}`,
      ...(own.row && { row: { ...own.row, ...(wrap && own.row.along !== "y" && { wrap }) } }),
      ...(own.layers && { layers: own.layers.map(named) }),
    });
    const places = [
      { center: "both" },
      { left: "4%", top: "2vh" },
      { right: "3%", bottom: 0 },
      { left: "10%", width: "70%", top: "30%" },
    ];
    return (rows as Json[]).map(
      (row, index) =>
        ({
          ...named(row),
          ...{ depth: index / 3 - 0.5, place: places[index], pane: index % 2 === 1 },
        }) as unknown as Layer,
    );
  });

/** A scene that holds while a reel of slides of a width travels. */
const reelScene = (
  width: Length,
  own: { narrow?: "travel"; direction?: "right" } = {},
): Partial<Scene> & { layers: readonly Layer[] } => ({
  height: "100vh",
  hold: "180vh",
  relief: 0.9,
  layers: [
    {
      name: "reel",
      reel: { width, gap: "3vw", ...own },
      place: { left: "5%", right: "5%", top: "10%", height: "70%" },
      layers: Array.from({ length: 4 }, (_, index) => ({
        name: `slide-${index}`,
        layers: [
          { name: `fill-${index}`, ...tank, depth: 0.8 },
          {
            name: `pane-${index}`,
            ...tank,
            depth: index - 0.4,
            pane: true,
            place: { left: "20%", width: "30%", top: "10%", height: "40%" },
          },
          {
            name: `near-${index}`,
            shape: "ellipse" as const,
            background: "#fa0",
            depth: -0.2,
            place: box,
            rules: [
              {
                media: "(min-width: 1900px) or (max-height: 500px)",
                ramps: [ramp("opacity", ["cover 20%", 1], ["cover 80%", 0.4])],
              },
            ],
          },
          {
            name: `title-${index}`,
            text: "Herring",
            as: "h3" as const,
            place: { left: "10%", bottom: "10%" },
            rules: [{ media: "(min-width: 1000px)", depth: 0.6 }],
          },
        ],
      })),
    },
    block("behind", { depth: 1.2 }),
  ] as Layer[],
});

/** Every feature is at least one row. */
export const cases: Case[] = [
  {
    name: "depths behind and in front",
    page: middle({
      layers: [0, 0.4, 1, 3, -0.25, -0.5].map((depth, index) => block(`d${index}`, { depth })),
    }),
  },
  {
    name: "speeds",
    page: middle({ layers: [0, 0.3, 1, 1.6].map((speed, index) => block(`s${index}`, { speed })) }),
  },
  {
    name: "directions",
    page: middle({
      layers: (["down", "up", "left", "right", 45, 200] as const).map((direction, index) =>
        block(`v${index}`, { depth: 1, direction }),
      ),
    }),
  },
  ...(
    [
      ["auto", "enter", "top"],
      ["middle", "bottom"],
      ["leave", 0.3],
    ] as const
  ).map((settles) => ({
    name: `settle ${settles.join(", ")}`,
    page: page([
      gap("before"),
      ...settles.map(
        (settle, index): Scene => ({
          name: `scene-${index}`,
          height: "90vh",
          settle,
          layers: [block("x", { depth: 1.5 }), { name: "fill", ...tank, depth: 1 }],
        }),
      ),
      gap("after"),
    ]),
  })),
  {
    name: "settle auto at the top and the end of the page",
    page: page([
      { name: "first", height: "40vh", layers: [{ name: "a", ...tank, depth: 0.7 }] },
      { name: "second", height: "130vh", layers: [block("b", { depth: 2 })] },
      { name: "third", height: "90vh", layers: [{ name: "c", ...tank, depth: 0.5 }] },
      { name: "last", height: "20vh", layers: [{ name: "d", ...tank, depth: 3 }] },
    ]),
  },
  {
    name: "settle auto beside scenes as high as their content",
    page: page([
      { name: "first", content: [{ text: "High water at six." }], paddingTop: "3rem", layers: [] },
      { name: "second", height: "30vh", layers: [{ name: "a", ...tank, depth: 0.7 }] },
      { name: "third", height: "120vh", layers: [block("b", { depth: 2 })] },
      {
        name: "fourth",
        height: "50vh",
        layers: [{ name: "c", ...tank, depth: 1 }, block("d", { speed: 2 })],
      },
      { name: "last", content: [{ text: "Low water at noon." }], paddingBottom: "20vh", layers: [] },
    ]),
  },
  {
    name: "pictures that fill short, tall and equal scenes",
    page: page([
      { name: "short", height: "45vh", layers: [{ name: "a", ...tank, depth: 1 }] },
      { name: "tall", height: "210vh", layers: [{ name: "b", ...tank, depth: 2 }] },
      { name: "equal", layers: [{ name: "c", ...tank, depth: -0.3 }] },
      { name: "px", height: "500px", layers: [{ name: "d", ...tank, depth: 0.2, subject: [0.2, 0.9] }] },
    ]),
  },
  {
    name: "fixed backdrops in a row",
    page: page(
      ["one", "two", "three", "four"].map((name) => ({
        name,
        height: name === "two" ? "60vh" : "120vh",
        layers: [{ name: "water", ...tank, depth: "horizon" }, block("near", { depth: -0.2 })],
      })),
    ),
  },
  {
    name: "a horizon picture above a moving layer",
    page: middle({
      layers: [
        { name: "low", ...tank, depth: 2, order: "horizon" },
        { name: "sky", ...tank, depth: "horizon", order: 1 },
      ],
    }),
  },
  {
    name: "panes, two columns opposed",
    page: middle({
      height: "120vh",
      layers: [
        {
          name: "neap",
          ...tank,
          depth: 1,
          pane: true,
          radius: "12px",
          place: { left: "5%", top: "10%", width: "40%", height: "70%" },
        },
        {
          name: "spring",
          ...tank,
          depth: 1,
          direction: "up",
          pane: true,
          place: { right: "5%", bottom: "10%", width: "40%", height: "70%" },
        },
        {
          name: "middle",
          ...tank,
          depth: 0.5,
          direction: "left",
          pane: true,
          place: { center: "both", width: "20%", height: "100px" },
        },
        {
          name: "slanted",
          ...tank,
          depth: 0.6,
          direction: 120,
          pane: true,
          place: { center: "x", top: "2%", width: "180px" },
        },
      ],
    }),
  },
  {
    name: "a column that runs inside a frame",
    page: middle({
      layers: [
        {
          name: "screen",
          pane: true,
          radius: "24px",
          place: { center: "both", width: "300px", height: "60%" },
          size: { height: "260%" },
          travel: { y: ["0%", "-61.5%"], over: ["contain 0%", "contain 100%"] },
          background: "#cde",
          layers: [
            block("head", { place: { left: "10%", top: "5%", width: "80%", height: "20%" } }),
            { name: "words", text: "Tide", place: { center: "x", top: "40%" } },
          ],
        } as Layer,
      ],
    }),
  },
  {
    name: "a group moves as one",
    page: middle({
      layers: [
        {
          name: "crate",
          depth: 0.8,
          direction: "right",
          place: { left: "30%", top: "20%", width: "50%", height: "50%" },
          layers: [block("in"), { name: "on", ...tank, place: { right: "5%", bottom: 0, width: "30%" } }],
        } as Layer,
      ],
    }),
  },
  {
    name: "travels",
    page: middle({
      layers: [
        block("scene", { travel: { x: ["-50%", "150%"], y: ["0px", "20vh"] } }),
        block("own", { travel: { x: ["0px", "40vw"], over: ["entry 20%", "exit 60%"], of: "layer" } }),
        block("page", { travel: { y: ["0px", "-30vh"], over: ["cover 10%", "cover 80%"], of: "page" } }),
        block("part", {
          depth: 1,
          travel: { x: ["3rem", "-3rem"], over: ["entry-crossing 50%", "exit-crossing 25%"] },
        }),
        block("contain", { travel: { x: ["0px", "100px"], over: ["contain 0%", "contain 100%"] } }),
      ],
    }),
  },
  {
    name: "layers that settle by their own passage",
    page: page([
      gap("before"),
      {
        name: "scene",
        height: "240vh",
        layers: [
          block("middle", { depth: 1, settle: "middle" }),
          block("enter", { depth: -0.4, settle: "enter", place: { ...box, top: "70%" } }),
          block("top", { depth: 0.5, direction: "right", settle: "top", place: { ...box, top: "55%" } }),
          block("leave", { speed: 0, settle: "leave", place: { ...box, top: "10%" } }),
          block("share", { depth: 2, direction: 30, settle: 0.3, place: { ...box, top: "40%" } }),
          block("ramped", {
            depth: 0.8,
            settle: "bottom",
            place: { ...box, top: "80%", left: "60%" },
            ramps: [ramp("opacity", ["cover 20%", 0.2], ["cover 80%", 1])],
          }),
          {
            name: "words",
            text: "Low water\nat Pellow",
            depth: 1.5,
            settle: "middle",
            place: { left: "8%", top: "60%" },
          },
          {
            name: "pane",
            ...tank,
            depth: 0.9,
            settle: "middle",
            pane: true,
            place: { ...box, top: "20%", left: "60%" },
          },
          { name: "fill", ...tank, depth: 3, settle: "top" },
          {
            name: "group",
            depth: 0.6,
            settle: "middle",
            place: { ...box, top: "45%", left: "70%" },
            layers: [{ name: "in", ...tank, place: box }],
          },
        ],
      },
      gap("after"),
    ]),
  },
  {
    name: "texts on a ground of their own",
    page: middle({
      layers: [
        {
          ...{
            name: "panel",
            text: "Opening times: from low water to an hour after high water, every day but one",
            as: "h2",
          },
          ...{
            background: "#fff",
            padding: "1.5rem",
            radius: "12px",
            shadow: "0 4px 20px #0004",
            depth: 0.5,
          },
          ...{ fontSize: "22px", maxWidth: "300px", place: { left: "8%", top: "12%" } },
        },
        {
          name: "label",
          text: "Low water",
          background: "#fd8",
          padding: "4px",
          depth: -0.2,
          place: { right: "6%", bottom: "10%" },
        },
        {
          ...{ name: "wide", text: "From the shelf down to the deep", background: "#def", padding: "2vh" },
          ...{
            place: { left: "10%", width: "50%", top: "60%" },
            ramps: [ramp("opacity", ["cover 20%", 0.4], ["cover 70%", 1])],
          },
        },
      ],
    } as Partial<Scene> & { layers: readonly Layer[] }),
  },
  {
    name: "texts that are strong and emphasized in part, with links, whole and in words",
    page: middle({
      layers: [
        {
          name: "words",
          text: "**Low** water at *noon*, see [the log](#after)",
          depth: 1,
          place: { left: "10%", top: "20%", width: "300px" },
        },
        {
          name: "pieces",
          text: "**Slack** wa*ter* again",
          depth: -0.3,
          place: { left: "40%", top: "50%", width: "260px" },
          ramps: [
            { ...ramp("opacity", ["cover 0%", 0], ["cover 50%", 1]), pieces: "words" } as unknown as Ramp,
          ],
        },
      ],
    }),
  },
  {
    name: "films, filling, in a pane, placed, as links",
    page: middle({
      layers: [
        { name: "filled", ...tank, video: "waves.webm", depth: 2 },
        { name: "paned", ...tank, video: "waves.webm", depth: 1, pane: true, place: box },
        {
          name: "placed",
          ...tank,
          video: "waves.webm",
          depth: -0.3,
          place: { left: "60%", top: "20%", width: "20%" },
        },
        {
          name: "linked",
          ...tank,
          video: "waves.webm",
          alt: "Surf",
          href: "#scene",
          depth: 0.5,
          place: { left: "10%", bottom: "10%" },
        },
      ],
    }),
  },
  {
    name: "groups in groups, with a pane and ramps",
    page: middle({
      layers: [
        {
          name: "case",
          depth: 0.7,
          background: "#123",
          place: { left: "12%", width: "60%", top: "10%", height: "70%" },
          ramps: [ramp("scale", ["cover 0%", 0.9], ["cover 100%", 1.1])],
          layers: [
            {
              name: "frame",
              background: "#456",
              place: { left: "10%", width: "50%", top: "8%", height: "80%" },
              layers: [
                {
                  name: "screen",
                  pane: true,
                  place: { left: "6%", right: "6%", top: "6%", height: "50%" },
                  size: { height: "180%" },
                  travel: { y: ["0%", "-44.4%"] },
                  layers: [
                    block("row", { place: { left: "8%", width: "70%", top: "30%", height: "20%" } }),
                    { name: "said", text: "High water", place: { center: "x", bottom: "4%" } },
                  ],
                },
                { name: "knob", ...tank, place: { right: "4%", width: "20%", bottom: "4%" } },
              ],
            },
            {
              name: "tag",
              place: { right: "4%", width: "26%", top: "40%", height: "30%" },
              ramps: [{ ...ramp("x", ["entry 0%", "0px"], ["exit 100%", "-30px"]), of: "layer" }],
              layers: [block("inner", { place: { left: 0, right: 0, top: "20%", height: "50%" } })],
            },
          ],
        },
      ],
    } as Partial<Scene> & { layers: readonly Layer[] }),
  },
  {
    name: "rows, columns and lines that wrap, as large as what is in them",
    page: middle({
      layers: [
        {
          name: "cards",
          depth: 0.6,
          background: "#123",
          radius: "8px",
          padding: "1rem",
          place: { center: "x", top: "6%" },
          row: { gap: "2vw", align: "middle" },
          rules: [{ media: "(max-width: 700px)", row: { along: "y", gap: "10px", align: "end" } }],
          layers: [
            { name: "picture", ...tank, place: { width: "18%" } },
            {
              name: "words",
              row: { along: "y", gap: "6px" },
              padding: "8px",
              background: "#345",
              layers: [
                { name: "high", text: "High water", as: "h3", fontSize: "22px" },
                {
                  name: "long",
                  text: "The wheel turns at six, and again when the mill pond is full",
                  maxWidth: "30%",
                },
                { name: "gone", text: "Never seen", hidden: true },
              ],
            },
            {
              name: "chip",
              ...tank,
              pane: true,
              place: { width: "60px", height: "8vh" },
              ramps: [ramp("rotate", ["cover 0%", 0], ["cover 100%", 40])],
            },
          ],
        },
        {
          name: "wrapped",
          depth: -0.2,
          place: { left: "8%", right: "12%", bottom: "4%" },
          row: { gap: "12px", wrap: true, align: "end" },
          layers: Array.from({ length: 7 }, (_, index) =>
            block(`stone-${index}`, {
              place: { width: `${80 + 30 * (index % 4)}px`, height: `${20 + 8 * index}px` },
            }),
          ),
        },
        {
          name: "band",
          background: "#678",
          place: { right: "4%", top: "45%", width: "40%", height: "20%" },
          row: { align: "middle", gap: "3%" },
          layers: [
            { name: "said", text: "Low water at noon, slack before", fontSize: "18px" },
            block("end", { place: { width: "5%", height: "5%" } }),
          ],
        },
      ],
    }),
  },
  {
    name: "groups as large as what is in them",
    page: middle({
      layers: [
        {
          name: "card",
          ...{ depth: -0.25, place: { left: "6%", top: "12vh" }, radius: "6px" },
          layers: [
            block("panel", { place: { left: 0, right: 0, top: "30px", bottom: 0 } }),
            { name: "shown", ...tank, place: { left: "2%", top: 0, width: "22%" } },
            {
              name: "said",
              text: "Here from April to the first frost, and gone by the neap tide",
              maxWidth: "22%",
              place: { left: "2%", right: "2%", top: "120px", bottom: "1.5vh" },
            },
          ],
        },
        {
          name: "tag",
          ...{ depth: 0.5, place: { right: "8%", bottom: "6%", width: "34%" } },
          rules: [{ media: "(max-width: 700px)", place: { right: "2%", top: "4%", width: "60%" } }],
          layers: [
            { name: "ground", ...tank },
            {
              name: "long",
              text: "Slack water, twice a day, and in the weeks of spring tides a little longer",
              fontSize: "24px",
              place: { left: "4%", top: "20px", bottom: "44px" },
              rules: [
                { media: "(max-width: 700px)", place: { left: "1%", right: "1%", top: 0, bottom: "60px" } },
              ],
            },
            { name: "corner", text: "ebb", place: { right: "6px", bottom: "4px" } },
            {
              name: "pill",
              place: { center: "x", bottom: "-10px" },
              ramps: [ramp("scale", ["cover 0%", 0.6], ["cover 100%", 1.2])],
              layers: [
                block("round", { place: undefined, radius: "99px" }),
                {
                  name: "words",
                  text: "in the middle",
                  place: { left: "12px", right: "12px", top: "4px", bottom: "4px" },
                },
                {
                  name: "framed",
                  ...tank,
                  pane: true,
                  place: { left: "1vw", bottom: 0, width: "30px", height: "3vh" },
                },
              ],
            },
          ],
        },
        {
          name: "emblem",
          ...{ depth: 0.3, ramps: [ramp("rotate", ["cover 0%", -8], ["cover 100%", 12])] },
          layers: [
            { name: "washed", ...tank },
            block("disc", { place: { left: 0, top: "8px", width: "14vw", height: "70px" } }),
            {
              name: "legend",
              layers: [
                block("plate", { place: undefined }),
                {
                  name: "hours",
                  text: "Open at ebb",
                  place: { left: "10px", right: "10px", top: "4px", bottom: "4px" },
                },
              ],
            },
          ],
        },
        {
          name: "filling",
          depth: 1.2,
          layers: [block("rim", { place: { left: 0, right: 0, top: 0, height: "2px" } })],
        },
        {
          name: "high",
          place: { center: "both", height: "40vh" },
          layers: [
            {
              name: "middle",
              text: "As high as it says",
              place: { center: "y", left: "10px", right: "14px" },
            },
            { name: "foot", text: "Wide by this one, which says more", place: { center: "x", bottom: 0 } },
            block("line", { place: { left: 0, right: 0, top: 0, height: "3px" } }),
            { name: "fitted", text: "Ebb", fontSize: { fit: "20vw" }, place: { right: "4px", top: "20px" } },
          ],
        },
        {
          name: "narrow",
          place: { left: "60%", top: "2%" },
          layers: [
            {
              ...{
                name: "never",
                text: "A line that is never broken, however narrow the screen",
                wrap: false,
              },
              ...{ fontSize: "20px", place: { left: "1rem", top: "6px" } },
            },
            {
              name: "wide",
              row: { gap: "4px" },
              place: { right: 0, top: "40px", width: "30%" },
              layers: [{ name: "abreast", text: "By row, in here" }],
            },
          ],
        },
      ],
    }),
  },
  {
    name: "groups and rows that run in panes, whose reach follows",
    page: middle({
      camera: { sway: "24px" },
      rules: [{ media: "(max-width: 600px)", camera: { sway: "0px" } }],
      layers: [
        {
          name: "screen",
          ...{ pane: true, speed: 1.2, place: { left: "6%", width: "36%", top: "10vh", height: "60vh" } },
          rules: [{ media: "(max-width: 600px)", speed: 1 }],
          layers: [
            { name: "whole", ...tank },
            { name: "title", text: "Line seven", place: { center: "x", top: "30%" } },
          ],
        },
        {
          name: "sheet",
          ...{ background: "#eee", pane: true, depth: -0.3, padding: "3vw", direction: 30 },
          row: { along: "y", gap: "12px", align: "stretch" },
          place: { right: "4%", width: "40%", top: "30vh" },
          rules: [
            { media: "(min-width: 1000px)", depth: 0.5, row: { along: "x", gap: "2vw" }, padding: "1vw" },
          ],
          layers: [
            { name: "said", text: "Slack water is when nothing moves, and it does not last" },
            { name: "shown", ...tank, place: { width: "20%" } },
            { name: "more", text: "Ten minutes", fontSize: "20px" },
          ],
        },
        {
          name: "low",
          ...{ pane: true, speed: 1.4, place: { left: "5%", width: "50%", bottom: 0, height: "90px" } },
          row: { along: "x", align: "middle" },
          layers: [
            { name: "tall", ...tank, place: { width: "10%", height: "30vh" } },
            { name: "beside", text: "Higher than its window" },
          ],
        },
      ],
    }),
  },
  {
    name: "pieces of markup, by themselves, in groups and in rows",
    page: middle({
      layers: [
        {
          name: "form",
          markup: "form.html",
          depth: 0.7,
          place: { left: "8%", width: "40%", top: "12%", height: "160px" },
        },
        {
          ...{ name: "group", depth: -0.3, place: { right: "5%", width: "40%", top: "50%", height: "40%" } },
          layers: [
            {
              ...{
                name: "map",
                markup: "map.svg",
                place: { left: "10%", right: "10%", top: 0, bottom: "20%" },
              },
              ramps: [ramp("scale", ["cover 0%", 0.8], ["cover 100%", 1.2])],
            },
          ],
        },
        {
          ...{
            name: "row",
            depth: 0.2,
            place: { left: "4%", bottom: "6%" },
            row: { gap: "12px", align: "middle" } as const,
          },
          layers: [
            { name: "mark", markup: "map.svg", place: { width: "8%", height: "40px" } },
            { name: "said", text: "Here", as: "p" as const },
          ],
        },
      ],
    }),
  },
  {
    name: "content on a side of the column, beside layers",
    page: page(
      [
        gap("before"),
        {
          ...{
            name: "scene",
            contentWidth: "44%",
            contentSide: "right",
            paddingTop: "10vh",
            paddingBottom: "10vh",
          },
          rules: [
            { media: "(max-width: 700px)", contentWidth: "100%" },
            { media: "(min-width: 1500px)", contentSide: "left" },
          ],
          content: [
            { text: "The keepers", as: "h2", fontSize: "30px" },
            {
              text: "They write down what the sea leaves: rope, boots, a lamp, and once a door with its key in it. ".repeat(
                3,
              ),
            },
          ],
          layers: [
            block("beside", { depth: 0.8 }),
            { name: "words", text: "Left of it", depth: -0.2, place: { left: "5%", bottom: "8%" } },
          ],
        },
        gap("after"),
      ],
      { column: "900px", margin: "4%" },
    ),
  },
  {
    name: "drift in the width of the screen",
    page: middle({
      camera: { pan: 0.1 },
      layers: [
        block("right", { depth: 0.8, direction: "right", sideways: "width" }),
        block("left", { depth: -0.3, direction: "left", sideways: "width", settle: "middle" }),
        block("slanted", {
          depth: 1.4,
          direction: 60,
          rules: [
            { media: "(max-width: 700px)", sideways: "width" },
            { media: "(min-width: 1500px)", direction: 120 },
          ],
        }),
        block("ruled", {
          ...{ depth: 0.5, direction: "right", sideways: "width" },
          rules: [{ media: "(orientation: portrait)", sideways: "height" }],
        }),
      ],
    }),
  },
  {
    name: "moments at a distance from the start of a range",
    page: middle({
      layers: [
        block("scene", { ramps: [ramp("x", ["cover 120px", "0px"], ["cover 60vh", "90px"])] }),
        block("own", { travel: { y: ["0px", "-80px"], over: ["entry 40px", "exit 10vh"], of: "layer" } }),
        block("page", {
          depth: 0.7,
          travel: { x: ["0vw", "20vw"], over: ["cover 0px", "cover 700px"], of: "page" },
        }),
        block("mixed", {
          ramps: [ramp("opacity", ["contain 0%", 1], ["contain 90px", 0.3], ["exit 50%", 0])],
        }),
        block("held", { depth: 1, hold: ["cover 400px", "cover 70vh"] }),
      ],
    }),
  },
  {
    name: "layers that are links",
    page: middle({
      layers: [
        {
          name: "picture",
          ...tank,
          alt: "The tank",
          href: "#before",
          depth: 0.8,
          place: { left: "10%", width: "30%", top: "20%" },
        },
        {
          name: "paned",
          ...tank,
          alt: "The mill",
          href: "#after",
          depth: 1.4,
          pane: true,
          place: box,
          radius: "12px",
        },
        {
          name: "filled",
          ...tank,
          alt: "The sound",
          href: "https://tidehouse.example/",
          depth: 3,
          subject: [0.2, 0.8],
        },
        {
          name: "words",
          text: "Plan your visit",
          as: "h2",
          href: "#after",
          depth: 0.5,
          place: { right: "4%", top: "60%" },
        },
        {
          name: "card",
          href: "#before",
          depth: -0.2,
          background: "#fff",
          place: { left: "60%", top: "10%", width: "220px", height: "140px" },
          layers: [{ name: "said", text: "Opening times", place: { left: "8%", top: "8%" } }],
        },
      ],
    }),
  },
  {
    name: "relief of page and scene",
    page: middle(
      { relief: 0.5, layers: [block("a", { depth: 2 }), { name: "b", ...tank, depth: "horizon" }] },
      { relief: 1.6 },
    ),
  },
  {
    name: "a flat page",
    page: middle(
      { layers: [block("a", { depth: 2 }), { name: "b", ...tank, depth: "horizon" }] },
      { relief: 0 },
    ),
  },
  {
    name: "pan",
    page: middle({
      camera: { pan: 0.4 },
      layers: [block("a", { depth: 1 }), { name: "b", ...tank, depth: 2 }, block("c", { depth: -0.3 })],
    }),
  },
  {
    name: "a camera that sways, at rest",
    page: middle({
      camera: { sway: "5vw" },
      layers: [
        { name: "fill", ...tank, depth: "horizon" },
        { name: "pane", ...tank, depth: -0.4, pane: true, place: box },
        block("a", { depth: 1 }),
      ],
    }),
  },
  {
    name: "push",
    page: middle({
      camera: { push: 0.3 },
      layers: [
        block("a", { depth: 1 }),
        block("b", { depth: 0 }),
        block("c", { depth: 4 }),
        { name: "d", ...tank, depth: "horizon" },
      ],
    }),
  },
  {
    name: "haze and focus",
    page: middle(
      {
        layers: [
          block("a", { depth: 0 }),
          block("b", { depth: 1 }),
          block("c", { depth: 6 }),
          block("e", { depth: -0.4 }),
          { name: "d", ...tank, depth: "horizon" },
        ],
      },
      { haze: 0.6, focus: { depth: 1, blur: "8px" } },
    ),
  },
  {
    name: "layers that are pale, turned, soft and blended by themselves, under rules and with ramps",
    page: middle(
      {
        layers: [
          block("a", { depth: 1, opacity: 0.5, rotate: 30, blur: "4px", blend: "multiply" }),
          block("b", {
            depth: 2,
            rotate: -20,
            blur: "2px",
            opacity: 0.8,
            ramps: [
              ramp("rotate", ["cover 20%", 0], ["cover 80%", 90]),
              ramp("blur", ["cover 20%", "0px"], ["cover 80%", "6px"]),
              ramp("opacity", ["cover 20%", 1], ["cover 80%", 0.5]),
            ],
          }),
          block("c", {
            depth: 0.4,
            rotate: 10,
            rules: [
              { media: "(max-width: 600px)", opacity: 0.3, rotate: 45 },
              { media: "(min-width: 1200px)", blur: "5px", depth: 1.4 },
            ],
          }),
          { name: "d", ...tank, depth: 3, opacity: 0.7, blur: "1px", blend: "screen" },
          {
            name: "e",
            place: box,
            depth: 0.5,
            rotate: 15,
            opacity: 0.9,
            layers: [block("e-in", { rotate: 30, opacity: 0.5, blur: "3px" })],
          } as Layer,
          { name: "f", text: "Ebb", rotate: 8, opacity: 0.6, depth: 0.3 },
          { name: "g", ...tank, pane: true, place: box, depth: 1, opacity: 0.4, blend: "difference" },
        ],
      },
      { haze: 0.3, focus: { depth: 0, blur: "3px" } },
    ),
  },
  {
    name: "placing with every inset and unit",
    page: middle({
      height: "700px",
      layers: [
        { name: "a", ...tank, place: { left: "-5%", right: "10vw", bottom: "-8vh" }, depth: 0.2 },
        { name: "b", ...tank, place: { center: "x", height: "30%", top: "2rem" } },
        block("s", {
          place: {
            left: "calc(50% - 3vw + 20px)",
            top: "calc(10% + 1rem)",
            width: "calc(20% - 5px)",
            height: "calc(5vh + 4px)",
          },
        }),
        { name: "c", ...tank, place: { center: "both", width: "120%" }, depth: 0.1 },
        { name: "d", ...tank, place: { right: "10px", top: "10svh", bottom: "20dvh", width: "15lvw" } },
        block("e", { place: { left: "5svw", right: "5dvw", top: 0, height: "1rem" } }),
        {
          name: "f",
          ...tank,
          place: { center: "y", left: "3vw", width: "200px", height: "200px" },
          fit: "contain",
          variants: { "2": "tank.png" },
        },
      ],
    }),
  },
  {
    name: "texts",
    page: middle({
      layers: [
        {
          name: "a",
          text: "Low water",
          as: "h2",
          depth: 1,
          fontSize: { min: "20px", max: "60px" },
          place: { center: "x", top: "10%" },
        },
        {
          name: "b",
          text: "The tide comes in through the wheel pit and goes out again, twice a day.",
          place: { left: "10%", top: "40%" },
          maxWidth: "14rem",
          lineHeight: 1.5,
        },
        {
          name: "c",
          text: "neap spring",
          wrap: false,
          repeat: 6,
          depth: 0.8,
          direction: "left",
          place: { left: 0, top: "70%" },
          outline: "1px",
        },
        {
          name: "d",
          text: "spring neap",
          wrap: false,
          repeat: 6,
          depth: 0.8,
          direction: "right",
          place: { right: 0, top: "80%" },
          letterSpacing: "0.1em",
        },
      ],
    }),
  },
  {
    name: "texts fitted to a width",
    page: {
      ...middle({
        layers: [
          {
            name: "a",
            text: "Spring tide",
            as: "h2",
            depth: 1,
            fontFamily: "Figtree, sans-serif",
            fontSize: { fit: "90%" },
            place: { center: "x", top: "5%" },
          },
          {
            name: "b",
            text: "Low water\nat the mill",
            fontFamily: "Figtree, sans-serif",
            fontWeight: 800,
            letterSpacing: "-0.03em",
            lineHeight: 1,
            fontSize: { fit: "40vw" },
            place: { right: "5%", bottom: "10%" },
            rules: [
              { media: "(max-width: 600px)", fontWeight: 300 },
              { media: "(max-aspect-ratio: 1/1)", fontSize: { fit: "70%" } },
            ],
          },
        ],
      }),
      fonts: [{ family: "Figtree", src: "figtree.woff2", weight: "300 900" }],
    },
  },
  {
    name: "rules that put pictures into panes, take them out, and place what filled its scene",
    page: middle(
      {
        height: "120vh",
        camera: { push: 0.2 },
        rules: [{ media: "(orientation: landscape)", camera: { pan: 0.1 } }],
        layers: [
          {
            name: "filled",
            ...tank,
            depth: 1,
            rules: [
              { media: "(max-width: 600px)", place: { left: "10%", right: "10%", top: "20%" } },
              {
                media: "(min-width: 1500px)",
                place: { left: 0, width: "30%", top: "5%", height: "40%" },
                pane: true,
              },
            ],
          },
          {
            name: "placed",
            ...tank,
            depth: 2,
            rules: [{ media: "(min-width: 1000px)", place: { center: "x", width: "50%", bottom: "10%" } }],
          },
          {
            name: "paned",
            ...tank,
            depth: 0.6,
            pane: true,
            radius: "20px",
            place: { right: "5%", width: "30%", top: "10%", height: "35%" },
            rules: [
              { media: "(max-width: 900px)", pane: false },
              { media: "(max-width: 600px)", pane: true },
            ],
          },
          {
            name: "free",
            ...tank,
            depth: -0.3,
            place: { left: "8%", width: "25%", top: "50%" },
            rules: [
              { media: "(min-width: 1000px)", pane: true },
              { media: "(min-width: 1500px)", pane: false, radius: "8px" },
            ],
          },
          {
            name: "group",
            depth: 0.4,
            place: { left: "40%", top: "60%", width: "220px", height: "180px" },
            size: { height: "160%" },
            rules: [
              { media: "(max-width: 900px)", pane: true },
              { media: "(max-width: 600px)", size: { width: "130%", height: "120%" } },
            ],
            layers: [
              { name: "in", ...tank, place: { right: 0, width: "50%", bottom: 0 } },
              {
                name: "inner",
                ...tank,
                rules: [{ media: "(max-width: 900px)", place: { left: "5%", width: "40%", top: 0 } }],
              },
            ],
          },
        ],
      },
      { camera: { pan: 0.05 } },
    ),
  },
  {
    name: "rules that show another picture, other lines and rows, and take a travel, a hold or a tilt away",
    page: middle(
      {
        layers: [
          {
            name: "mill",
            ...tank,
            depth: 0.7,
            place: { left: "5%", width: "40%", top: "10%" },
            rules: [
              { media: "(max-width: 600px)", image: "mill.png" },
              { media: "(orientation: portrait)", place: { right: 0, height: "50%", top: 0 } },
              {
                media: "(min-width: 1500px)",
                image: "mill.png",
                variants: { "2": "mill@2x.png" },
                place: { left: 0, top: 0 },
              },
            ],
          },
          {
            name: "fill",
            ...tank,
            depth: 3,
            rules: [{ media: "(max-width: 600px)", image: "mill.png" }],
          },
          {
            name: "line",
            text: "First and last tide of the day at Pellow Sound, and the slack between",
            depth: 0.2,
            fontSize: "28px",
            wrap: false,
            place: { left: "5%", top: "20%" },
            rules: [{ media: "(max-width: 600px)", wrap: true, maxWidth: "70%" }],
          },
          {
            name: "row",
            text: "High water",
            depth: 0.3,
            direction: "left",
            repeat: 5,
            fontSize: "40px",
            place: { left: 0, top: "60%" },
            rules: [
              { media: "(max-width: 600px)", repeat: 2 },
              { media: "(min-width: 1500px)", repeat: 8 },
            ],
          },
          block("away", {
            travel: { x: ["0px", "30vw"], y: ["-40px", "10vh"] },
            rules: [{ media: "(max-width: 900px)", travel: "none" }],
          }),
          block("kept", {
            depth: 0.5,
            hold: ["entry 100%", "exit 0%"],
            rules: [{ media: "(min-width: 1000px)", hold: "none" }],
          }),
          {
            name: "card",
            depth: 0.5,
            tilt: 10,
            place: { right: 0, bottom: 0, width: "200px", height: "160px" },
            rules: [{ media: "(max-width: 900px)", tilt: 0 }],
            layers: [{ name: "deep", ...tank, depth: 1, place: { left: 0, width: "50%", top: 0 } }],
          },
        ],
      },
      { focus: { depth: 0, blur: "4px" } },
    ),
  },
  {
    name: "scenes whose width, content and settle moment rules change",
    page: page(
      [
        gap("before"),
        {
          name: "flow",
          width: "column",
          paddingTop: "2rem",
          content: [
            {
              text: "Opening times",
              as: "h2",
              fontSize: "40px",
              rules: [
                { media: "(max-width: 600px)", fontSize: "24px", textAlign: "center", maxWidth: "10rem" },
              ],
            },
            { text: "Every day from first to last tide, and longer in the weeks of the spring tides." },
          ],
          layers: [
            block("near", { depth: -0.2, order: 1 }),
            block("mid", {
              depth: 0.5,
              place: { right: 0, bottom: "10%", width: "80px", height: "40%" },
              rules: [{ media: "(max-width: 900px)", depth: -0.3 }],
            }),
          ],
          rules: [{ media: "(max-width: 900px)", width: "full" }],
        },
        {
          name: "plain",
          height: "80vh",
          layers: [{ name: "fill", ...tank, depth: 1 }, block("x", { depth: 1 })],
          rules: [
            { media: "(min-width: 1000px)", width: "column", settle: "top" },
            { media: "(min-width: 1500px)", width: "full" },
          ],
        },
        gap("after"),
      ],
      { column: "600px" },
    ),
  },
  {
    name: "content in the flow",
    page: page([
      gap("before"),
      {
        name: "flow",
        minHeight: "30vh",
        paddingTop: "4rem",
        paddingBottom: "10vh",
        content: [
          { text: "Opening times", as: "h2", fontSize: "40px" },
          {
            ...{ text: "Every day from first to last tide.", background: "#def", padding: "1rem" },
            rules: [{ media: "(max-width: 700px)", padding: "2vh", shadow: "0 1px 4px #000" }],
          },
          { list: ["Ebb", "Flood"], background: "#fed", padding: "12px" },
          { text: "Plan a visit", href: "#before", background: "#034", radius: "8px", padding: "10px" },
        ],
        panel: { background: "#fffc", padding: "4vh", radius: "9px", blurBehind: "6px" },
        rules: [{ media: "(max-width: 700px)", panel: { padding: "1rem" } }],
        layers: [
          { name: "far", ...tank, depth: 1.4 },
          block("near", { depth: -0.2 }),
          block("mid", { depth: 0.5, place: { right: 0, bottom: "10%", width: "80px", height: "40%" } }),
        ],
      },
      gap("after"),
    ]),
  },
  {
    name: "a scene in the column",
    page: middle(
      { width: "column", layers: [{ name: "a", ...tank, depth: 1 }, block("b", { depth: 0.5 })] },
      { column: "300px" },
    ),
  },
  {
    name: "a page backdrop, slow",
    page: middle({ layers: [block("a")] }, { backdrop: { ...tank, depth: 3 } }),
  },
  {
    name: "a page backdrop, fixed",
    page: middle({ layers: [block("a")] }, { backdrop: { ...tank, depth: "horizon" } }),
  },
  {
    name: "ramps of every part of a pose",
    page: middle({
      layers: [
        block("opacity", { ramps: [ramp("opacity", ["exit 0%", 1], ["exit 70%", 0])] }),
        block("blur", { depth: 0.4, ramps: [ramp("blur", ["entry 0%", "12px"], ["contain 50%", "0px"])] }),
        block("scale", { depth: 1, ramps: [ramp("scale", ["cover 10%", 0.5], ["cover 90%", 1.6])] }),
        block("rotate", { depth: -0.2, ramps: [ramp("rotate", ["cover 0%", -30], ["cover 100%", 120])] }),
        block("x", { ramps: [ramp("x", ["cover 20%", "-50%"], ["exit 40%", "30vw"])] }),
        block("y", { depth: 2, ramps: [ramp("y", ["entry 50%", "20vh"], ["exit 50%", "-100%"])] }),
        block("light", {
          ramps: [
            ramp("brightness", ["cover 0%", 0.4], ["cover 100%", 1.4]),
            ramp("saturation", ["cover 0%", 2], ["cover 100%", 0]),
          ],
        }),
        {
          name: "soft",
          ...tank,
          depth: "horizon",
          ramps: [
            ramp("blur", ["entry 0%", "16px"], ["entry 100%", "0px"]),
            ramp("scale", ["cover 0%", 1], ["cover 100%", 1.3]),
          ],
        },
      ],
    }),
  },
  {
    name: "ramps over several stops, eased, with haze and focus",
    page: middle(
      {
        camera: { push: 0.2 },
        layers: [
          block("fade", {
            depth: 1.5,
            ramps: [
              ramp(
                "opacity",
                ["entry 10%", 0, "ease-in"],
                ["cover 40%", 1],
                ["cover 60%", 1, "ease-out"],
                ["exit 80%", 0.1],
              ),
              ramp("blur", ["cover 0%", "6px", "ease"], ["cover 50%", "0px"], ["cover 100%", "9px"]),
              ramp(
                "scale",
                ["cover 0%", 1, "cubic-bezier(0.3, 0, 0.1, 1)"],
                ["cover 50%", 1.4],
                ["cover 100%", 0.8],
              ),
            ],
          }),
          block("wander", {
            depth: 0.5,
            direction: "left",
            travel: { y: ["0px", "10vh"] },
            ramps: [
              ramp(
                "x",
                ["cover 0%", 0, "ease-in-out"],
                ["cover 30%", "80px"],
                ["cover 60%", "-40px"],
                ["cover 100%", "10vw"],
              ),
              ramp("rotate", ["cover 0%", 0, "steps(4)"], ["cover 100%", 90]),
            ],
          }),
        ],
      },
      { haze: 0.5, focus: { depth: 0, blur: "10px" } },
    ),
  },
  {
    name: "ramps of a group, of the layers in it, of the page, of a layer's own passage, and by rules",
    page: middle({
      layers: [
        {
          name: "group",
          depth: 0.8,
          place: { left: "15%", top: "20%", width: "300px", height: "200px" },
          ramps: [
            ramp("scale", ["cover 0%", 0.7], ["cover 100%", 1.3]),
            ramp("rotate", ["cover 0%", 0], ["cover 100%", 60]),
          ],
          layers: [
            { name: "filled", ...tank },
            {
              name: "in",
              shape: "ellipse",
              background: "#09f",
              place: { left: "10%", top: "10%", width: "40%", height: "30%" },
            },
            {
              name: "turned",
              shape: "rectangle",
              background: "#f90",
              place: { right: 0, bottom: 0, width: "60px", height: "40px" },
              ramps: [
                ramp("rotate", ["cover 0%", 0], ["cover 100%", -90]),
                ramp("x", ["cover 0%", 0], ["cover 100%", "-40px"]),
                ramp("opacity", ["cover 0%", 1], ["cover 50%", 0.3]),
              ],
            },
          ],
        },
        block("page", { ramps: [{ ...ramp("opacity", ["cover 0%", 0.2], ["cover 100%", 1]), of: "page" }] }),
        block("own", {
          depth: 1,
          ramps: [{ ...ramp("scale", ["entry 0%", 0.5], ["exit 100%", 1.5]), of: "layer" }],
        }),
        block("rule", {
          ramps: [ramp("opacity", ["entry 0%", 0], ["entry 100%", 1])],
          rules: [
            { media: "(max-width: 600px)", ramps: [] },
            { media: "(min-width: 1500px)", ramps: [ramp("x", ["cover 0%", "0px"], ["cover 100%", "20vw"])] },
          ],
        }),
      ],
    }),
  },
  ...(["60vh", "100vh", "140vh"] as const).map((height) => ({
    name: `a hold of a scene of ${height}`,
    page: middle({
      height,
      hold: "130vh",
      rules: [{ media: "(max-width: 600px)", hold: "400px" }],
      layers: [
        { name: "fill", ...tank, depth: "horizon" },
        {
          name: "pane",
          ...tank,
          depth: 0.7,
          pane: true,
          place: { left: "10%", width: "40%", top: "70%", height: "60%" },
        },
        {
          name: "near",
          ...tank,
          depth: -0.3,
          pane: true,
          place: { right: 0, width: "20%", top: "-20%", height: "50%" },
        },
        block("behind", { depth: 1.2 }),
        block("before", { depth: -0.3, direction: 200 }),
        block("still"),
        block("fade", { ramps: [ramp("opacity", ["contain 0%", 1], ["contain 100%", 0])] }),
      ],
    }),
  })),
  ...(
    [
      ["enter", "leave"],
      ["bottom", "middle"],
    ] as const
  ).map(([first, second]) => ({
    name: `holds that settle at ${first} and ${second}`,
    page: page([
      { name: "first", height: "70vh", hold: "50vh", settle: first, layers: [block("a", { depth: 1 })] },
      {
        name: "second",
        height: "100vh",
        hold: "90vh",
        settle: second,
        layers: [{ name: "b", ...tank, depth: 1.5 }],
      },
      { name: "third", height: "40vh", settle: 0.7, layers: [block("c", { depth: 1 })] },
    ]),
  })),
  {
    name: "layers that hold",
    page: middle({
      height: "150vh",
      relief: 0.8,
      layers: [
        block("surface", { hold: ["entry 100%", "exit 0%"] }),
        block("far", { depth: 1.5, direction: 60, hold: ["cover 30%", "cover 55%"] }),
        block("near", {
          depth: -0.3,
          hold: ["entry-crossing 40%", "exit-crossing 20%"],
          ramps: [ramp("x", ["cover 0%", 0], ["cover 100%", "90px"])],
        }),
        block("rule", {
          depth: 0.5,
          rules: [{ media: "(min-width: 600px)", hold: ["contain 0%", "exit 50%"] }],
        }),
      ],
    }),
  },
  {
    name: "a hold of a scene as high as its content",
    page: middle({
      height: "auto",
      hold: "80vh",
      minHeight: "50vh",
      paddingTop: "10vh",
      content: [{ text: "Opening times", as: "h2", fontSize: "40px" }, { text: "From first to last tide." }],
      layers: [{ name: "far", ...tank, depth: 1.4 }, block("near", { depth: -0.2 })],
    }),
  },
  ...(["100%", "64%"] as const).map((width) => ({
    name: `a reel of slides of ${width}`,
    page: middle(reelScene(width)),
  })),
  {
    name: "a reel whose slides go to the right",
    page: middle(reelScene("64%", { direction: "right" })),
  },
  { name: "a reel that travels on narrow screens too", page: middle(reelScene("80%", { narrow: "travel" })) },
  {
    name: "a page written from right to left",
    page: {
      ...page([
        gap("before"),
        {
          name: "hours",
          content: [{ text: "ساعات العمل", as: "h2" }, { list: ["كل يوم", "من الساعة 10"] }],
          paddingBottom: "20vh",
          layers: [
            { name: "title", text: "المد والجزر", as: "h2", depth: 0.8, place: { top: "20%" } },
            {
              name: "row",
              text: "مد",
              repeat: 5,
              depth: 1,
              direction: "right",
              place: { left: 0, top: "70%" },
            },
          ],
        },
        { name: "scene", ...reelScene("64%") },
        gap("after"),
      ]),
      lang: "ar",
    },
  },
  {
    name: "rules that change how much of the page a scene takes",
    page: page([
      {
        name: "first",
        height: "30vh",
        rules: [
          { media: "(max-width: 600px)", height: "45vh" },
          { media: "(min-width: 1900px)", hold: "10vh" },
        ],
        layers: [],
      },
      {
        name: "second",
        height: "90vh",
        layers: [{ name: "a", ...tank, depth: 1 }, block("b", { depth: 2 })],
      },
      gap("after", "200vh"),
    ]),
  },
  {
    name: "rules by width, orientation and shape",
    page: middle({
      relief: 1,
      rules: [{ media: "(orientation: portrait)", relief: 0.5, height: "60vh" }],
      layers: [
        block("a", {
          depth: 2,
          rules: [
            {
              media: "(max-width: 600px)",
              depth: 0.5,
              place: { right: "5%", bottom: "5%", width: "50%", height: "20%" },
            },
            { media: "(min-aspect-ratio: 3/2)", direction: "left" },
          ],
        }),
        block("b", { rules: [{ media: "(width < 500px)", hidden: true }] }),
        {
          name: "c",
          text: "Tide",
          as: "p",
          fontSize: "20px",
          place: { center: "both" },
          rules: [{ media: "(400px <= width <= 1400px)", fontSize: "40px", speed: 0.4 }],
        },
        {
          name: "d",
          text: "High water at six, low water at noon",
          as: "p",
          fontSize: "20px",
          place: { left: "5%", top: "10%" },
          rules: [
            { media: "(max-width: 1000px)", place: { right: "5%", top: "60%" }, maxWidth: "40%" },
            { media: "(max-width: 900px)", fontSize: "30px" },
            { media: "(max-height: 500px)", place: { left: "10%", top: "5%" } },
          ],
        },
      ],
    }),
  },
  {
    name: "hidden layers",
    page: middle({ layers: [block("a", { hidden: true }), block("b", { depth: 1 })] }),
  },
  ...fc.sample(randomRows, { numRuns: 2, seed: 14 }).map((layers, index) => ({
    name: `random rows ${index + 1}`,
    page: middle({ height: "150vh", layers }),
  })),
  ...fc.sample(randomScenes, { numRuns: 3, seed: 14 }).map((scenes, index) => ({
    name: `random scenes ${index + 1}`,
    page: page(scenes),
  })),
];
