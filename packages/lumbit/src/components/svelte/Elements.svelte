<script>
import Elements from "./Elements.svelte";

let { of } = $props();
</script>

{#each of as child, index (typeof child === "string" ? index : (child.attributes["data-lumbit-layer"] ?? index))}{#if typeof child === "string"}{child}{:else if child.children.length === 0}<svelte:element this={child.tag} {...child.attributes}></svelte:element>{:else}<svelte:element this={child.tag} {...child.attributes}><Elements of={child.children} /></svelte:element>{/if}{/each}
