import type { Finding } from "lumbit/checks";
import { mostScreens, screenNamed } from "../desk/screens.ts";
import type { Composer } from "../state/store.ts";
import { shareAt } from "../strip/passage.ts";
import { whereToLook } from "./judged.ts";

/** How long a screen may take to stand, in ms. */
const patience = 5000;

/** Shows what a finding is about, where it holds: on the large stage, which becomes a screen on which it does. */
export function goTo(composer: Composer, finding: Finding): void {
  const { store } = composer;
  const { screens } = store.getState();
  const there = whereToLook(finding, screens);
  const look = (): boolean => {
    const { stands } = store.getState();
    const { width, height } = stands?.layout.viewport ?? {};
    if (!stands || (there && (width !== there.screen.width || height !== there.screen.height))) return false;
    const moment = there && shareAt(stands.layout, there.scroll);
    if (moment) composer.goTo(moment);
    if (finding.scene !== undefined)
      composer.select(finding.layer === undefined ? [] : [finding.layer], finding.scene);
    return true;
  };
  if (look() || !there) return;
  const { width, height } = there.screen;
  const isThat = (screen: { width: number; height: number }) =>
    screen.width === width && screen.height === height;
  const own = screens.find(isThat) ?? { name: screenNamed(width, height), width, height };
  composer.show([own, ...screens.filter((screen) => !isThat(screen))].slice(0, mostScreens));
  const forget = store.subscribe(({ stands }, before) => {
    if (stands !== before.stands && look()) end();
  });
  const late = setTimeout(() => end(), patience);
  const end = () => {
    forget();
    clearTimeout(late);
  };
}
