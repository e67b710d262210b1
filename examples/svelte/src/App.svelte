<script>
import { Layer, Scene } from "lumbit/svelte";
import { kelp, pictures, reef, water } from "./pictures.ts";

/** Low water at Pellow Sound: a scene whose kelp can be brought deeper, or taken away with all the rest. */
let depth = $state(2);
let isThere = $state(true);
</script>

<main>
  <div class="shore">
    <p>The kelp lies {depth} deep.</p>
    <p>
      <button type="button" onclick={() => depth++}>Deeper</button>
      <button type="button" onclick={() => (isThere = !isThere)}>{isThere ? "Take away" : "Put back"}</button>
    </p>
  </div>
  {#if isThere}
    <Scene name="low-water" height="140vh" {pictures}>
      <Layer name="water" image={water} alt="" depth="horizon" />
      <Layer name="kelp" image={kelp} alt="" {depth} place={{ left: "-5%", bottom: 0, width: "110%" }} />
      <Layer name="title" text="Low water" as="h1" color="#e9f4ef" fontSize={{ min: "48px", max: "140px" }} depth={1} place={{ center: "x", top: "22%" }} />
      <Layer name="reef" image={reef} alt="" depth={0} place={{ left: "-5%", bottom: "-6vh", width: "110%" }} />
    </Scene>
  {/if}
  <div class="shore">The tide comes back at six.</div>
</main>
