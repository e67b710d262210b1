/** A screen that a page is shown on, in px. */
export interface Screen {
  name: string;
  width: number;
  height: number;
  /** As readers have it who want less motion, and as it is printed; or where no script runs. */
  as?: "still" | "scriptless";
}

/** Screens that many readers have. */
export const usualScreens: readonly Screen[] = [
  { name: "small telephone", width: 320, height: 568 },
  { name: "telephone", width: 390, height: 844 },
  { name: "tablet", width: 768, height: 1024 },
  { name: "laptop", width: 1280, height: 800 },
  { name: "desk", width: 1920, height: 1080 },
  { name: "wide desk", width: 2560, height: 1080 },
];

/** How small and how large a screen may be on each side, in px. */
export const screenSizes = { least: 200, most: 4000 };

/** At most so many are shown beside each other. */
export const mostScreens = 4;

const place = "lumbit-screens";
const first = usualScreens.filter(({ name }) => name === "laptop" || name === "telephone").reverse();

/** The screens that were shown last in this browser, the large one first; a laptop and a telephone at first. */
export function keptScreens(): readonly Screen[] {
  try {
    const kept = JSON.parse(localStorage.getItem(place) ?? "null") as Screen[] | null;
    const right = kept?.every(({ name, width, height }) => name && width >= 100 && height >= 100);
    return kept && right && kept.length > 0 ? kept.slice(0, mostScreens) : first;
  } catch {
    return first;
  }
}

export function keepScreens(screens: readonly Screen[]): void {
  try {
    localStorage.setItem(place, JSON.stringify(screens));
  } catch {}
}

/** What a screen is called, by its size where it is none of the usual ones. */
export const screenNamed = (width: number, height: number): string =>
  usualScreens.find((screen) => screen.width === width && screen.height === height)?.name ??
  usualScreens
    .filter((screen) => screen.width === height && screen.height === width)
    .map(({ name }) => `${name} on its side`)[0] ??
  "screen";
