<!--
@component
A scene, with its layers as its children. On the server, and until it is brought to life, it stands still as it is at its
settle moment; what differs between two states changes, the rest stays.
-->
<script>
import { setContext, untrack } from "svelte";
import { dressScene, ordered, stillScene, withKept } from "#svelte-scene";
import Elements from "./Elements.svelte";

let { children, page, pictures, driver, smoothing, onMounted, ...settings } = $props();

/** Layers as they have come, each with what says where in the document it stands. */
let found = $state.raw([]);
setContext("lumbit-layers", {
  add: (layer) => (found = [...untrack(() => found), layer]),
  remove: (layer) => (found = found.filter((other) => other !== layer)),
});
let host = $state();
let isLive = $state(false);
let live;
let last;
const given = $derived({ ...(page && { page }), ...(pictures && { pictures }) });
const scene = () => (last = withKept({ ...settings, layers: ordered(found) }, last));
const still = () => stillScene(scene(), given);

$effect(() => {
  const motion = { ...(driver && { driver }), ...(smoothing !== undefined && { smoothing }) };
  const mounted = untrack(() => dressScene(host, { scene: scene(), ...given, ...motion }));
  live = mounted;
  isLive = true;
  untrack(() => onMounted?.(mounted));
  return () => mounted.dispose();
});
$effect(() => live?.update(scene(), given));
</script>

<section bind:this={host} {...still().element.attributes}>
  {@render children?.()}
  {#if !isLive}{@html `<style>${still().css}</style>`}{/if}
  <Elements of={still().element.children} />
</section>
