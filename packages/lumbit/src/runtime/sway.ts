import { numbers } from "../core/arithmetic.ts";
import { driftFactor } from "../core/drift.ts";
import { prefersStillness } from "./driver.ts";
import { childrenOf } from "./live.ts";
import { approach } from "./smoothing.ts";
import { type Aim, boxAtRest, reachOf, type Tilt, turned } from "./tilt.ts";
import { viewOf } from "./view.ts";

/** Where a pointer is on the screen, in px. */
interface Pointer {
  x: number;
  y: number;
  /** It is a finger, which is where it is for something else as a rule. */
  touches: boolean;
}

/** Something that follows an aim. */
interface Follower {
  /** Nothing of it is moved while this is out of view. */
  scene: HTMLElement;
  /** What of where a pointer is counts for it. */
  aimAt(pointer: Pointer): Aim;
  show(aim: Aim): void;
  release(): void;
}

/** Milliseconds in which half of the way to the pointer is made up. */
const halfLife = 90;
/** Where everything is as it was composed. */
const rest: Aim = { x: 0, y: 0 };
/** How far a device is tilted, in degrees, until the camera is at its edge. */
const deviceTilt = 20;

export interface Sway {
  /** Reads anew what sways: call it after a change of the style. */
  refresh(): void;
  dispose(): void;
}

/**
 * Moves the layers of scenes whose camera sways, each by its drift times the camera's movement, and turns groups that
 * tilt towards the pointer, or a finger on them. Smoothed, at rest when the pointer leaves; on telephones it follows the
 * tilt of the device, which is asked for at a tap where the platform wants that. Nothing for readers who ask for less
 * motion.
 */
export function swayScenes(scenes: readonly HTMLElement[]): Sway {
  const page = (scenes[0]?.ownerDocument ?? document).documentElement;
  let followers: Follower[] = [];
  const inView = new Set<Element>();
  let pointer: Pointer | undefined;
  let tilted: Aim | undefined;
  let current: Aim[] = [];
  let frame = 0;
  let last = 0;

  const draw = (time: number) => {
    frame = 0;
    const elapsed = last ? time - last : 16;
    last = time;
    let moving = false;
    for (const [index, follower] of followers.entries()) {
      if (!inView.has(follower.scene)) continue;
      const target = tilted ?? (pointer ? follower.aimAt(pointer) : rest);
      const before = current[index] ?? rest;
      const aim = {
        x: approach(before.x, target.x, elapsed, halfLife, 0.001),
        y: approach(before.y, target.y, elapsed, halfLife, 0.001),
      };
      if (aim.x !== before.x || aim.y !== before.y) follower.show(aim);
      current[index] = aim;
      moving ||= aim.x !== target.x || aim.y !== target.y;
    }
    if (moving) wake();
    else last = 0;
  };
  const wake = () => {
    if (followers.length > 0) frame ||= requestAnimationFrame(draw);
  };
  const moved = ({ clientX, clientY, pointerType }: PointerEvent) => {
    pointer = { x: clientX, y: clientY, touches: pointerType === "touch" };
    wake();
  };
  const left = () => {
    pointer = undefined;
    wake();
  };
  const lifted = () => {
    if (pointer?.touches) left();
  };
  const seen = new IntersectionObserver((entries) => {
    for (const { target, isIntersecting } of entries)
      if (isIntersecting) inView.add(target);
      else inView.delete(target);
    wake();
  });
  for (const scene of scenes) seen.observe(scene);
  let stop: (() => void) | undefined;
  /** Listens as long as there is anything that follows. */
  const listen = () => {
    if (followers.length === 0) {
      stop?.();
      stop = undefined;
    }
    if (followers.length === 0 || stop) return;
    for (const type of ["pointerdown", "pointermove"] as const)
      addEventListener(type, moved, { passive: true });
    for (const type of ["pointerup", "pointercancel"]) addEventListener(type, lifted);
    page.addEventListener("pointerleave", left);
    const device = followDevice((aim) => {
      tilted = aim;
      wake();
    });
    stop = () => {
      cancelAnimationFrame(frame);
      frame = 0;
      for (const type of ["pointerdown", "pointermove"] as const) removeEventListener(type, moved);
      for (const type of ["pointerup", "pointercancel"]) removeEventListener(type, lifted);
      page.removeEventListener("pointerleave", left);
      device.dispose();
    };
  };
  const follow = (found: Follower[]) => {
    for (const follower of followers) follower.release();
    // As many as before are the same ones in another style: they stay where they are.
    if (found.length !== followers.length) current = [];
    followers = found;
    for (const [index, follower] of followers.entries()) if (current[index]) follower.show(current[index]);
    listen();
    wake();
  };
  const refresh = () => follow(prefersStillness() ? [] : scenes.flatMap(followersIn));
  refresh();
  return {
    refresh,
    dispose() {
      seen.disconnect();
      follow([]);
    },
  };
}

function followersIn(scene: HTMLElement): Follower[] {
  const own = [...scene.querySelectorAll<HTMLElement>("[data-lumbit-is~=drifts]")].filter(
    (element) => element.closest("[data-lumbit-scene]") === scene,
  );
  return own.flatMap((layer) =>
    [swayingLayer(layer), tiltingGroup(layer)].flatMap((found) => (found ? { scene, ...found } : [])),
  );
}

