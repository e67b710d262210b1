import { scriptedDriver } from "./scripted.ts";

/** Moves a static page in a browser that cannot do it without script. Loaded by such browsers alone. */
export function startScripted(): void {
  const scenes = [...document.querySelectorAll<HTMLElement>('[data-lumbit-driver="native"]')];
  for (const scene of scenes) scene.dataset.lumbitDriver = "scripted";
  for (const backdrop of document.querySelectorAll<HTMLElement>("[data-lumbit-backdrop]"))
    backdrop.dataset.lumbitBackdrop = "scripted";
  const [first, ...others] = scenes;
  if (first) scriptedDriver([first, ...others]);
}

startScripted();
