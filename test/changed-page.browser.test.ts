import fc from "fast-check";
import type { Layer, Page as PageFile } from "lumbit/core";
import { expect, test } from "vitest";
import { boxes, documents, expectSame, mounted, painted } from "./mounted-page.ts";

/** A page that stands in a document while it is changed: after each change it is as one that is mounted anew. */
const open = documents();

const stones = (depths: readonly number[]): Layer[] =>
  depths.map((depth, index) => ({
    ...{ name: `stone-${index}`, shape: "rectangle", background: "#0a6", depth },
    place: { left: `${10 * index}%`, top: "30vh", width: "8%", height: "12vh" },
  }));
/** Comes to its full strength as its scene passes. */
const fading = (opacity: number): Pick<Layer, "ramps"> => ({
  ramps: [
    {
      property: "opacity",
      stops: [
        { at: "cover 0%", value: opacity },
        { at: "cover 100%", value: 1 },
      ],
    },
  ],
});
const shore = (depths: readonly number[], text = "Low water", faint?: number): PageFile => ({
  ...{ format: "lumbit/1", title: "Shore", lang: "en", page: { background: "#06202b", color: "#fff" } },
  scenes: [
    {
      name: "shore",
      height: "150vh",
      layers: [...stones(depths), { name: "title", text, as: "h1", depth: 0.5, ...(faint && fading(faint)) }],
    },
    { name: "end", height: "120vh", layers: stones([0.4]) },
  ],
});

test.each(["native", "scripted"])(
  "a change of a depth leaves every element and the styles of all others, %s",
  async (driver) => {
    const page = await open("", { width: 1000, height: 700 });
    const before = shore([0.2, 1, 3]);
    await mounted(page, before, driver, {});
    await boxes(page, 300);
    const texts = () =>
      page.evaluate(() =>
        document.adoptedStyleSheets.map((sheet) =>
          [...sheet.cssRules].map(({ cssText }) => cssText).join("\n"),
        ),
      );
    const old = await texts();
    await page.evaluate("window.elements = [...document.querySelectorAll('*')]");
    // As an editor does it: what does not change is the same object.
    await page.evaluate(`{
    const page = ${JSON.stringify(before)};
    live.update(page);
    const [scene, end] = page.scenes;
    const [first, ...others] = scene.layers;
    window.next = { ...page, scenes: [{ ...scene, layers: [{ ...first, depth: 4 }, ...others] }, end] };
    window.writes = 0;
    const replace = CSSStyleSheet.prototype.replaceSync;
    CSSStyleSheet.prototype.replaceSync = function (text) { writes++; replace.call(this, text); };
    live.update(next);
  }`);
    // The new values stand on the one element: a changed sheet would have all of the document styled anew.
    expect(await page.evaluate("writes")).toBe(0);
    expect(await texts()).toEqual(old);
    expect(
      await page.evaluate(
        "elements.filter((element) => element.dataset.lumbitLayer && element.style.length > 0).map(({ dataset }) => dataset.lumbitLayer)",
      ),
    ).toContain("stone-0");
    expect(
      await page.evaluate(
        "[...document.querySelectorAll('*')].every((element, index) => element === elements[index])",
      ),
    ).toBe(true);
    const fresh = await open("", { width: 1000, height: 700 });
    await mounted(fresh, shore([4, 1, 3]), driver, {});
    // Before it is scrolled as well.
    for (const scroll of [300, 0, 800])
      expectSame(await boxes(page, scroll), await boxes(fresh, scroll), 0.1, `${scroll}`);
  },
);

test.each(["native", "scripted"])(
  "after any changes a page is as one that is mounted anew, %s",
  async (driver) => {
    const page = await open("", { width: 900, height: 600 });
    const fresh = await open("", { width: 900, height: 600 });
    await mounted(page, shore([1]), driver, {});
    const state = fc.record({
      depths: fc.array(fc.constantFrom(-0.3, 0, 0.4, 0.5, 2), { maxLength: 4 }),
      text: fc.constantFrom("Low water", "High\nwater"),
      faint: fc.constantFrom(undefined, 0.2, 0.7),
      more: fc.constantFrom(
        {},
        { hold: "40vh" },
        { content: [{ text: "The water comes in." }] },
        { relief: 0.5, height: "180vh" },
      ),
      swapped: fc.boolean(),
    });
    await fc.assert(
      fc.asyncProperty(state, async ({ depths, text, faint, more, swapped }) => {
        const { scenes, ...rest } = shore(depths, text, faint);
        const changed = scenes.map((scene, index) =>
          index === 0 ? { ...scene, ...more } : scene,
        ) as PageFile["scenes"];
        const next = { ...rest, scenes: swapped ? changed.toReversed() : changed };
        await page.evaluate(
          (next) => void (window as never as { live: { update(page: unknown): void } }).live.update(next),
          next,
        );
        await fresh.evaluate("window.live?.dispose()");
        await mounted(fresh, next, driver, {});
        for (const scroll of [350, 0, 350]) {
          const [own, other] = [await boxes(page, scroll), await boxes(fresh, scroll)];
          expectSame(own, other, 0.1, JSON.stringify({ depths, faint, more, swapped, scroll }));
          expect(own.map(({ style }) => style)).toEqual(other.map(({ style }) => style));
          expect(painted(own)).toEqual(painted(other));
        }
      }),
      { numRuns: 25 },
    );
    expect(
      await fresh.evaluate(
        "(live.dispose(), document.adoptedStyleSheets.length + document.body.children.length)",
      ),
    ).toBe(0);
  },
);

