import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { expect, test } from "vitest";
import { composed, poll } from "./compose.ts";

/** Goes through all controls of the window in each of its states, and presses them: each does something, or says something. */
const stone = (name: string, left: string, more: object = {}) => ({
  ...{ name, shape: "rectangle", background: "#c96", depth: 0.5 },
  place: { left, top: "40vh", width: "12%", height: "20vh" },
  ...more,
});
const page = {
  ...{ format: "lumbit/1", title: "Pier", lang: "en" },
  scenes: [
    {
      ...{ name: "first", height: "150vh", background: "#123" },
      layers: [
        stone("one", "5%"),
        stone("two", "20%", { depth: 2 }),
        {
          ...{ name: "words", text: "Low water", color: "#fff", fontSize: "40px" },
          place: { center: "x", top: "20vh" },
        },
        {
          ...{ name: "sea", image: "art/sea.svg", alt: "", pane: true, depth: 0.3 },
          place: { left: "50%", top: "60vh", width: "20%", height: "30vh" },
        },
        stone("gone", "80%", { hidden: true }),
        stone("fast", "70%", { locked: true }),
        {
          ...{ name: "pair", place: { left: "5%", top: "75vh", width: "30%", height: "30vh" } },
          layers: [stone("inner", "0%")],
        },
        {
          ...{ name: "line", row: { gap: "2%" }, place: { left: "5%", top: "110vh", width: "60%" } },
          layers: ["left", "right"].map((name) => ({
            ...{ name, shape: "rectangle", background: "#0fa", place: { width: "20%", height: "8vh" } },
          })),
        },
      ],
    },
    {
      ...{ name: "hall", height: "100vh", hold: "100vh" },
      layers: [
        {
          ...{ name: "strip", reel: { width: "60%" } },
          layers: ["Ebb", "Flow"].map((text) => ({
            name: text.toLowerCase(),
            layers: [{ name: `${text}-words`, text }],
          })),
        },
      ],
    },
    { name: "end", height: "100vh", layers: [] },
  ],
};
const text = `${JSON.stringify(page, null, 2)}\n`;
const composer = composed((folder) => {
  const file = join(folder, "page.json");
  mkdirSync(join(folder, "art"));
  writeFileSync(
    join(folder, "art/sea.svg"),
    '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><path fill="#0a6" d="M0 0h300v200H0z"/></svg>',
  );
  writeFileSync(file, text);
  return file;
});

const card = (page: Page, name: string) =>
  page.getByRole("option", { name: new RegExp(`^${name}(?![\\w-])`) });
const pressed = (name: string) => (page: Page) => page.getByRole("button", { name, exact: true }).click();
const selected = (name: string) => (page: Page) => card(page, name).click();
/** How the window comes to be as it is, and how wide it is. */
const states: [state: string, come: (page: Page) => Promise<void>, width?: number][] = [
  ["nothing selected", async () => {}],
  ["nothing selected, in a small window", async () => {}, 720],
  ["a shape selected", selected("one")],
  [
    "a shape selected, in a small window",
    async (page) => {
      await pressed("Section")(page);
      await card(page, "one").click();
    },
    720,
  ],
  [
    "several selected",
    async (page) => {
      await card(page, "one").click();
      await card(page, "two").click({ modifiers: ["Control"] });
    },
  ],
  ["words selected", selected("words")],
  ["a pane selected", selected("sea")],
  ["a hidden layer selected", selected("gone")],
  ["a locked layer selected", selected("fast")],
  ["a group selected", selected("pair")],
  ["a row selected", selected("line")],
  [
    "a reel selected",
    async (page) => {
      await page.getByRole("option", { name: "hall", exact: true }).click();
      await card(page, "strip").click();
    },
  ],
  ["the page's sentences", pressed("page")],
  ["the text of the page file", pressed("Text")],
  [
    "the menu of a layer",
    async (page) => {
      await card(page, "one").click();
      await page.getByRole("button", { name: "More for one" }).click();
    },
  ],
  ["what can be added", pressed("Add a layer")],
  [
    "what can be said more",
    async (page) => {
      await card(page, "one").click();
      await page.getByRole("button", { name: "say more" }).last().click();
    },
  ],
];

