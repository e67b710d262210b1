import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "../../../test/command.ts";
import { readMarkup } from "../src/read-markup.ts";

const form = `<!-- by hand --><form action="https://tidehouse.example/visit" method="post">
  <label>Day <input name="day" type="date"></label> <button>Ask</button></form>`;
const drawing = `<?xml version="1.0"?><svg viewBox="0 0 10 10"><linearGradient id="g"/><path d="M0 0h9"/></svg>`;

async function built(markup: Record<string, string>, more: object = {}) {
  const folder = temporaryFolder();
  for (const [name, text] of Object.entries(markup)) writeFileSync(join(folder, name), text);
  const place = { left: "10%", top: "20%", width: "300px", height: "200px" };
  const layers = Object.keys(markup).map((name, index) => ({
    name: `m${index}`,
    markup: name,
    depth: 0.5,
    place,
  }));
  const page = {
    format: "lumbit/1",
    title: "Visit",
    lang: "en",
    scenes: [{ name: "visit", layers }],
    ...more,
  };
  writeFileSync(join(folder, "page.json"), JSON.stringify(page));
  const result = await lumbit(["build", "page.json", "-o", "site"], folder);
  const html = result.status === 0 ? readFileSync(join(folder, "site/index.html"), "utf8") : "";
  return { ...result, html };
}

test("markup from a file stands in the page as it is, in its layer", async () => {
  const { stderr, html } = await built({ "form.html": form, "map.svg": drawing });
  expect(stderr).toBe("");
  expect(html).toContain(
    '<div data-lumbit-layer="m0" data-lumbit-is="layer drifts"><form action="https://tidehouse.example/visit" method="post">',
  );
  expect(html).toContain(
    '<svg viewBox="0 0 10 10"><linearGradient id="g"></linearGradient><path d="M0 0h9"></path></svg>',
  );
  expect(html).not.toContain("by hand");
});

test("words are words, whatever they are about", async () => {
  const { stderr } = await built({
    "piece.html": '<p title="JavaScript, by the tide">data: text</p><a href="#visit">Back</a>',
  });
  expect(stderr).toBe("");
});

/** Something of markup that is a link, or is in one. */
const linked = (name: string, around: boolean) => {
  const place = { left: 0, top: 0, width: "90px", height: "90px" };
  const own = { name: "map", markup: name, place };
  const layer = around
    ? { name: "card", href: "#visit", layers: [own, { name: "words", text: "The way here" }] }
    : { ...own, href: "#visit", alt: "The way here" };
  return { scenes: [{ name: "visit", layers: [layer] }] };
};

test("a piece of markup is a link where nothing in it can be pressed, and is in one", async () => {
  const { stderr, html } = await built({ "map.svg": drawing }, linked("map.svg", false));
  expect(stderr).toBe("");
  expect(html).toMatch(/<a data-lumbit-layer="map" [^>]*aria-label="The way here"[^>]* href="#visit"><svg/);
  expect((await built({ "map.svg": drawing }, linked("map.svg", true))).stderr).toBe("");
  for (const around of [false, true]) {
    const { stderr, status } = await built({ "form.html": form }, linked("form.html", around));
    expect(status).toBe(2);
    expect(stderr).toContain(
      '"form.html" has the element "label" (line 2) in it, and a link holds nothing else to press',
    );
  }
});

test.each([
  ["<svg><image xlink:href='boot.webp'/></svg>", 'loads "boot.webp"'],
  ["<p>Tide</p>\n<script>alert(1)</script>", "line 2 has a script element"],
  ["<b onclick='go()'>x</b>", "line 1 runs onclick"],
  ["<a href='java\tscript:go()'>x</a>", "line 1 runs its href"],
  ["<form action='javascript:go()'><button>x</button></form>", "runs its action"],
  ["<svg><a><set attributeName='href' to='javascript:go()'/></a></svg>", "runs its to"],
  ["<svg><a xlink:href='ftp://x.example/'>x</a></svg>", 'leads to "ftp://x.example/"'],
  ["<iframe srcdoc='<b>x</b>'></iframe>", "has a iframe element"],
  ["<template><style>*{display:none}</style></template>", "has a style element"],
  ["<noscript><p title='</noscript><img src=x onerror=go()>'></noscript>", "has a noscript element"],
  ["<img src='art/boot.webp' alt=''>", 'loads "art/boot.webp", which is not taken along'],
  ["<svg><image href='boot.webp'/></svg>", 'loads "boot.webp"'],
  ["just words", "has no element"],
])("%s is refused", async (text, said) => {
  const { stderr, status } = await built({ "piece.html": text });
  expect(status).toBe(2);
  expect(stderr).toContain("/scenes/0/layers/0/markup");
  expect(stderr).toContain(said);
});

test("a file that the page trusts may bring what it wants", async () => {
  const { stderr, html } = await built(
    { "map.html": "<div id='map'></div><script src='map.js'></script>" },
    { trusted: ["map.html"] },
  );
  expect(stderr).toBe("");
  expect(html).toContain('<script src="map.js"></script>');
});

test("whatever is written, nothing that runs comes through", async () => {
  const part = fc.constantFrom(
    ...[
      "<b",
      ">",
      "<a ",
      "href=",
      "javascript:x",
      "'",
      '"',
      " onload=x",
      "<svg>",
      "</svg>",
      "<math>",
      "<style>",
      "<p title='",
      "-->",
      "<!--",
    ],
    ...[
      "<script>",
      "</script>",
      "<table>",
      "<mtext>",
      "<template>",
      "<img src=x onerror=x>",
      "</noscript>",
      "<textarea>",
      "</textarea>",
      "<title>",
      "&lt;",
      "x",
      " ",
    ],
  );
  await fc.assert(
    fc.asyncProperty(fc.array(part, { maxLength: 24 }), async (parts) => {
      const read = await readMarkup("a.html", parts.join(""), false);
      if (typeof read === "string") return;
      // Read again by itself it is the same, and as harmless.
      expect(await readMarkup("a.html", read.html, false)).toMatchObject({ html: read.html });
      const outsideOfValues = read.html.replace(/"[^"]*"|'[^']*'/g, "");
      expect(outsideOfValues).not.toMatch(/<script|<style|<!--|<[a-z]+ [^>]*\bon\w+=/i);
    }),
    { numRuns: 2000 },
  );
});
