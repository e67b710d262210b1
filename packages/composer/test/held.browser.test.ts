import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { temporaryFolder } from "../../../test/command.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** What is dropped from outside, and what is taken hold of and let go again, each with a real pointer. */
const picture = (width: number, height: number, background: string) =>
  sharp({ create: { width, height, channels: 3, background } })
    .png()
    .toBuffer();
const page = {
  ...{ format: "lumbit/1", title: "Pier", lang: "en" },
  scenes: [
    {
      ...{ name: "first", height: "160vh", background: "#123" },
      layers: [
        {
          ...{ name: "sea", image: "art/sea.png", alt: "", depth: 0.4, pane: true },
          place: { left: "20%", top: "40vh", width: "60%", height: "60vh" },
        },
        {
          ...{ name: "buoy", shape: "ellipse", background: "#c96", depth: 0.8 },
          place: { left: "8%", top: "50vh", width: "26px", height: "26px" },
        },
      ],
    },
    { name: "second", height: "100vh", layers: [] },
  ],
};
const composer = composed(async (folder) => {
  const file = join(folder, "page.json");
  mkdirSync(join(folder, "art"));
  writeFileSync(join(folder, "art/sea.png"), await picture(300, 300, "#0a6"));
  writeFileSync(file, `${JSON.stringify(page, null, 2)}\n`);
  return file;
});
const { card, large } = composer;
const layers = () => composer.onDisk().scenes[0]?.layers ?? [];
const place = (layer: string) => composer.layer(layer)?.place as Record<string, string> | undefined;
const middle = (box: { x: number; y: number; width: number; height: number } | null) => ({
  x: (box?.x ?? 0) + (box?.width ?? 0) / 2,
  y: (box?.y ?? 0) + (box?.height ?? 0) / 2,
});

/** Drops files and folders of the disk, as a file manager does. */
async function drop(paths: string[], at: { x: number; y: number }): Promise<void> {
  const session = await composer.page.context().newCDPSession(composer.page);
  for (const type of ["dragEnter", "dragOver", "drop"] as const)
    await session.send("Input.dispatchDragEvent", {
      ...{ type, ...at },
      data: { items: [], files: paths, dragOperationsMask: 1 },
    });
  await session.detach();
}

test("a folder that is dropped brings the pictures in it", async () => {
  const folder = join(temporaryFolder(), "cut outs");
  mkdirSync(join(folder, "near"), { recursive: true });
  writeFileSync(join(folder, "kelp.png"), await picture(60, 40, "#084"));
  writeFileSync(join(folder, "near/rope.png"), await picture(40, 60, "#a84"));
  await drop([folder], middle(await large().boundingBox()));
  await poll(() =>
    layers()
      .map(({ name }) => name)
      .toSorted(),
  ).toEqual(["buoy", "kelp", "rope", "sea"]);
  expect(await composer.page.getByText("Failed to fetch").count()).toBe(0);
});

test("thirty pictures that are dropped at once all stand within their scene", async () => {
  const folder = temporaryFolder();
  const paths = await Promise.all(
    Array.from({ length: 30 }, async (_, index) => {
      const path = join(folder, `stone-${index}.png`);
      writeFileSync(path, await picture(400, 300, `rgb(${index * 8} 90 90)`));
      return path;
    }),
  );
  await drop(paths, middle(await large().boundingBox()));
  await poll(() => layers().length).toBe(32);
  await composer.saved();
  await composer.atRest();
  const scene = await composer
    .stages()[0]
    ?.evaluate(() =>
      (document.querySelector('[data-lumbit-scene="first"]') as Element).getBoundingClientRect().toJSON(),
    );
  const out = await composer.stages()[0]?.evaluate(
    ({ left, right, top, bottom }) =>
      [...document.querySelectorAll('[data-lumbit-layer^="stone"]')].filter((layer) => {
        const box = layer.getBoundingClientRect();
        return box.left < left - 1 || box.right > right + 1 || box.top > bottom || box.bottom < top;
      }).length,
    scene,
  );
  expect(out).toBe(0);
});

