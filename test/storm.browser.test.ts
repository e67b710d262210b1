import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { parseHTML } from "linkedom";
import { checkPage } from "lumbit/checks";
import { layoutPage, type Page, poseAt } from "lumbit/core";
import { formatFault, readPage } from "lumbit/document";
import { isText } from "lumbit/internal";
import { pageCss, pageHtml } from "lumbit/static";
import type { Page as Tab } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";
import { broken } from "./storm.ts";

/** How long each door is stormed, in ms: all of them together for ten seconds, or for as long as told. */
const time = (Number(process.env.LUMBIT_STORM ?? 10) * 1000) / 4;
const seed = Number(process.env.LUMBIT_SEED);

const faults = join(root, "test/faults");
const documents: object[] = [
  JSON.parse(readFileSync(join(root, "packages/cli/starter/page.json"), "utf8")),
  ...readdirSync(faults)
    .filter((name) => name.endsWith(".json"))
    .map((name) => JSON.parse(readFileSync(join(faults, name), "utf8"))),
];
/** Small ones break at more telling places. */
const small = documents.filter((document) => JSON.stringify(document).length < 4000);

const natural = {
  layer: (layer: Parameters<typeof isText>[0]) =>
    isText(layer) ? { width: 80, height: 20 } : { width: 400, height: 300 },
  content: () => 300,
};

/** Storms a door, and writes down the smallest case that fails. */
async function storm<T extends object>(
  name: string,
  cases: fc.Arbitrary<T>,
  door: (document: T) => void | Promise<void>,
): Promise<void> {
  const found = await fc.check(
    fc.asyncProperty(cases, async (document) => door(document)),
    { seed, interruptAfterTimeLimit: time, numRuns: 1e9, markInterruptAsFailure: false },
  );
  if (!found.failed) return expect(found.numRuns).toBeGreaterThan(20);
  const file = join(temporaryFolder(), `${name}.json`);
  writeFileSync(file, JSON.stringify(found.counterexample?.[0], null, 2));
  expect.fail(
    `${name}: ${found.errorInstance}\nseed ${seed}, after ${found.numRuns} cases; the smallest is ${file}:\n${readFileSync(file, "utf8").slice(0, 2000)}`,
  );
}

/** Every number in some data is finite. */
function isFiniteAll(value: unknown, path = ""): void {
  if (typeof value === "number" && !Number.isFinite(value) && !/depth$/.test(path))
    throw new Error(`${path} is ${value}`);
  if (typeof value === "object" && value !== null)
    for (const [key, inner] of Object.entries(value)) isFiniteAll(inner, `${path}/${key}`);
}

