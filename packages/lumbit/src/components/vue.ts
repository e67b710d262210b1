import {
  Comment,
  type Component,
  camelize,
  type DefineSetupFnComponent,
  defineComponent,
  Fragment,
  h,
  onBeforeUnmount,
  onMounted,
  onUpdated,
  shallowRef,
  Text,
  type VNode,
} from "vue";
import type { Layer as LayerData, Scene as SceneData } from "../core/index.ts";
import type { Element } from "../markup/index.ts";
import { dressScene } from "../runtime/dress-scene.ts";
import type { MountedScene } from "../runtime/mount-scene.ts";
import {
  type LayerSettings,
  type SceneSettings,
  type SceneSurroundings,
  stillScene,
  withKept,
} from "./scene.ts";

export type SceneProps = SceneSettings & SceneSurroundings;
export type LayerProps = LayerSettings;

/** A layer of the scene or group around it. It draws nothing by itself: its scene does. */
export const Layer = defineComponent({
  name: "LumbitLayer",
  inheritAttrs: false,
  setup: () => () => null,
}) as unknown as DefineSetupFnComponent<LayerProps>;

/**
 * A scene, with its layers in its slot. On the server, and until it is brought to life, it stands still as it is at its
 * settle moment; what differs between two renderings changes, the rest stays.
 */
export const Scene = defineComponent({
  name: "LumbitScene",
  inheritAttrs: false,
  emits: ["mounted"],
  setup(_, { attrs, slots, emit }) {
    const host = shallowRef<HTMLElement>();
    const isLive = shallowRef(false);
    let live: MountedScene | undefined;
    let scene: SceneData | undefined;
    let given: SceneSurroundings = {};
    const mount = () => {
      if (!scene || !host.value) return;
      live = dressScene(host.value, { scene, ...given });
      emit("mounted", live);
    };
    onMounted(() => {
      mount();
      isLive.value = true;
    });
    onUpdated(() => {
      const { page, pictures } = given;
      if (scene) live?.update(scene, { ...(page && { page }), ...(pictures && { pictures }) });
    });
    onBeforeUnmount(() => live?.dispose());
    return () => {
      const { page, pictures, driver, smoothing, ...settings } = settingsOf(attrs) as unknown as SceneProps;
      given = Object.fromEntries(
        Object.entries({ page, pictures, driver, smoothing }).filter(([, value]) => value !== undefined),
      );
      scene = withKept({ ...settings, layers: layersIn(slots.default?.() ?? []) } as SceneData, scene);
      const { element, css } = stillScene(scene, given);
      return h(element.tag, { ...element.attributes, ref: host }, [
        isLive.value ? null : h("style", { key: "style", innerHTML: css }),
        ...element.children.map(rendered),
      ]);
    };
  },
}) as unknown as DefineSetupFnComponent<SceneProps, { mounted: (scene: MountedScene) => void }>;

/** Settings as they are written in a template: with hyphens, and switched on by their name alone. */
const settingsOf = (props: object): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(props ?? {}).flatMap(([name, value]) =>
      name === "key" || /^on[A-Z]/.test(name)
        ? []
        : [[camelize(name), value === "" && isSwitch(name) ? true : value]],
    ),
  );

const isSwitch = (name: string) => ["pane", "hidden", "locked", "title"].includes(name);

/** The layers of a slot, out of fragments and lists too. */
function layersIn(nodes: readonly VNode[]): LayerData[] {
  return nodes.flatMap((node): LayerData[] => {
    if (node.type === Comment || node.type === Text) return [];
    if (node.type === Fragment) return layersIn(node.children as VNode[]);
    if (node.type !== (Layer as unknown as Component))
      throw new TypeError("a Scene has Layer components in its slot, and so has a group");
    const slot = (node.children as { default?: () => VNode[] } | null)?.default;
    const layers = slot ? layersIn(slot()) : [];
    const settings = settingsOf(node.props ?? {});
    return [(layers.length > 0 ? { ...settings, layers } : settings) as unknown as LayerData];
  });
}

const rendered = (child: Element | string): VNode | string =>
  typeof child === "string"
    ? child
    : h(
        child.tag,
        { ...child.attributes, key: child.attributes["data-lumbit-layer"] },
        child.children.map(rendered),
      );