/** What a layer's style says of it: a number, or a default. */
function numberOf(style: CSSStyleDeclaration, name: string, otherwise: number): number {
  const value = Number.parseFloat(style.getPropertyValue(`--lumbit-${name}`));
  return Number.isNaN(value) ? otherwise : value;
}

function swayingLayer(layer: HTMLElement): Omit<Follower, "scene"> | undefined {
  const style = getComputedStyle(layer);
  const sway = style.getPropertyValue("--lumbit-sway").trim();
  const relief = numberOf(style, "page-relief", 1) * numberOf(style, "relief", 1);
  const k = driftFactor(numbers, relief, numberOf(style, "speed", 1));
  if (!Number.parseFloat(sway) || k === 0) return undefined;
  const axes = ["X", "Y"].map((axis) => {
    const end = (side: number) => ({ transform: `translate${axis}(calc(${side * k} * ${sway}))` });
    // From edge to edge of the screen in two milliseconds: the aim is its time.
    const animation = layer.animate([end(-1), end(1)], { duration: 2, fill: "both", composite: "add" });
    animation.pause();
    animation.currentTime = 1;
    return animation;
  });
  return {
    // A finger is on the screen to scroll.
    aimAt: (pointer) => (pointer.touches ? rest : onScreen(layer, pointer)),
    show(aim) {
      for (const [index, animation] of axes.entries()) animation.currentTime = 1 + (index ? aim.y : aim.x);
    },
    release: () => axes.forEach((animation) => void animation.cancel()),
  };
}

/** Where a pointer is on the screen, from edge to edge. */
function onScreen(element: HTMLElement, { x, y }: Pointer): Aim {
  const { innerWidth, innerHeight } = viewOf(element);
  return { x: clamp((2 * x) / innerWidth - 1), y: clamp((2 * y) / innerHeight - 1) };
}

/** A group that turns: far layers in it shift with its far edge, near ones against it. */
function tiltingGroup(group: HTMLElement): Omit<Follower, "scene"> | undefined {
  const style = getComputedStyle(group);
  const tilt: Tilt = {
    degrees: numberOf(style, "tilt", 0),
    perspective: numberOf(style, "perspective", 1000),
  };
  if (tilt.degrees === 0) return undefined;
  const overScreen = style.getPropertyValue("--lumbit-tilt-over").trim() === "screen";
  const held = transformer(group);
  const inner = childrenOf(group).map((element) => ({
    k: driftFactor(numbers, 1, numberOf(getComputedStyle(element), "speed", 1)),
    held: transformer(element),
  }));
  let shown: Aim = rest;
  return {
    aimAt(pointer) {
      if (overScreen && !pointer.touches) return onScreen(group, pointer);
      const size = { width: group.offsetWidth, height: group.offsetHeight };
      const { left, top, width, height } = boxAtRest(group.getBoundingClientRect(), size, shown, tilt);
      const x = (2 * (pointer.x - left)) / width - 1;
      const y = (2 * (pointer.y - top)) / height - 1;
      // It turns to a pointer over it, and back to rest as that goes away.
      return Math.abs(x) <= 1 && Math.abs(y) <= 1 ? { x, y } : rest;
    },
    show(aim) {
      shown = aim;
      held.set(turned(aim, tilt));
      const reach = reachOf(tilt);
      for (const { k, held } of inner)
        if (k !== 0) held.set(`translate(${k * reach * aim.x}px, ${k * reach * aim.y}px)`);
    },
    release() {
      held.release();
      for (const { held } of inner) held.release();
    },
  };
}

/** Transforms an element on top of whatever else moves it, without touching its style. */
function transformer(element: HTMLElement) {
  let animation: Animation | undefined;
  return {
    set(transform: string) {
      if (animation)
        return (animation.effect as KeyframeEffect).setKeyframes({ transform: [transform, transform] });
      animation = element.animate(
        { transform: [transform, transform] },
        { duration: 1, fill: "both", composite: "add" },
      );
      animation.pause();
    },
    release: () => animation?.cancel(),
  };
}

type AskedFor = { requestPermission?: () => Promise<string> };

/** Follows how a device is tilted from where it was held first. */
function followDevice(aim: (aim: Aim) => void): { dispose(): void } {
  if (!matchMedia("(pointer: coarse)").matches || !("DeviceOrientationEvent" in globalThis))
    return { dispose() {} };
  let first: { beta: number; gamma: number } | undefined;
  const turned = ({ beta, gamma }: DeviceOrientationEvent) => {
    if (beta === null || gamma === null) return;
    first ??= { beta, gamma };
    aim({ x: clamp((gamma - first.gamma) / deviceTilt), y: clamp((beta - first.beta) / deviceTilt) });
  };
  const { requestPermission } = DeviceOrientationEvent as AskedFor;
  const listen = () => addEventListener("deviceorientation", turned);
  const ask = () =>
    requestPermission?.().then(
      (answer) => {
        if (answer === "granted") listen();
      },
      () => {},
    );
  if (requestPermission) addEventListener("click", ask, { once: true });
  else listen();
  return {
    dispose() {
      removeEventListener("deviceorientation", turned);
      removeEventListener("click", ask);
    },
  };
}

const clamp = (value: number) => Math.min(Math.max(value, -1), 1);
