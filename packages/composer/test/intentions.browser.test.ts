import { writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import type { Page as PageFile } from "lumbit/core";
import type { Page } from "playwright-core";
import { expect, test } from "vitest";
import { temporaryFolder } from "../../../test/command.ts";
import { startComposer } from "../../cli/src/compose/compose.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** People do one thing after another, in any order: what each wanted is in the file, or they were told. */
const stone = (name: string, left: `${number}%`, depth: number) => ({
  ...{ name, shape: "rectangle" as const, background: "#c96", depth },
  place: { left, top: "40vh", width: "8%", height: "16vh" } as const,
});
const pageOf = (...layers: ReturnType<typeof stone>[]) =>
  ({
    ...{ format: "lumbit/1", title: "Pier", lang: "en" },
    scenes: [{ name: "first", height: "140vh", background: "#123", layers }],
  }) satisfies PageFile;
const names = ["bell", "buoy", "rope"] as const;
const layer = fc.constantFrom(...names);
/** Shorter ones are presses: a hand is never quite still. */
const way = fc.integer({ min: 8, max: 50 });
const decimal = fc.integer({ min: 2, max: 40 }).map((value) => value / 10);
const step = fc.oneof(
  fc.record({
    ...{ does: fc.constant("type" as const), layer, depth: decimal },
    leavesTo: fc.constantFrom("bell" as const, "rope" as const, "stage" as const),
  }),
  fc.record({ does: fc.constant("drag" as const), layer, x: way, y: way }),
  fc.record({ does: fc.constant("frame" as const), down: fc.boolean() }),
  fc.record({ does: fc.constant("paste" as const) }),
  fc.record({ does: fc.constant("undo" as const) }),
  fc.record({ does: fc.constant("break" as const), layer, x: way, y: way }),
  fc.record({ does: fc.constant("outside" as const), layer, opacity: fc.integer({ min: 1, max: 99 }) }),
);
type Step = typeof step extends fc.Arbitrary<infer Value> ? Value : never;

const composer = composed((folder) => {
  const file = join(folder, "page.json");
  const page = pageOf(stone("bell", "20%", 1), stone("buoy", "45%", 0.5), stone("rope", "70%", 0.5));
  writeFileSync(file, `${JSON.stringify(page, null, 2)}\n`);
  return file;
});
const { card, large } = composer;
const layersOf = (page: PageFile) => page.scenes[0]?.layers as unknown as ReturnType<typeof stone>[];
const middleOf = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
  x: x + width / 2,
  y: y + height / 2,
});

/** A place on the stage at which nothing lies but the ground. */
async function emptyPlace(): Promise<{ x: number; y: number }> {
  const stage = await large().boundingBox();
  return { x: (stage?.x ?? 0) + 12, y: (stage?.y ?? 0) + 12 };
}

async function drag(from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  const { mouse } = composer.page;
  await mouse.move(from.x, from.y);
  await mouse.down();
  await mouse.move(to.x, to.y, { steps: 5 });
  await mouse.up();
}

