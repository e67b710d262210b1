import { Ajv2020 } from "ajv/dist/2020.js";
import { describe, expect, test } from "vitest";
import { formatFault, pageJsonSchema, readPage } from "./index.ts";

const layer = { name: "title", text: "Low water" };
const good = {
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  scenes: [{ name: "descent", layers: [layer] }],
};
const messages = (document: unknown) =>
  readPage(JSON.stringify(document)).faults.map(({ path, message }) => `${path} ${message}`);
const withLayer = (...layers: object[]) => ({ ...good, scenes: [{ name: "descent", layers }] });

test("reads a right page as it stands", () => {
  expect(readPage(JSON.stringify({ $schema: "./x.json", ...good })).page).toEqual(good);
  expect(readPage(`\uFEFF${JSON.stringify(good)}`).page).toEqual(good);
});

const stops = (from: string | number, to: string | number) => [
  { at: "cover 0%", value: from },
  { at: "cover 100%", value: to },
];
const withRamp = (ramp: object) => withLayer({ ...layer, ramps: [ramp] });

test("lengths may be sums, as CSS has them", () => {
  const place = { left: "calc(50% - 20px)", top: "calc( 10vh + 2rem )", width: "calc(100% - 3vw + 1px)" };
  expect(messages(withLayer({ ...layer, place }))).toEqual([]);
  for (const wrong of ["calc(50% -20px)", "calc(50%)) ", "calc(1px * 2)", "calc()", "calc(-3px - )"])
    expect(messages(withLayer({ ...layer, place: { left: wrong } })), wrong).toHaveLength(1);
});

test("a length in a unit that there is not is told with those that there are", () => {
  const wrong = (left: string) => messages(withLayer({ ...layer, place: { left } }))[0];
  expect(wrong("5ex")).toMatch(/found "5ex".*; ex is no unit here: take px, rem, vw, vh, .*, or % where/);
  expect(wrong("wide")).not.toContain("no unit");
  expect(messages(withLayer({ ...layer, travel: { y: ["0q", "0px"] } }))[0]).toContain("take px, rem");
});