test("in a page of many layers the others stand while one is changed step by step, where they were, until the next scroll", async () => {
  const many = (dragged: number): PageFile => {
    const depths = Array.from({ length: 130 }, (_, index) => (index === 7 ? dragged : (index % 9) / 3));
    const layers = stones(depths).map((layer, index) => ({
      ...layer,
      place: { left: `${index % 90}%`, top: `${index % 70}vh`, width: "8%", height: "12vh" },
      ...(index % 4 === 0 && fading(0.2)),
    }));
    return {
      ...shore([]),
      scenes: [{ name: "shore", height: "150vh", layers } as PageFile["scenes"][number]],
    };
  };
  const page = await open("", { width: 1000, height: 700 });
  const fresh = await open("", { width: 1000, height: 700 });
  await mounted(page, many(1), "native", {});
  await mounted(fresh, many(2), "native", {});
  await boxes(page, 300);
  const standing = () =>
    page.evaluate(() => {
      const moving = new Set(document.getAnimations().map(({ effect }) => (effect as KeyframeEffect).target));
      return [...document.querySelectorAll("[data-lumbit-layer]")].filter((layer) => !moving.has(layer))
        .length;
    });
  const untouched = await standing();
  // As an editor does it: what does not change is the same object.
  await page.evaluate((next) => {
    const { live } = window as never as { live: { update(page: PageFile): void } };
    let shown = next;
    live.update(shown);
    Object.assign(window, {
      drag: async (depths: number[]) => {
        for (const depth of depths) {
          const [scene] = shown.scenes;
          const layers = scene?.layers.map((layer, index) => (index === 7 ? { ...layer, depth } : layer));
          shown = { ...shown, scenes: [{ ...scene, layers }] } as PageFile;
          live.update(shown);
          await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
        }
      },
    });
  }, many(1));
  await page.evaluate("drag([1.2, 1.4, 1.6, 1.8, 2])");
  expect((await standing()) - untouched).toBeGreaterThan(100);
  const as = async (scroll: number) => {
    const [own, other] = [await boxes(page, scroll), await boxes(fresh, scroll)];
    expectSame(own, other, 0.1, `${scroll}`);
    expect(own.map(({ style }) => style)).toEqual(other.map(({ style }) => style));
  };
  await as(300);
  expect((await standing()) - untouched).toBeGreaterThan(100);
  await as(520);
  expect(await standing()).toBe(untouched);
  // Who pauses them, or waits, finds nothing of it either.
  await page.evaluate("drag([1.8, 2, 1.8, 2, 2.1, 2])");
  expect(await standing()).toBeGreaterThan(untouched);
  await expect.poll(standing, { timeout: 5000 }).toBe(untouched);
  expect(
    await page.evaluate(
      "[...document.querySelectorAll('[data-lumbit-layer]')].filter(({ style }) => style.animation).length",
    ),
  ).toBe(0);
  await as(520);
});

test("a fitted text is as wide as it says, in a group too and in other letters, and is not measured for a depth", async () => {
  const page = await open("", { width: 1000, height: 700 });
  const named = (name: string, text: string, more: object = {}): Layer => ({
    ...{ name, text, fontSize: { fit: "50%" }, fontFamily: "serif", depth: 0.5 },
    ...more,
  });
  const state = (depth: number, fontWeight: number): PageFile => {
    const within = { name: "sign", layers: [named("inner", "illicit tide", { fontWeight })] };
    const place = { left: "10%", top: "10vh", width: "40%", height: "60vh" };
    const layers = [named("outer", "mummy water", { depth, fontWeight }), { ...within, place, depth: 1 }];
    return {
      ...shore([]),
      scenes: [{ name: "shore", height: "150vh", layers } as PageFile["scenes"][number]],
    };
  };
  const update = (next: PageFile) =>
    page.evaluate(
      (next) => void (window as never as { live: { update(page: unknown): void } }).live.update(next),
      next,
    );
  const widths = () =>
    page.evaluate(() =>
      ["outer", "inner"].map((name) => {
        const range = document.createRange();
        range.selectNodeContents(document.querySelector(`[data-lumbit-layer="${name}"]`) as Element);
        return range.getBoundingClientRect().width;
      }),
    );
  await mounted(page, state(0.5, 400), "native", {});
  await boxes(page, 300);
  const expectFitted = async () => {
    const [outer = 0, inner = 0] = await widths();
    expect(Math.abs(outer - 500)).toBeLessThan(2);
    expect(Math.abs(inner - 200)).toBeLessThan(2);
  };
  await expectFitted();
  await update(state(0.5, 700));
  await expectFitted();
  await page.evaluate(() => {
    const own = Range.prototype.getBoundingClientRect;
    const measured: Range[] = [];
    Object.assign(window, { measured });
    Range.prototype.getBoundingClientRect = function () {
      measured.push(this);
      return own.call(this);
    };
  });
  await update(state(1.5, 700));
  expect(await page.evaluate("measured.length")).toBe(0);
  await update(state(1.5, 400));
  expect(await page.evaluate("measured.length")).toBe(2);
  await expectFitted();
});

test("a scene may be named as anything that a page has", async () => {
  const page = await open("", { width: 1000, height: 700 });
  const before = { ...shore([1]), page: { header: { text: "Tidehouse" } } };
  await mounted(page, before, "native", {});
  const positions = () =>
    page.evaluate(() =>
      ["header", "[data-lumbit-scene=header]"].map(
        (part) => getComputedStyle(document.querySelector(part) as Element).position,
      ),
    );
  const [shown, ...others] = before.scenes;
  await page.evaluate(
    (next) => void (window as never as { live: { update(page: unknown): void } }).live.update(next),
    { ...before, scenes: [{ ...shown, name: "header" }, ...others] },
  );
  expect(await positions()).toEqual(["fixed", "relative"]);
  expect(await page.evaluate("document.querySelector('[data-lumbit-scene=header]').offsetHeight")).toBe(1050);
});
