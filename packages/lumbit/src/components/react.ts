import {
  Children,
  createElement,
  Fragment,
  isValidElement,
  type ReactElement,
  type ReactNode,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
} from "react";
import type { Layer as LayerData, Scene as SceneData } from "../core/index.ts";
import type { Element } from "../markup/index.ts";
import { dressScene } from "../runtime/dress-scene.ts";
import type { MountedScene } from "../runtime/mount-scene.ts";
import {
  type LayerSettings,
  type OnMounted,
  type SceneSettings,
  type SceneSurroundings,
  stillScene,
  withKept,
} from "./scene.ts";

export type SceneProps = SceneSettings &
  SceneSurroundings & {
    /** The layers, as `Layer` elements. */
    children?: ReactNode;
    onMounted?: OnMounted;
  };

export type LayerProps = LayerSettings & {
  /** Of a group: its layers. */
  children?: ReactNode;
};

/** A layer of the scene or group around it. It draws nothing by itself: its scene does. */
export function Layer(_: LayerProps): null {
  return null;
}

/**
 * A scene. On the server, and until it is brought to life, it stands still as it is at its settle moment; what differs
 * between two renderings changes, the rest stays.
 */
export function Scene({
  children,
  page,
  pictures,
  driver,
  smoothing,
  onMounted,
  ...settings
}: SceneProps): ReactElement {
  const host = useRef<HTMLElement>(null);
  const mounted = useRef<MountedScene>(undefined);
  const last = useRef<SceneData>(undefined);
  const told = useRef(onMounted);
  told.current = onMounted;
  const scene = withKept({ ...settings, layers: layersIn(children) } as SceneData, last.current);
  last.current = scene;
  const [isLive, setLive] = useState(false);
  const given = { ...(page && { page }), ...(pictures && { pictures }) };
  useIsomorphicEffect(() => {
    const motion = { ...(driver && { driver }), ...(smoothing !== undefined && { smoothing }) };
    const live = dressScene(host.current as HTMLElement, { scene, ...given, ...motion });
    mounted.current = live;
    setLive(true);
    told.current?.(live);
    return () => {
      live.dispose();
      mounted.current = undefined;
    };
    // What else differs is followed below.
  }, [scene.name, driver, smoothing]);
  useIsomorphicEffect(() => mounted.current?.update(scene, given), [scene, page, pictures]);
  const { element, css } = stillScene(scene, given);
  const style = isLive
    ? null
    : // biome-ignore lint/security/noDangerouslySetInnerHtml: nothing in this style ends its element
      createElement("style", { key: "style", dangerouslySetInnerHTML: { __html: css } });
  return createElement(
    element.tag,
    // What moves it is written on the element; the server cannot know it.
    { ...attributesOf(element), ref: host, suppressHydrationWarning: true },
    style,
    ...element.children.map((child, index) => rendered(child, index)),
  );
}

/** Effects do nothing on a server, and some versions say so. */
const useIsomorphicEffect = typeof document === "undefined" ? useEffect : useLayoutEffect;

/** The layers that are written as children, out of fragments and lists too. */
function layersIn(children: ReactNode): LayerData[] {
  return Children.toArray(children).flatMap((child): LayerData[] => {
    if (!isValidElement<LayerProps>(child)) return [];
    const { children: inner, ...settings } = child.props;
    if (child.type === Fragment) return layersIn(inner);
    if (child.type !== Layer)
      throw new TypeError("a Scene has Layer elements as its children, and so has a group");
    const layers = layersIn(inner);
    return [(layers.length > 0 ? { ...settings, layers } : settings) as LayerData];
  });
}

const rendered = (child: Element | string, index: number): ReactNode =>
  typeof child === "string"
    ? child
    : createElement(
        child.tag,
        { ...attributesOf(child), key: keyOf(child, index), suppressHydrationWarning: true },
        ...child.children.map((inner, index) => rendered(inner, index)),
      );

const keyOf = ({ attributes }: Element, index: number) => attributes["data-lumbit-layer"] ?? index;

/** Attributes as React calls them. */
const names: Readonly<Record<string, string>> = {
  srcset: "srcSet",
  fetchpriority: "fetchPriority",
  tabindex: "tabIndex",
};
const attributesOf = ({ attributes }: Element) =>
  Object.fromEntries(Object.entries(attributes).map(([name, value]) => [names[name] ?? name, value]));
