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

describe("says what is wrong", () => {
  const scene = "/scenes/0";
  const at = `${scene}/layers/0`;
  test.each<[string, object, string | RegExp]>([
    [
      "an unknown key",
      { ...good, titel: "x" },
      '/titel unknown key "titel", did you mean "title"? Allowed here: format, title, lang, page, fonts, scenes',
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
    ["a picture and a text", withLayer({ ...layer, image: "a.png" }), /one picture, text, shape or group/],
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
      "a button that leads nowhere",
      { ...good, scenes: [{ name: "a", layers: [], content: [{ text: "Visit", background: "#123" }] }] },
      /give the block "href" and "background"/,
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
    ["a text in a pane", withLayer({ ...layer, pane: true }), /put the text into a group/],
    [
      "a name used in a group",
      withLayer(layer, { name: "g", layers: [layer] }),
      /\/layers\/1\/layers\/0\/name the name "title" is already/,
    ],
    [
      "a group in a group",
      withLayer({ name: "g", layers: [{ name: "h", layers: [] }] }),
      /unknown key "layers"/,
    ],
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
      /the moments between which it travels/,
    ],
    ["no direction", withLayer({ ...layer, direction: "lft" }), /did you mean "left"\?/],
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
});
