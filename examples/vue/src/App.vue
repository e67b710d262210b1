<script setup lang="ts">
import { Layer, Scene } from "lumbit/vue";
import { ref } from "vue";
import { kelp, pictures, reef, water } from "./pictures.ts";

/** Low water at Pellow Sound: a scene whose kelp can be brought deeper, or taken away with all the rest. */
const depth = ref(2);
const isThere = ref(true);
</script>

<template>
  <main>
    <div class="shore">
      <p>The kelp lies {{ depth }} deep.</p>
      <p>
        <button type="button" @click="depth++">Deeper</button>&nbsp;
        <button type="button" @click="isThere = !isThere">{{ isThere ? "Take away" : "Put back" }}</button>
      </p>
    </div>
    <Scene v-if="isThere" name="low-water" height="140vh" :pictures="pictures">
      <Layer name="water" :image="water" alt="" depth="horizon" />
      <Layer name="kelp" :image="kelp" alt="" :depth="depth" :place="{ left: '-5%', bottom: 0, width: '110%' }" />
      <Layer name="title" text="Low water" as="h1" color="#e9f4ef" :font-size="{ min: '48px', max: '140px' }" :depth="1" :place="{ center: 'x', top: '22%' }" />
      <Layer name="reef" :image="reef" alt="" :depth="0" :place="{ left: '-5%', bottom: '-6vh', width: '110%' }" />
    </Scene>
    <div class="shore">The tide comes back at six.</div>
  </main>
</template>
