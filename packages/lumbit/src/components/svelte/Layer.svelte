<!--
@component
A layer of the scene or group around it. It draws nothing by itself: its scene does.
-->
<script>
import { getContext, onDestroy, setContext, untrack } from "svelte";
import { ordered } from "#svelte-scene";

let { children, ...settings } = $props();
const around = getContext("lumbit-layers");
let inner = $state.raw([]);
setContext("lumbit-layers", {
  add: (layer) => (inner = [...untrack(() => inner), layer]),
  remove: (layer) => (inner = inner.filter((other) => other !== layer)),
});
let place = $state();
const entry = {
  get settings() {
    return inner.length > 0 ? { ...settings, layers: ordered(inner) } : { ...settings };
  },
  get place() {
    return place;
  },
};
around.add(entry);
onDestroy(() => around.remove(entry));
</script>

<span hidden bind:this={place}>{@render children?.()}</span>