/** What is pressed; fields and sliders are typed in, which is what the tests of the caption do. */
const pressable =
  "button, [role=button], [role=menuitem], [role=menuitemradio], [role=switch], [role=tab], [role=option], a[href]";
/** The controls that are in sight and can be pressed, by what they are and say. */
const controlsOn = (page: Page): Promise<string[]> =>
  page.evaluate((pressable) => {
    const nameOf = (control: Element) =>
      `${control.getAttribute("role") ?? control.localName} ${(control.getAttribute("aria-label") ?? control.textContent ?? "").trim()}`;
    // Over an open menu nothing else is.
    const menu = document.querySelector(".react-aria-Popover");
    // What dismisses a menu is for those who listen, and drawn nowhere.
    const isOffered = (control: Element) =>
      (!menu || menu.contains(control)) &&
      !control.matches(
        ":disabled, [aria-disabled=true], [aria-hidden=true] *, .hidden *, [aria-label=Dismiss]",
      ) &&
      control.getClientRects().length > 0 &&
      control.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    const controls = [...document.querySelectorAll(pressable)].filter(isOffered);
    for (const control of controls) control.setAttribute("data-control", nameOf(control));
    return controls.map(nameOf);
  }, pressable);
/** All that a press could change: the window, its stages, and the file. */
const everything = async (page: Page) => {
  const frames = page
    .frames()
    .map((frame) =>
      frame
        .evaluate(() =>
          [
            document.body.innerHTML,
            scrollY,
            ...[...document.querySelectorAll("input, textarea, select")].map((field) => Object(field).value),
            document.activeElement?.getAttribute("aria-label"),
          ].join("\n"),
        )
        .catch(() => "gone"),
    );
  return [...(await Promise.all(frames)), readFileSync(composer.file, "utf8")].join("\n");
};

const seen = new Set<string>();
/** A run takes one of so many, for each press takes a window of its own; the whole run takes all. */
const oneOf = <T>(many: number, all: T[]) =>
  all.filter((_, index) => process.env.LUMBIT_WHOLE || index % many === 0);

test.each(oneOf(6, states))("every control does something: %s", async (_, come, width = 1280) => {
  const browser = composer.page.context().browser();
  if (!browser) throw new Error("there is no browser");
  const open = async () => {
    writeFileSync(composer.file, text);
    const page = await browser.newPage({ viewport: { width, height: 800 } });
    const thrown: string[] = [];
    let asked = 0;
    page.on("pageerror", ({ message }) => void thrown.push(message));
    page.on("filechooser", () => void asked++);
    page.on("download", () => void asked++);
    await page.goto(composer.url);
    await page
      .getByRole("slider", { name: "Place in the passage of the scene" })
      .waitFor({ state: "attached" });
    await come(page);
    await poll(() => page.getByText("judging").count()).toBe(0);
    return { page, thrown, asked: () => asked };
  };
  const first = await open();
  const names = [...new Set(await controlsOn(first.page))].filter((name) => !seen.has(`${width} ${name}`));
  await first.page.close();
  for (const name of names) seen.add(`${width} ${name}`);
  for (const [index, name] of oneOf(3, names).entries()) {
    const { page, thrown, asked } = await open();
    const control = page.locator(`[data-control=${JSON.stringify(name)}]`).first();
    await poll(async () => (await controlsOn(page)).includes(name)).toBe(true);
    // What goes on by itself is over.
    let before = "";
    await poll(async () => {
      const now = await everything(page);
      const rests = now === before;
      before = now;
      return rests;
    }).toBe(true);
    // By pointer and by keyboard in turn.
    if (index % 2 === 0) await control.click();
    else {
      await control.focus();
      await page.keyboard.press(name.startsWith("option") ? "ArrowRight" : "Enter");
    }
    await expect
      .poll(async () => asked() > 0 || (await everything(page)) !== before, {
        message: name,
        timeout: 10_000,
      })
      .toBe(true);
    expect(thrown, name).toEqual([]);
    await page.close();
  }
});