/** What a step changes of the page as it was wanted before; nothing where it is only told of. */
async function take(one: Step, wanted: PageFile, history: readonly PageFile[]): Promise<PageFile> {
  const { page } = composer;
  const next = structuredClone(wanted);
  const changed = (name: string) => layersOf(next).find((layer) => layer.name === name);
  /** Where layers came to in the file, which the stage shows too. */
  const placed = async (moved: readonly string[]) => {
    const before = JSON.stringify(layersOf(wanted).map(({ place }) => place));
    await poll(() => JSON.stringify(layersOf(composer.onDisk()).map(({ place }) => place))).not.toBe(before);
    for (const name of moved)
      Object.assign(changed(name) ?? {}, {
        place: layersOf(composer.onDisk()).find((own) => own.name === name)?.place,
      });
  };
  /** Drags a layer towards the middle of the stage, without edges that attract it. */
  const dragLayer = async (name: string, by: { x: number; y: number }) => {
    await card(name).click();
    await composer.atRest();
    const stage = middleOf((await large().boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 });
    const from = middleOf(await composer.boxOn(0, name));
    const inwards = (way: number, at: number, middle: number) => way * (at < middle ? 1 : -1);
    const to = {
      x: from.x + inwards(by.x, from.x, stage.x),
      y: from.y + inwards(by.y, from.y, stage.y),
    };
    await page.keyboard.down("Alt");
    await drag(from, to);
    await page.keyboard.up("Alt");
    return to;
  };
  switch (one.does) {
    case "type": {
      await card(one.layer).click();
      await page.getByRole("complementary").getByRole("textbox", { name: "depth" }).fill(String(one.depth));
      if (one.leavesTo === "stage") {
        const { x, y } = await emptyPlace();
        await page.mouse.click(x, y);
      } else await card(one.leavesTo).click();
      Object.assign(changed(one.layer) ?? {}, { depth: one.depth });
      return next;
    }
    case "drag": {
      const to = await dragLayer(one.layer, one);
      await placed([one.layer]);
      await composer.atRest();
      const at = middleOf(await composer.boxOn(0, one.layer));
      expect(Math.hypot(at.x - to.x, at.y - to.y), `${one.layer} is under the pointer`).toBeLessThan(1.5);
      return next;
    }
    case "frame": {
      const stage = await large().boundingBox();
      const from = await emptyPlace();
      await drag(from, {
        x: (stage?.x ?? 0) + (stage?.width ?? 0) - 6,
        y: (stage?.y ?? 0) + (stage?.height ?? 0) - 6,
      });
      await page.keyboard.press(one.down ? "Shift+ArrowDown" : "Shift+ArrowUp");
      const framed = layersOf(wanted).map(({ name }) => name);
      await placed(framed);
      for (const [index, { place }] of layersOf(next).entries())
        expect(place.top, framed[index]).not.toBe(layersOf(wanted)[index]?.place.top);
      return next;
    }
    case "paste": {
      await card("bell").click();
      await page.bringToFront();
      await page.keyboard.press("ControlOrMeta+v");
      const count = layersOf(wanted).length;
      await poll(() => layersOf(composer.onDisk()).length).toBe(count + 1);
      const pasted = layersOf(composer.onDisk()).filter(
        ({ name }) => !layersOf(wanted).some((layer) => layer.name === name),
      );
      expect(pasted).toEqual([{ ...visitor, name: expect.stringMatching(/^visitor/) }]);
      const at = layersOf(wanted).findIndex(({ name }) => name === "bell");
      layersOf(next).splice(at + 1, 0, ...pasted);
      return next;
    }
    case "undo": {
      const before = history.at(-1);
      if (!before) return next;
      await read(wanted);
      await composer.saved();
      await composer.atRest();
      await large().focus();
      await page.keyboard.press("ControlOrMeta+z");
      return before;
    }
    case "break": {
      await page.getByRole("button", { name: "Text", exact: true }).click();
      const editor = page.getByRole("textbox", { name: /^Text of/ });
      await editor.click();
      await page.keyboard.press("ControlOrMeta+Home");
      await page.keyboard.type("x");
      await dragLayer(one.layer, one);
      await poll(() => page.getByRole("status").textContent()).toContain("mend it first");
      await editor.click();
      await page.keyboard.press("ControlOrMeta+Home");
      await page.keyboard.press("Delete");
      await poll(() => page.getByText("The text is not right yet").count()).toBe(0);
      await page.getByRole("button", { name: "Text", exact: true }).click();
      await composer.saved();
      return next;
    }
    case "outside": {
      // Two that are written at once would be one.
      await read(wanted);
      Object.assign(changed(one.layer) ?? {}, { opacity: one.opacity / 100 });
      await composer.saved();
      writeFileSync(composer.file, `${JSON.stringify(next, null, 2)}\n`);
      return next;
    }
  }
}

/** Waits until what another program wrote is on the stage. */
const read = (page: PageFile) =>
  poll(() =>
    composer
      .stages()[0]
      ?.evaluate(() =>
        [...document.querySelectorAll("[data-lumbit-layer]")].map((layer) =>
          Number(getComputedStyle(layer).opacity),
        ),
      ),
  ).toEqual(layersOf(page).map((layer) => (layer as { opacity?: number }).opacity ?? 1));

const visitor = stone("visitor", "30%", 0.8);

/** Another window, of another page, from which a layer is copied. */
async function copyVisitor(): Promise<() => Promise<void>> {
  const file = join(temporaryFolder(), "page.json");
  writeFileSync(file, JSON.stringify(pageOf(visitor)));
  const served = await startComposer(file, 0);
  const context = composer.page.context();
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  const page = (await context.browser()?.newPage()) as Page;
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await page.goto(served.url);
  await stagesShow({
    page,
    stages: () => page.frames().filter((frame) => frame.url().endsWith("stage.html")),
  });
  await page.getByRole("option", { name: /^visitor/ }).click();
  await page.keyboard.press("ControlOrMeta+c");
  await expect.poll(() => page.evaluate("navigator.clipboard.readText()")).toContain("visitor");
  return async () => {
    await page.close();
    await served.close();
  };
}

const sequences = fc.sample(fc.array(step, { minLength: 9, maxLength: 9 }), 2);
test.each(sequences.map((steps) => [steps.map(({ does }) => does).join(", "), steps] as const))(
  "%s: all of it is in the file, or told of",
  async (_, steps) => {
    const close = await copyVisitor();
    await composer.page.bringToFront();
    let wanted: PageFile = composer.onDisk();
    let history: PageFile[] = [];
    for (const [index, one] of steps.entries()) {
      const said = `${index}: ${JSON.stringify(one)}, seed ${process.env.LUMBIT_SEED}`;
      const next = await take(one, wanted, history).catch((error: Error) => {
        throw new Error(`${said}: ${error.message}`, { cause: error });
      });
      if (one.does === "undo") history = history.slice(0, -1);
      else if (JSON.stringify(next) !== JSON.stringify(wanted)) history = [...history, wanted];
      wanted = next;
      await expect.poll(() => composer.onDisk(), { timeout: 30_000, message: said }).toEqual(wanted);
    }
    await close();
  },
);