test("the middle of a cropped picture moves it, and its grip moves the subject", async () => {
  const { page } = composer;
  await card("sea").click();
  await composer.atRest();
  const from = middle(await composer.boxOn(0, "sea"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y, { steps: 5 });
  await page.mouse.up();
  await poll(() => place("sea")?.left).not.toBe("20%");
  expect(composer.layer("sea")?.subject).toBeUndefined();
  await composer.saved();
  await composer.atRest();
  const standing = place("sea");
  const grip = middle(await page.locator('.large [data-handle="subject"]').boundingBox());
  await page.mouse.move(grip.x, grip.y);
  await page.mouse.down();
  await page.mouse.move(grip.x, grip.y - 20, { steps: 4 });
  await page.mouse.up();
  await poll(() => composer.layer("sea")?.subject).toBeDefined();
  expect(place("sea")).toEqual(standing);
});

test("a small layer that is selected is dragged by its middle, whatever is marked there", async () => {
  const { page } = composer;
  await card("buoy").click();
  await composer.atRest();
  const from = middle(await composer.boxOn(0, "buoy"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 20, { steps: 5 });
  await page.mouse.up();
  await poll(() => place("buoy")?.left).not.toBe("8%");
  expect(place("buoy")).toMatchObject({ width: "26px", height: "26px" });
});

test("several layers are resized together by a corner: each keeps its shape, and its share of the box around them", async () => {
  const { page } = composer;
  await card("sea").click();
  await card("buoy").click({ modifiers: ["Control"] });
  await composer.atRest();
  const [sea, buoy] = [await composer.boxOn(0, "sea"), await composer.boxOn(0, "buoy")];
  const grip = async (corner: string) =>
    middle(await page.locator(`.large [data-handle="${corner}"]`).boundingBox());
  const [corner, still] = [await grip("1 1"), await grip("-1 -1")];
  const brought = (at: number, still: number) => still + (at - still) * 0.8;
  await page.mouse.move(corner.x, corner.y);
  await page.mouse.down();
  await page.mouse.move(brought(corner.x, still.x), brought(corner.y, still.y), { steps: 6 });
  await page.mouse.up();
  await page.getByRole("button", { name: "Undo 2 layers: size" }).waitFor();
  await composer.saved();
  await composer.atRest();
  const after = await composer.boxOn(0, "buoy");
  const wanted = { x: brought(buoy.x, still.x), y: brought(buoy.y, still.y), width: buoy.width * 0.8 };
  for (const side of ["x", "y", "width"] as const)
    expect(Math.abs(after[side] - wanted[side]), side).toBeLessThan(0.2);
  expect(place("sea")).toMatchObject({ width: "48%" });
  expect((await composer.boxOn(0, "sea")).width / sea.width).toBeCloseTo(0.8, 1);
});

test("a bundle is taken hold of together, each layer at its depth, and one of it by another click", async () => {
  const { page } = composer;
  const entry = async (words: string) => {
    await page
      .getByRole("complementary")
      .getByRole("button", { name: /^More for/ })
      .click();
    await page.getByRole("menuitem", { name: words }).click();
  };
  const selected = () => Promise.all(["sea", "buoy"].map((name) => card(name).getAttribute("aria-selected")));
  await card("sea").click();
  await card("buoy").click({ modifiers: ["Control"] });
  await entry("Bundle");
  await poll(() => layers().map(({ bundle }) => bundle)).toEqual(["bundle", "bundle"]);
  await page.getByRole("option", { name: "second", exact: true }).click();
  await page.getByRole("option", { name: "first", exact: true }).click();
  await composer.atRest();
  const [sea, buoy] = [middle(await composer.boxOn(0, "sea")), middle(await composer.boxOn(0, "buoy"))];
  await page.mouse.move(buoy.x, buoy.y);
  await page.mouse.down();
  // No edge attracts it.
  await page.keyboard.down("Alt");
  await page.mouse.move(buoy.x + 40, buoy.y, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await poll(() => place("buoy")?.left).not.toBe("8%");
  await composer.saved();
  await composer.atRest();
  for (const [layer, before] of [
    ["sea", sea],
    ["buoy", buoy],
  ] as const)
    expect(
      (await composer.boxOn(0, layer)).x + (await composer.boxOn(0, layer)).width / 2 - before.x,
    ).toBeCloseTo(40, 0);
  expect(layers().map(({ depth }) => depth)).toEqual([0.4, 0.8]);
  await poll(selected).toEqual(["true", "true"]);
  await page.mouse.click(buoy.x + 40, buoy.y);
  await poll(selected).toEqual(["false", "true"]);
  await entry("Take out of the bundle");
  await poll(() => layers().map(({ bundle }) => bundle)).toEqual(["bundle", undefined]);
});

test("a picture that is dropped right after its scene was made to hold falls where it was dropped", async () => {
  const { page } = composer;
  // Advice that comes and goes has the stages move.
  await page.evaluate(() => localStorage.setItem("lumbit-hints", '["play", "depth", "place"]'));
  await page.reload();
  await stagesShow(composer);
  await page.getByRole("complementary").getByRole("button", { name: "say more" }).last().click();
  await page.getByRole("menuitem", { name: /^hold/ }).click();
  await poll(() => page.evaluate(() => document.activeElement?.getAttribute("aria-label"))).toBe("hold");
  const stage = await large().boundingBox();
  const path = join(temporaryFolder(), "gull.png");
  writeFileSync(path, await picture(40, 40, "#eee"));
  const at = { x: (stage?.x ?? 0) + 300, y: (stage?.y ?? 0) + 150 };
  await page.keyboard.type("60vh");
  await page.keyboard.press("Enter");
  await drop([path], at);
  await card("gull").waitFor();
  await poll(() => composer.onDisk().scenes[0]).toHaveProperty("hold");
  await composer.saved();
  await composer.atRest();
  const fell = middle(await composer.boxOn(0, "gull"));
  expect(Math.hypot(fell.x - at.x, fell.y - at.y)).toBeLessThan(2);
});

test("Escape lets go of a scene's edge and of a card, and nothing has changed", async () => {
  const { page } = composer;
  const before = composer.text();
  const edge = middle(await page.locator(".strip").getByTitle("The height of first").boundingBox());
  const letGo = async (
    at: { x: number; y: number },
    by: { x: number; y: number },
    seen: () => Promise<string>,
  ) => {
    const rest = await seen();
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x + by.x, at.y + by.y, { steps: 5 });
    await poll(seen).not.toBe(rest);
    await page.keyboard.press("Escape");
    await poll(seen).toBe(rest);
    await page.mouse.up();
  };
  const height = async () =>
    String(
      await composer
        .stages()[0]
        ?.evaluate(() => document.querySelector('[data-lumbit-scene="first"]')?.clientHeight),
    );
  await letGo(edge, { x: 0, y: 40 }, height);
  const speed = async () =>
    String(
      await composer
        .stages()[0]
        ?.evaluate(() =>
          getComputedStyle(document.querySelector('[data-lumbit-layer="buoy"]') as Element).getPropertyValue(
            "--lumbit-speed",
          ),
        ),
    );
  await letGo(middle(await card("buoy").boundingBox()), { x: 60, y: 0 }, speed);
  await composer.saved();
  expect(composer.text()).toBe(before);
});