describe("says what is wrong", () => {
  const scene = "/scenes/0";
  const at = `${scene}/layers/0`;
  test.each<[string, object, string | RegExp]>([
    [
      "an unknown key",
      { ...good, titel: "x" },
      '/titel unknown key "titel", did you mean "title"? Allowed here: format, title, lang, head, page, pictures, fonts, scenes, trusted, checks, parts, shared',
    ],
    [
      "a check silenced without a reason",
      { ...good, checks: [{ rule: "edge", severity: "off" }] },
      /\/checks\/0\/severity what is silenced says why: give a "reason" beside it/,
    ],
    [
      "a check of a scene that is not there",
      { ...good, checks: [{ rule: "edge", scene: "reef", severity: "note" }] },
      /\/checks\/0\/scene there is no scene "reef"/,
    ],
    ["a missing key", { ...good, lang: undefined }, /^\/lang "lang" is missing; it is the page's language/],
    [
      "another format",
      { ...good, format: "lumbit/2" },
      '/format found "lumbit/2", did you mean "lumbit/1"? Allowed: "lumbit/1"',
    ],
    [
      "both depth and speed",
      withLayer({ ...layer, depth: 1, speed: 0.5 }),
      /^\/scenes\/0\/layers\/0\/speed "depth" and "speed" are both given/,
    ],
    [
      "a depth of -1",
      withLayer({ ...layer, depth: -1 }),
      `${at}/depth found -1; allowed: the distance behind the page surface in camera distances: a number above -1, or "horizon"`,
    ],
    ["a misspelt depth", withLayer({ ...layer, depth: "horizont" }), /did you mean "horizon"\?/],
    ["a negative speed", withLayer({ ...layer, speed: -0.1 }), /0 \(fixed\) or more/],
    [
      "a name used twice",
      withLayer(layer, layer),
      `${scene}/layers/1/name the name "title" is already that of layer 1 of this scene; give each layer a name of its own`,
    ],
    ["a name that is no name", withLayer({ ...layer, name: 'a"]{' }), /starts with a letter/],
    [
      "a wrong unit",
      withLayer({ ...layer, place: { top: "3vp" } }),
      /\/place\/top found "3vp"; allowed: the distance from the scene's top edge/,
    ],
    ["a number without unit", withLayer({ ...layer, place: { top: 3 } }), /\/place\/top found 3/],
    [
      "a scene in per cent",
      { ...good, scenes: [{ name: "a", height: "50%", layers: [] }] },
      /not a percentage/,
    ],
    [
      "three of two",
      withLayer({ ...layer, place: { left: 0, right: 0, width: "3px" } }),
      /two of them settle the third/,
    ],
    [
      "centred and at an edge",
      withLayer({ ...layer, place: { center: "both", top: 0 } }),
      /"top" contradicts "center": "both"/,
    ],
    [
      "a picture and a text",
      withLayer({ ...layer, image: "a.png" }),
      /one picture, text, shape, piece of markup or group/,
    ],
    ["nothing to show", withLayer({ name: "a" }), /shows nothing/],
    ["a picture without alt", withLayer({ name: "a", image: "a.png" }), /has no "alt"/],
    [
      "text settings on a picture",
      withLayer({ name: "a", image: "a.png", alt: "", fontSize: "3px" }),
      /"fontSize" is for a text/,
    ],
    [
      "a path out of the folder's reach",
      withLayer({ name: "a", image: "https://example.org/a.png", alt: "" }),
      /inside the page file's folder/,
    ],
    [
      "a colour that fetches",
      { ...good, page: { background: "url(//example.org)" } },
      /\/page\/background found "url/,
    ],
    [
      "a colour that ends the rule",
      { ...good, page: { color: "red; } body { color: blue" } },
      /\/page\/color found/,
    ],
    [
      "a key inside a fluid size",
      withLayer({ ...layer, fontSize: { min: "3px", max: "9px", fom: 3 } }),
      /unknown key "fom", did you mean "from"\?/,
    ],
    [
      "a fluid size upside down",
      withLayer({ ...layer, fontSize: { min: "30px", max: "9px" } }),
      /exchange them/,
    ],
    [
      "a key inside a fitted size",
      withLayer({ ...layer, fontSize: { fit: "90%", fot: "9px" } }),
      /unknown key "fot", did you mean "fit"\?/,
    ],
    [
      "a fitted text with a width",
      withLayer({ ...layer, fontSize: { fit: "90%" }, place: { left: 0, right: 0 } }),
      `${at}/place the text has its width from "fit"; leave "width", and one of "left" and "right", away`,
    ],
    [
      "letters of a fitted text in px",
      withLayer({ ...layer, fontSize: { fit: "90%" }, letterSpacing: "2px" }),
      /give it in em/,
    ],
    [
      "a shape without a size",
      withLayer({ name: "a", shape: "ellipse", background: "red", place: { left: 0, top: 0, width: "3px" } }),
      /no height of its own/,
    ],
    ["a shape without a colour", withLayer({ name: "a", shape: "ellipse" }), /has no "background"/],
    [
      "a group in a pane without a place",
      withLayer({ name: "a", pane: true, layers: [] }),
      /needs a "place"/,
    ],
    [
      "a picture in a pane that travels",
      withLayer({ name: "a", image: "a.png", alt: "", travel: { y: ["0px", "9px"] } }),
      /moves by its depth/,
    ],
    [
      "a picture in a pane that is turned",
      withLayer({ name: "a", image: "a.png", alt: "", rotate: 5 }),
      `${at}/rotate a picture in a pane has no "rotate": an edge of it would show; put it into a group and give it that`,
    ],
    [
      "a blend mode that is none",
      withLayer({ ...layer, blend: "multiple" }),
      `${at}/blend found "multiple", did you mean "multiply"? Allowed: a CSS blend mode such as "multiply", "screen" or "overlay"`,
    ],
    ...[
      ["page", "background", "linear-gradient(#000, #fff"],
      ["page", "fontFamily", '"Georgia, serif'],
      ["page", "color", "rgb(1 2 3))"],
    ].map(([part, key, value]): [string, object, RegExp] => [
      `a ${key} that is not closed`,
      { ...good, [String(part)]: { [String(key)]: value } },
      new RegExp(`/page/${key} found .* allowed: a CSS`),
    ]),
    ...["cubic-bezier(0.2, 0, 0, 1", "ease, linear", "linear(0, 0.9 20%, 1)", "cubic-bezier(2, 0, 0, 1)"].map(
      (easing): [string, object, RegExp] => [
        `the easing ${easing}`,
        withLayer({ ...layer, cue: { from: { opacity: 0 }, easing } }),
        /cue\/easing found .* allowed: a CSS easing function/,
      ],
    ),
    [
      "padding in per cent",
      { ...good, scenes: [{ name: "a", paddingTop: "10%", content: [{ text: "a" }], layers: [] }] },
      /\/paddingTop found "10%"; allowed: .* not a percentage/,
    ],
    [
      "a least height in per cent",
      { ...good, scenes: [{ name: "a", minHeight: "50%", layers: [] }] },
      /\/minHeight found "50%"; allowed: .* not a percentage/,
    ],
    [
      "a link to nowhere",
      { ...good, scenes: [{ name: "a", content: [{ text: "b", href: "#workshop" }], layers: [] }] },
      `/scenes/0/content/0/href there is no scene "workshop" on this page, so the link leads nowhere; its scenes are a`,
    ],
    [
      "a group that travels and drifts in its pane",
      withLayer({
        name: "g",
        pane: true,
        speed: 1.2,
        travel: { y: ["0%", "20%"], over: ["cover 0%", "cover 100%"] },
        place: { width: "9px", height: "9px" },
        layers: [layer],
      }),
      /\/travel how far a group reaches past its pane follows from its speed alone/,
    ],
    [
      "a size that only a rule gives",
      withLayer({
        ...{ name: "g", pane: true, place: { width: "9px", height: "9px" }, layers: [layer] },
        rules: [{ media: "(max-width: 600px)", size: { height: "200%" } }],
      }),
      /\/rules\/0\/size this layer has no "size" to change/,
    ],
    ["an opacity above 1", withLayer({ ...layer, opacity: 40 }), /an opacity from 0 to 1/],
    ["a text in a pane", withLayer({ ...layer, pane: true }), /put the text into a group/],
    [
      "a name used in a group",
      withLayer(layer, { name: "g", layers: [layer] }),
      /\/layers\/1\/layers\/0\/name the name "title" is already/,
    ],
    [
      "a reel in a group",
      withLayer({
        name: "g",
        layers: [{ name: "r", reel: {}, layers: [{ name: "s", layers: [layer] }] }],
      }),
      /a reel stands in its scene/,
    ],
    [
      "what shows nothing, deep in groups",
      withLayer({ name: "a", layers: [{ name: "b", layers: [{ name: "c", layers: [{ name: "d" }] }] }] }),
      /this layer shows nothing/,
    ],
    [
      "a reel without slides",
      { ...good, scenes: [{ name: "a", hold: "100vh", layers: [{ name: "r", reel: {}, layers: [] }] }] },
      /the reel has no slides/,
    ],
    [
      "a reel in a scene that does not hold",
      withLayer({ name: "r", reel: {}, layers: [{ name: "s", layers: [layer] }] }),
      /give the scene a "hold"/,
    ],
    [
      "a slide that is none",
      { ...good, scenes: [{ name: "a", hold: "100vh", layers: [{ name: "r", reel: {}, layers: [layer] }] }] },
      /a reel holds slides/,
    ],
    [
      "a place in a row",
      withLayer({ name: "r", row: {}, layers: [{ ...layer, place: { left: 0, width: "10%" } }] }),
      /\/place\/left what is in a row stands where the row has it/,
    ],
    [
      "a picture without a size in a row",
      withLayer({ name: "r", row: {}, layers: [{ name: "a", image: "a.png", alt: "" }] }),
      /in a row it needs a "place" with a width or a height/,
    ],
    [
      "a column that wraps",
      withLayer({ name: "r", row: { along: "y", wrap: true }, layers: [] }),
      /what stands below each other does not wrap/,
    ],
    [
      "a row in a pane in a group",
      withLayer({
        name: "g",
        layers: [{ name: "r", row: {}, pane: true, place: { left: 0 }, layers: [layer] }],
      }),
      /\/pane a row in a pane stands in its scene/,
    ],
    [
      "a row that rules put into a pane",
      withLayer({
        ...{ name: "r", row: {}, place: { left: 0 }, layers: [layer] },
        rules: [{ media: "(max-width: 600px)", pane: true }],
      }),
      /\/rules\/0\/pane a row has its pane on all screens/,
    ],
    [
      "a row in a pane that settles by itself",
      withLayer({
        ...{ name: "r", row: {}, pane: true, settle: "middle", place: { left: 0 }, layers: [layer] },
      }),
      /\/settle a row in a pane settles with its scene/,
    ],
    [
      "space around the layers of a group without a row",
      withLayer({ name: "r", padding: "1rem", layers: [] }),
      /give it a "row", or leave "padding" away/,
    ],
    ["a title outside of a slide", withLayer({ ...layer, title: true }), /this layer is in none/],
    [
      "no media query",
      withLayer({ ...layer, rules: [{ media: "(wide)" }] }),
      /\/rules\/0\/media found "\(wide\)"; allowed: a media query/,
    ],
    [
      "a contradiction in a rule",
      withLayer({ ...layer, rules: [{ media: "(width > 1px)", depth: 1, speed: 1 }] }),
      /\/rules\/0\/speed "depth" and "speed"/,
    ],
    [
      "no moment",
      withLayer({ ...layer, travel: { over: ["entry", "exit 100%"] } }),
      /\/travel\/over\/0 found "entry"; allowed: a range name/,
    ],
    [
      "a moment outside its range",
      withRamp({
        property: "opacity",
        stops: [
          { at: "exit 0%", value: 1 },
          { at: "exit 120%", value: 0 },
        ],
      }),
      /\/ramps\/0\/stops\/1\/at found "exit 120%"; allowed: a range name .* from 0 to 100/,
    ],
    [
      "stops out of order",
      withRamp({
        property: "opacity",
        stops: [
          { at: "exit 60%", value: 1 },
          { at: "exit 20%", value: 0 },
        ],
      }),
      /comes before the one that it follows \(exit 60%\)/,
    ],
    [
      "one stop",
      withRamp({ property: "opacity", stops: [{ at: "exit 0%", value: 1 }] }),
      /two or more stops/,
    ],
    [
      "a value that the property cannot have",
      withRamp({ property: "opacity", stops: stops("10px", 1) }),
      /\/stops\/0\/value found "10px"; allowed: a number from 0 to 1/,
    ],
    ["no property", withRamp({ property: "opactiy", stops: stops(0, 1) }), /did you mean "opacity"\?/],
    [
      "an easing function that is none",
      withRamp({
        property: "opacity",
        stops: [
          { at: "exit 0%", value: 1, easing: "bouncy" },
          { at: "exit 9%", value: 0 },
        ],
      }),
      /a CSS easing function/,
    ],
    [
      "an axis without its tag",
      withLayer({ ...layer, place: { width: "50%" }, ramps: [{ property: "axis", stops: stops(0, 1) }] }),
      /has no "axis"/,
    ],
    [
      "letters that gain weight in a box as wide as they are",
      withRamp({ property: "fontWeight", stops: stops(300, 700) }),
      /give the text's place a width/,
    ],
    [
      "two ramps of one property",
      withLayer({
        ...layer,
        travel: { x: [0, "9px"] },
        ramps: [{ property: "x", stops: stops("1px", "2px") }],
      }),
      /"x" has a ramp already/,
    ],
    [
      "a ramp that moves a picture in a pane",
      withLayer({
        name: "a",
        image: "a.png",
        alt: "",
        ramps: [{ property: "y", stops: stops("1px", "2px") }],
      }),
      /put it into a group and give that the ramp of y/,
    ],
    [
      "a picture that shrinks in its pane",
      withLayer({ name: "a", image: "a.png", alt: "", ramps: [{ property: "scale", stops: stops(1, 0.5) }] }),
      /a picture in a pane only grows/,
    ],
    [
      "letter spacing of a picture",
      withLayer({
        name: "a",
        image: "a.png",
        alt: "",
        ramps: [{ property: "letterSpacing", stops: stops("0px", "2px") }],
      }),
      /"letterSpacing" is for texts/,
    ],
    [
      "pieces that move",
      withRamp({ property: "x", pieces: "letters", stops: stops("0px", "2px") }),
      /a ramp in pieces is one of opacity, color/,
    ],
    [
      "pieces over several ranges",
      withRamp({
        property: "opacity",
        pieces: "words",
        stops: [
          { at: "entry 0%", value: 0 },
          { at: "exit 0%", value: 1 },
        ],
      }),
      /all in one range; found entry and exit/,
    ],
    [
      "a hold of negative length",
      { ...good, scenes: [{ name: "a", hold: "-20vh", layers: [] }] },
      /\/scenes\/0\/hold found "-20vh"; allowed: how long the scene stays put/,
    ],
    [
      "a layer that holds in a scene that holds",
      {
        ...good,
        scenes: [{ name: "a", hold: "20vh", layers: [{ ...layer, hold: ["entry 0%", "exit 0%"] }] }],
      },
      /the scene holds already/,
    ],
    [
      "a layer that settles by itself in a scene that holds",
      { ...good, scenes: [{ name: "a", hold: "50vh", layers: [{ ...layer, settle: "middle" }] }] },
      /give the scene the "settle"/,
    ],
    [
      "a moment before its range",
      withLayer({ ...layer, travel: { x: ["0px", "9px"], over: ["cover -20px", "cover 20px"] } }),
      /or a distance from its start in px or vh/,
    ],
    [
      "pieces at a distance",
      withLayer({
        ...layer,
        ramps: [
          {
            property: "opacity",
            pieces: "words",
            stops: [
              { at: "cover 10%", value: 0 },
              { at: "cover 200px", value: 1 },
            ],
          },
        ],
      }),
      /the stops of a ramp in pieces are percentages/,
    ],
    [
      "a fitted text with space around it",
      withLayer({ ...layer, fontSize: { fit: "50%" }, padding: "1rem" }),
      /leave "padding" away/,
    ],
    ["a link to nowhere", withLayer({ ...layer, href: "#atlantis" }), /there is no scene "atlantis"/],
    [
      "a link to nothing in a scene",
      withLayer({ ...layer, href: "#descent/wheel" }),
      /there is no layer or block "wheel" in the scene "descent", so the link leads nowhere; there are \w+/,
    ],
    [
      "a link to nowhere at the top",
      { ...good, page: { header: { links: [{ text: "Reef", href: "#reef" }] } } },
      /\/page\/header\/links\/0\/href there is no scene "reef"/,
    ],
    [
      "a piece of markup without a height",
      withLayer({ name: "m", markup: "a.html", place: { width: "20%" } }),
      /a piece of markup has no height of its own: give it height, or top and bottom/,
    ],
    [
      "a piece of markup anywhere",
      withLayer({ name: "m", markup: "a.html" }),
      /needs a "place" with its width/,
    ],
    [
      "a footer above a scene",
      {
        ...good,
        scenes: [
          { name: "a", as: "footer", layers: [] },
          { name: "b", layers: [] },
        ],
      },
      /\/scenes\/0\/as the footer is the last scene/,
    ],
    [
      "a block called as a layer is",
      {
        ...good,
        scenes: [{ name: "a", content: [{ name: "l", text: "Low" }], layers: [{ ...layer, name: "l" }] }],
      },
      /\/content\/0\/name "l" is the name of a layer/,
    ],
    ["a link that runs", withLayer({ ...layer, href: "javascript:alert(1)" }), /where the link leads/],
    [
      "a link without a name",
      withLayer({ name: "a", image: "a.png", alt: "", href: "#descent" }),
      /the link has no name: say in "alt"/,
    ],
    [
      "a shape that leads somewhere without saying where",
      withLayer({ name: "a", shape: "ellipse", background: "#fff", href: "#descent" }),
      /the link has no name: say in "alt"/,
    ],
    [
      "a link in a link",
      withLayer({ name: "group", href: "#descent", layers: [{ ...layer, href: "#descent" }] }),
      /the group is a link already/,
    ],
    [
      "a link in pieces",
      withLayer({ ...layer, href: "#descent", repeat: 3 }),
      /a text that is a link stays one/,
    ],
    [
      "a layer that settles by itself in a group",
      withLayer({ name: "group", layers: [{ ...layer, settle: "middle" }] }),
      /give the group a settle moment/,
    ],
    [
      "a layer's own passage in a scene that holds",
      {
        ...good,
        scenes: [
          {
            name: "a",
            hold: "20vh",
            layers: [{ ...layer, ramps: [{ property: "opacity", of: "layer", stops: stops(0, 1) }] }],
          },
        ],
      },
      /\/ramps\/0\/of in a scene that holds/,
    ],
    ["a cue from nowhere", withLayer({ ...layer, cue: { from: {} } }), /one at least/],
    [
      "pieces of a picture",
      withLayer({ name: "a", image: "a.png", alt: "", cue: { from: { opacity: 0 }, pieces: "words" } }),
      /\/cue\/pieces "pieces" is for a text/,
    ],
    ["no direction", withLayer({ ...layer, direction: "lft" }), /did you mean "left"\?/],
    [
      "a rule whose pane contradicts the layer's travel",
      withLayer({
        name: "a",
        image: "a.png",
        alt: "",
        place: { left: 0, top: 0 },
        travel: { y: ["0px", "9px"] },
        rules: [
          { media: "(min-width: 600px)", pane: true, travel: "none" },
          { media: "(max-width: 600px)", pane: true },
        ],
      }),
      /^\/scenes\/0\/layers\/0\/rules\/1 a picture in a pane moves by its depth/,
    ],
    [
      "rules that contradict each other where both hold",
      withLayer({
        name: "a",
        image: "a.png",
        alt: "",
        place: { left: 0, top: 0 },
        rules: [
          { media: "(min-width: 500px)", travel: { x: ["0px", "40px"] } },
          { media: "(max-width: 900px)", pane: true },
          { media: "(orientation: portrait)", travel: "none" },
        ],
      }),
      /^\/scenes\/0\/layers\/0\/rules\/1 a picture in a pane .* \(rules 1 and 2 hold together, as at 600 x 390 px\)/,
    ],
    [
      "a rule after which a scene has no height",
      {
        ...good,
        scenes: [{ name: "a", layers: [], rules: [{ media: "(max-width: 600px)", height: "auto" }] }],
      },
      /rules\/0\/height a scene without "content" has no height of its own/,
    ],
    [
      "a rule that places a shape without a width",
      withLayer({
        name: "a",
        shape: "ellipse",
        background: "#fff",
        rules: [{ media: "(max-width: 600px)", place: { top: 0, height: "10px" } }],
      }),
      /rules\/0\/place a shape has no width of its own/,
    ],
    [
      "a group of no size, in which nothing has one",
      withLayer({
        name: "a",
        place: { right: 0, top: 0, height: "9px" },
        layers: [
          { name: "b", image: "b.png", alt: "", place: { left: 0, right: 0, top: 0, height: "4px" } },
          { name: "c", shape: "rectangle", background: "#fff" },
        ],
      }),
      /place a group has no width of its own, and what is in it has none either: give it width, or left and right/,
    ],
    [
      "a group in a pane of no size",
      withLayer({
        name: "a",
        pane: true,
        place: { left: 0, top: 0, height: "9px" },
        layers: [{ name: "b", text: "b" }],
      }),
      /place a group in a pane has no width of its own: give it width, or left and right/,
    ],
    [
      "a group that is as large as what is in it on some screens alone",
      withLayer({
        name: "a",
        place: { right: 0, top: 0 },
        layers: [{ name: "b", text: "b" }],
        rules: [{ media: "(max-width: 600px)", place: { left: 0, width: "50%", top: 0, height: "50%" } }],
      }),
      /rules\/0\/place this group is as large as what is in it, and has to be that on all screens: leave its width or height away here too/,
    ],
    [
      "a group without a place that is as large as what is in it on some screens alone",
      withLayer({
        name: "a",
        layers: [
          {
            ...{
              name: "b",
              shape: "rectangle",
              background: "#fff",
              place: { left: 0, right: 0, top: 0, bottom: 0 },
            },
            rules: [{ media: "(max-width: 600px)", place: { left: 0, width: "9px", top: 0, height: "9px" } }],
          },
        ],
      }),
      /layers\/0\/rules\/0\/place with this the group around it is now as large as what is in it, and has to be that on all screens or on none/,
    ],
    [
      "a piece of markup that leads somewhere without saying where",
      withLayer({
        name: "a",
        markup: "a.svg",
        href: "#descent",
        place: { left: 0, top: 0, width: "9px", height: "9px" },
      }),
      /the link has no name: say in "alt"/,
    ],
    [
      "a reel that leads somewhere without saying where",
      {
        ...good,
        scenes: [
          {
            ...{ name: "descent", hold: "100vh" },
            layers: [
              {
                name: "a",
                ...{ reel: { width: "50%" }, place: { left: 0, top: 0, width: "90%", height: "50%" } },
                href: "#descent",
                layers: [{ name: "b", layers: [{ name: "c", shape: "ellipse", background: "#fff" }] }],
              },
            ],
          },
        ],
      },
      /the link has no name: give the group a text, or a picture with an alt/,
    ],
    [
      "variants of a picture that the rule does not name",
      withLayer({
        name: "a",
        image: "a.png",
        alt: "",
        rules: [{ media: "(max-width: 600px)", variants: { 2: "b.png" } }],
      }),
      /rules\/0\/variants variants are of one picture: give the rule its "image" too/,
    ],
    [
      "how a group tilts that does not tilt",
      withLayer({ name: "a", layers: [layer], perspective: "400px" }),
      /perspective "perspective" is of a group that turns: give it a "tilt" such as 8/,
    ],
    [
      "a rule that tilts a group which does not tilt",
      withLayer({ name: "a", layers: [layer], rules: [{ media: "(max-width: 600px)", tilt: 4 }] }),
      /rules\/0\/tilt this layer has no "tilt" to change/,
    ],
    [
      "a rule that takes away what cannot be taken away",
      withLayer({ ...layer, rules: [{ media: "(max-width: 600px)", place: "none" }] }),
      /rules\/0\/place found "none"/,
    ],
    [
      "a block whose rule has two widths",
      {
        ...good,
        scenes: [
          {
            name: "a",
            layers: [],
            content: [
              { text: "a", rules: [{ media: "(max-width: 600px)", fontSize: { min: "9px", max: "8px" } }] },
            ],
          },
        ],
      },
      /content\/0\/rules\/0\/fontSize "min" \(9px\) is above "max"/,
    ],
    [
      "a look that a text does not have, in a rule",
      withLayer({ ...layer, rules: [{ media: "(max-width: 600px)", fit: "contain" }] }),
      /rules\/0\/fit a text has no "fit" to change/,
    ],
    ["a key as near to two", withLayer({ ...layer, place: { hight: "4vh" } }), /did you mean "height"\?/],
    [
      "a link that runs",
      { ...good, scenes: [{ name: "a", content: [{ text: "x", href: "javascript:x" }], layers: [] }] },
      /where the link leads/,
    ],
    [
      "a block of nothing",
      { ...good, scenes: [{ name: "a", content: [{}], layers: [] }] },
      /one "text" or one "list"/,
    ],
    [
      "an automatic height of nothing",
      { ...good, scenes: [{ name: "a", height: "auto", layers: [] }] },
      /no height of its own/,
    ],
    ["no scene", { ...good, scenes: [] }, /at least one scene/],
  ])("%s", (_, document, message) => {
    const found = messages(document);
    expect(found).toHaveLength(1);
    if (typeof message === "string") expect(found[0]).toBe(message);
    else expect(found[0]).toMatch(message);
  });

  test("all of it in one run, in the file's order, with line and column", () => {
    const text = `{
  "format": "lumbit/1",
  "titel": "Tidehouse", "lang": "en",
  "scenes": [
    { "name": "a", "layers": [{ "name": "x", "text": "x", "depth": -3 }] },
    { "name": "a", "layers": [] }
  ]
}`;
    expect(
      readPage(text, "tide.json")
        .faults.map(formatFault)
        .map((line) => line.split(": ")[0]),
    ).toEqual([
      "tide.json:1:1 at /title",
      "tide.json:3:3 at /titel",
      "tide.json:5:68 at /scenes/0/layers/0/depth",
      "tide.json:6:7 at /scenes/1/name",
    ]);
  });

  test.each([
    ["", "the file is empty; a page file is a JSON object", 1],
    [
      '{\n "a": 1,\n}',
      "this is not valid JSON: a key in double quotes belongs here; a comma before a closing brace is one too many",
      3,
    ],
    ['{ "a": 1 // x\n}', "this is not valid JSON: JSON has no comments; remove this one", 1],
    ['{ "a": "x', "this is not valid JSON: the text that begins here has no closing quote", 1],
    ['{ "a": 1,\n "a": 2 }', 'the key "a" is here twice; keep one of them', 2],
    ["[]", "found []; allowed: a JSON object of settings", 1],
  ])("JSON that is none: %j", (text, message, line) => {
    expect(readPage(text).faults[0]).toMatchObject({ message, line });
  });
});

test("the JSON Schema accepts what the reader accepts and rejects what it rejects", () => {
  const validate = new Ajv2020({ strict: false }).compile(pageJsonSchema());
  expect(validate(good)).toBe(true);
  expect(validate({ ...good, titel: "x" })).toBe(false);
  expect(validate(withLayer({ ...layer, depth: -1 }))).toBe(false);
  expect(validate(withLayer({ ...layer, depth: "horizon", place: { left: 0, bottom: "-8vh" } }))).toBe(true);
  const { lang: _, ...short } = good;
  expect(validate(short)).toBe(false);
  expect(validate({ ...short, shared: "house.json" })).toBe(true);
  expect(validate({ format: "lumbit/1", lang: "en", parts: { a: { text: "Low" } } })).toBe(true);
  expect(validate({ format: "lumbit/1", parts: { a: { txt: "Low" } } })).toBe(false);
  expect(validate({ format: "lumbit/1", title: "t" })).toBe(false);
});

test("tells of every file that a page file names, whatever else is wrong with it", () => {
  const document = {
    page: { backdrop: { image: "art/sea.webp", alt: "" } },
    fonts: [{ family: "News", src: "news.woff2" }],
    scenes: [
      { layers: [{ layers: [{ image: "art/mill.webp", variants: { 2: "art/mill@2x.webp" } }] }, null] },
    ],
  };
  const { page, references } = readPage(JSON.stringify(document));
  expect(page).toBeUndefined();
  expect(references.map(({ kind, path, at }) => `${kind} ${path} ${at.join("/")}`)).toEqual([
    "picture art/sea.webp page/backdrop/image",
    "font news.woff2 fonts/0/src",
    "picture art/mill.webp scenes/0/layers/0/layers/0/image",
    "picture art/mill@2x.webp scenes/0/layers/0/layers/0/variants/2",
  ]);
});

test("rules that contradict each other on no screen are right", () => {
  const picture = { name: "a", image: "a.png", alt: "", place: { left: 0, top: 0 } };
  const travel = { x: ["0px", "40px"] };
  for (const [first, second] of [
    ["(min-width: 901px)", "(max-width: 900px)"],
    ["(min-width: 56.3125em)", "(width < 56.3125em)"],
    ["(orientation: portrait)", "(orientation: landscape)"],
    ["(pointer: coarse)", "not (pointer: coarse)"],
  ]) {
    const rules = [
      { media: first, travel },
      { media: second, pane: true },
    ];
    expect(readPage(JSON.stringify(withLayer({ ...picture, rules }))).faults, first).toEqual([]);
  }
});
