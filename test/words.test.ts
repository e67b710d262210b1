import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parseHTML } from "linkedom";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "./command.ts";

const folder = temporaryFolder();
const page = (layers: object[], content: object[] = []) => ({
  ...{ format: "lumbit/1", title: "Words", lang: "en" },
  scenes: [{ name: "log", ...(content.length > 0 && { content }), layers }],
});
async function built(layers: object[], content: object[] = []) {
  writeFileSync(join(folder, "page.json"), JSON.stringify(page(layers, content)));
  const { stderr } = await lumbit(["build", "page.json", "-o", "site", "--force"], folder);
  return { stderr, html: stderr ? "" : readFileSync(join(folder, "site/index.html"), "utf8") };
}

test("words are strong, emphasized and links, in texts, content and lists, and only what is meant so", async () => {
  const { html, stderr } = await built(
    [{ name: "title", text: "**Low** water <b>4 * 3</b>\n*at [noon](#log)*", as: "h1", depth: 1 }],
    [
      { text: "See **[the log](https://tidehouse.example/log?a=1&b=2)**, [open **every** day](#log)." },
      { list: ["*neap*", "spring \\*"] },
    ],
  );
  expect(stderr).toBe("");
  const { document } = parseHTML(html);
  expect(document.querySelector("h1")?.innerHTML).toBe(
    '<strong>Low</strong> water &lt;b&gt;4 * 3&lt;/b&gt;\n<em>at </em><a href="#log"><em>noon</em></a>',
  );
  expect(document.querySelector("p")?.innerHTML).toBe(
    'See <a href="https://tidehouse.example/log?a=1&b=2"><strong>the log</strong></a>, <a href="#log">open <strong>every</strong> day</a>.',
  );
  expect([...document.querySelectorAll("li")].map((item) => item.innerHTML)).toEqual([
    "<em>neap</em>",
    "spring *",
  ]);
});

test("pieces go through strong words, and the text stays what it says", async () => {
  const stops = [
    { at: "cover 0%", value: 0 },
    { at: "cover 50%", value: 1 },
  ];
  const { html, stderr } = await built([
    {
      name: "title",
      text: "**Low wa**ter",
      as: "h1",
      depth: 1,
      ramps: [{ property: "opacity", stops, pieces: "words" }],
    },
  ]);
  expect(stderr).toBe("");
  const title = parseHTML(html).document.querySelector("h1");
  expect([...(title?.children ?? [])].map((piece) => piece.innerHTML)).toEqual([
    "<strong>Low</strong>",
    "<strong>wa</strong>ter",
  ]);
  expect(title?.textContent).toBe("Low water");
});

test("links of words that lead nowhere, run something, or stand in links are said", async () => {
  const said = async (layer: object) => (await built([{ name: "title", depth: 1, ...layer }])).stderr;
  expect(await said({ text: "[here](#nowhere)" })).toContain('there is no scene "nowhere" on this page');
  expect(await said({ text: "[here](javascript:alert(1))" })).toContain(
    '"javascript:alert(1)" is no link to publish',
  );
  expect(await said({ text: "[here]()" })).toContain('"" is no link to publish');
  expect(await said({ text: "[here](#log)", href: "#log" })).toContain(
    "there is a link in its words already",
  );
  expect(await said({ text: "[here](#log)", repeat: 3 })).toContain("a text with links in it stays one");
});