test("page files: a fault with its line, or a page of which every number is finite, and whose style ends where it should", async () => {
  await storm("page", broken(small), (document) => {
    const text = JSON.stringify(document);
    const begun = performance.now();
    const { page, faults } = readPage(text);
    if (performance.now() - begun > 5000) throw new Error("reading took more than 5 s");
    if (!page) {
      for (const fault of faults) {
        if (!(fault.line > 0 && fault.column > 0)) throw new Error(`no line: ${fault.message}`);
        if ([...formatFault(fault)].some((letter) => letter < " "))
          throw new Error("a control character in a message");
      }
      return;
    }
    for (const viewport of [
      { width: 390, height: 844 },
      { width: 1280, height: 800 },
    ]) {
      const layout = layoutPage(page, viewport, natural);
      const { page: _, ...numbers } = layout;
      isFiniteAll(
        numbers.scenes.map(({ scene: _, layers, ...scene }) => ({
          ...scene,
          layers: layers.map(({ layer: _, layers: __, ...own }) => own),
        })),
      );
      for (const share of [0, 0.5, 1])
        isFiniteAll(poseAt(layout, share * (layout.scrollHeight - viewport.height)));
    }
    const css = pageCss(page, { pictures: {}, fonts: {} });
    const html = pageHtml(page, { assets: { pictures: {}, fonts: {} }, stylesheet: "page.css" });
    if (/NaN|Infinity|undefined|\[object/.test(css))
      throw new Error(`in the style: ${/.{40}(NaN|Infinity|undefined|\[object).{40}/s.exec(css)?.[0]}`);
    const { document: made } = parseHTML(html);
    for (const element of made.querySelectorAll("*")) {
      const runs = [...element.attributes].find(
        ({ name, value }) =>
          /^on/i.test(name) || (/^(href|src)$/.test(name) && /^\s*javascript:/i.test(value)),
      );
      if (runs || element.localName === "script")
        throw new Error(`the page would run ${runs?.value ?? "a script"}`);
    }
    if ((css.match(/{/g) ?? []).length !== (css.match(/}/g) ?? []).length)
      throw new Error("the style does not end where it should");
  });
});

test("checks: findings, never an error", async () => {
  await storm("check", broken(small), (document) => {
    const { page } = readPage(JSON.stringify(document));
    if (page) checkPage({ page, natural, viewports: [{ width: 390, height: 844 }] });
  });
});

let browser: Chromium;
let tab: Tab;
let close = () => {};
const asked: string[] = [];
const errors: string[] = [];
beforeAll(async () => {
  browser = await openChromium();
  const { origin, close: end } = await serveFolder(join(root, "packages/lumbit/dist/browser"));
  close = end;
  tab = await browser.newPage();
  tab.on("request", (request) => asked.push(request.url()));
  tab.on("pageerror", ({ message }) => errors.push(message));
  tab.on("dialog", (dialog) => void dialog.dismiss());
  await tab.route("**/blank.html", (route) =>
    route.fulfill({
      contentType: "text/html",
      body: "<!doctype html><title>t</title><p id='other'>Other</p><div id='here'></div>",
    }),
  );
  await tab.goto(`${origin}/blank.html`);
  await tab.evaluate(
    "(async () => Object.assign(globalThis, { mountScene: (await import('/scene.js')).mount, mountMarkup: (await import('/markup.js')).mount, ran: 0, before: getComputedStyle(document.querySelector('#other')).cssText }))()",
  );
});
afterAll(async () => {
  await browser?.close();
  close();
});

/** What went wrong in the browser, in words. */
async function stormed(run: string): Promise<void> {
  asked.length = 0;
  errors.length = 0;
  const said = (await tab.evaluate(run)) as string;
  await tab.evaluate("new Promise((done) => requestAnimationFrame(() => setTimeout(done)))");
  const loaded = asked.filter((url) => /asked/.test(url));
  if (loaded.length > 0) throw new Error(`it loaded ${loaded}`);
  if (errors.length > 0) throw new Error(`it threw ${errors}`);
  if (said) throw new Error(said);
}
const outside =
  "(globalThis.ran ? 'something ran' : getComputedStyle(document.querySelector('#other')).outlineWidth === '7px' ? 'a rule was ended' : '')";

test("objects and updates: nothing runs, loads, or ends a rule", async () => {
  const scenes = small.flatMap((document) => (document as Page).scenes);
  await storm(
    "object",
    fc.tuple(broken(scenes), broken(scenes)).map(([scene, next]) => ({ scene, next })),
    (document) =>
      stormed(`(() => {
      const { scene, next } = ${JSON.stringify(document)};
      const here = document.querySelector('#here');
      let live;
      // In production an object that is none is the program's own fault; it is told, and nothing stays behind.
      try { live = mountScene(here, { scene }); live.update(next); live.refresh(); } catch (error) { if (!(error instanceof Error)) return 'no error'; }
      const wrong = ${outside};
      try { live?.dispose(); } catch {}
      here.replaceChildren(); for (const { name } of [...here.attributes]) if (name !== 'id') here.removeAttribute(name);
      return wrong;
    })()`),
  );
});

test("attributes: told, never thrown, and nothing runs or ends a rule", async () => {
  const attributes = [
    "depth",
    "speed",
    "direction",
    "travel-x",
    "ramps",
    "cue",
    "pane",
    "rules",
    "hold",
    "settle",
    "order",
    "subject",
    "haze",
    "focus",
    "blend",
    "opacity",
    "blur",
    "background-depth",
    "reel",
    "split",
    "relief",
    "nonsense",
  ];
  const value = fc.oneof(
    fc.constantFrom(
      "1",
      "horizon",
      "red; } * { outline: 7px solid red }",
      '[{"property":"opacity","stops":[]}]',
      '{"from":{"opacity":0}}',
      "(",
      '"',
      "1e999",
      "NaN",
      "0px 200px",
      "__proto__",
      "[[[[",
      '[{"media":"all","depth":"}"}]',
    ),
    fc.string(),
    fc.json({ maxDepth: 2 }),
  );
  const element = fc.record({
    attributes: fc.dictionary(fc.constantFrom(...attributes), value, { maxKeys: 5 }),
    tag: fc.constantFrom("b", "img", "div", "h2", "picture", "span"),
  });
  await storm(
    "attributes",
    fc.record({ scene: element, layers: fc.array(element, { minLength: 1, maxLength: 4 }) }),
    (document) =>
      stormed(`(() => {
      const { scene, layers } = ${JSON.stringify(document)};
      const here = document.querySelector('#here');
      const make = ({ tag, attributes }, name) => { const made = document.createElement(tag); made.textContent = name; for (const [key, value] of Object.entries(attributes)) made.setAttribute('data-lumbit-' + key, value); return made; };
      const own = make({ ...scene, tag: 'section' }, ''); own.setAttribute('data-lumbit-scene', ''); own.append(...layers.map((layer) => make(layer, 'word')));
      here.replaceChildren(own);
      const before = here.innerHTML;
      const warn = console.warn; console.warn = () => {};
      let wrong = '';
      try { const live = mountMarkup(here); wrong = ${outside}; live.refresh(); live.dispose(); if (!wrong && here.innerHTML !== before) wrong = 'left behind: ' + here.innerHTML + ' of ' + before; } catch (error) { wrong = 'it threw ' + error.stack; }
      console.warn = warn; here.replaceChildren();
      return wrong;
    })()`),
  );
});
