import { type Assets, type MountedPage, mountPage } from "lumbit";
import { attributesText, fragmentText, pageText } from "./copies.ts";
import { filesOf } from "./files.ts";
import { type PageFile, pageOf, type Recipe, recipes } from "./recipes.ts";
import { valueAt, withValue } from "./value.ts";

const find = <T extends HTMLElement = HTMLElement>(id: string) => document.getElementById(id) as T;
const room = find("room");
const stage = find<HTMLIFrameElement>("stage");

/** Screens that a recipe is shown on. */
const screens = { desk: [1280, 800], telephone: [390, 844], wide: [1920, 860] } as const;
let screen: keyof typeof screens = "desk";

/** The recipe that is shown, with the values that it was given. */
let shown: { recipe: Recipe; file: PageFile; assets: Assets; live: MountedPage } | undefined;

for (const { name, title } of recipes) {
  const item = document.createElement("li");
  const link = document.createElement("a");
  link.href = `#${name}`;
  link.textContent = title;
  item.append(link);
  find("recipes").append(item);
}

for (const name of Object.keys(screens) as (keyof typeof screens)[]) {
  const label = document.createElement("label");
  const choice = document.createElement("input");
  Object.assign(choice, { type: "radio", name: "screen", checked: name === screen });
  choice.addEventListener("change", () => {
    screen = name;
    fit();
  });
  label.append(choice, name);
  find("screens").append(label);
}

addEventListener("hashchange", () => void show());
new ResizeObserver(fit).observe(room);
void show();

async function show(): Promise<void> {
  const recipe = recipes.find(({ name }) => `#${name}` === location.hash) ?? recipes[0];
  if (!recipe) return;
  const page = pageOf(recipe.file);
  const assets = await filesOf(page);
  playing = undefined;
  shown?.live.dispose();
  const inside = stage.contentDocument as Document;
  inside.documentElement.style.scrollbarWidth = "none";
  inside.body.style.margin = "0";
  const live = mountPage(inside, page, assets);
  shown = { recipe, file: recipe.file, assets, live };
  // It opens on what it is about: the scene of the first value to play with, as it stands composed.
  const [, about = 0] = /^\/scenes\/(\d+)/.exec(recipe.play[0]?.at ?? "") ?? [];
  inside
    .querySelectorAll("[data-lumbit-scene]")
    [Number(about)]?.scrollIntoView({ block: "start", behavior: "instant" });
  for (const link of find("recipes").querySelectorAll("a"))
    link.toggleAttribute("aria-current", link.getAttribute("href") === `#${recipe.name}`);
  document.title = `${recipe.title} · Recipes`;
  find("title").textContent = recipe.title;
  find("for").textContent = recipe.for;
  find("watch").textContent = recipe.watch;
  find("said").textContent = "";
  find("values").replaceChildren(...recipe.play.map(slider));
  document
    .querySelector('[data-copy="attributes"]')
    ?.toggleAttribute("disabled", attributesText(page) === undefined);
  write();
}

/** A slider for a value of the page; the page follows while it is moved. */
function slider({ at, says, least, most, step }: Recipe["play"][number]): HTMLElement {
  const label = document.createElement("label");
  const value = document.createElement("output");
  const range = document.createElement("input");
  const now = valueAt(shown?.file ?? {}, at);
  Object.assign(range, { type: "range", min: least, max: most, step, value: now });
  value.textContent = String(now);
  range.addEventListener("input", () => {
    if (!shown) return;
    shown.file = withValue(shown.file, at, range.valueAsNumber);
    value.textContent = range.value;
    shown.live.update(pageOf(shown.file));
    write();
  });
  const words = document.createElement("span");
  words.textContent = says;
  label.append(words, value, range);
  return label;
}

function write(): void {
  if (shown) find<HTMLTextAreaElement>("text").value = pageText(shown.file);
}

for (const button of document.querySelectorAll<HTMLButtonElement>("[data-copy]"))
  button.addEventListener("click", async () => {
    if (!shown) return;
    const { file, assets } = shown;
    const page = pageOf(file);
    const text = {
      page: () => pageText(file),
      fragment: () => fragmentText(page, assets),
      attributes: () => attributesText(page) ?? "",
    }[button.dataset.copy as "page" | "fragment" | "attributes"]();
    await navigator.clipboard.writeText(text);
    find("said").textContent =
      `Copied: ${text.length.toLocaleString("en")} characters. Its pictures and fonts are those of the Tidehouse.`;
  });

/** Which playing goes on; another one, or a hand, ends it. */
let playing: object | undefined;

find("play").addEventListener("click", () => {
  const view = stage.contentWindow;
  if (!view) return;
  if (playing) {
    playing = undefined;
    return;
  }
  const own = {};
  playing = own;
  const whole = view.document.documentElement.scrollHeight - view.innerHeight;
  const from = view.scrollY >= whole - 1 ? 0 : view.scrollY;
  const begun = performance.now();
  const step = (time: number) => {
    const at = from + (time - begun) * 0.45;
    find("play").textContent = playing === own && at < whole ? "Stop" : "Play";
    if (playing !== own) return;
    view.scrollTo({ top: at, behavior: "instant" });
    if (at < whole) requestAnimationFrame(step);
    else playing = undefined;
  };
  requestAnimationFrame(step);
});

/** The screen as large as the room lets it be. */
function fit(): void {
  const [width, height] = screens[screen];
  const scale = Math.min(room.clientWidth / width, room.clientHeight / height, 1);
  Object.assign(stage.style, {
    width: `${width}px`,
    height: `${height}px`,
    scale: String(scale),
    left: `${(room.clientWidth - width * scale) / 2}px`,
    top: `${(room.clientHeight - height * scale) / 2}px`,
  });
}
