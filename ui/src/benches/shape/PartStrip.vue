<script setup lang="ts">
// Which part is open, whether it is saved, undo and redo, left and right.
import { computed } from 'vue'
import type { JobPage } from '@/api/client'
import ThingStrip from '@/benches/ThingStrip.vue'
import DocumentBar from '@/documents/DocumentBar.vue'
import FlatOverlay from './FlatOverlay.vue'
import type { Bench } from './useBench'
import type { State } from './usePart'

const props = defineProps<{ page: JobPage; bench: Bench }>()
const part = computed(() => props.bench.part.value!)
function pair(on: boolean) {
  part.value.set('/hand', on ? { pair: true, drawn: 'left' } : {})
  if (!on) show(false)
}
function show(other: boolean) {
  part.value.mirrored.value = other
  props.bench.addNothing()
  void part.value.build()
}
const facet = computed(() => part.value.recipe.value?.facet)
const hand = computed(() => part.value.recipe.value?.hand)
const other = computed(() => (hand.value?.drawn === 'right' ? 'left' : 'right'))
</script>

<template>
  <ThingStrip :page="page" kind="part" :id="part.view.value!.id" :name="part.doc.value!.name" :send="part.send">
    <RouterLink v-if="facet" class="small" :to="`/jobs/${page.job.id}/shape/body/${facet.of}`" data-facet
      >its form is that of {{ facet.name }}</RouterLink
    >
    <button v-if="facet" type="button" class="press tight" @click="part.set('/facet', undefined)">Let it go</button>
    <label v-if="!facet" class="pair"
      ><input type="checkbox" :checked="hand?.pair ?? false" @change="pair(($event.target as HTMLInputElement).checked)" /> Left
      and right pair</label
    >
    <button
      v-if="hand?.pair"
      type="button"
      class="press tight"
      :aria-pressed="part.mirrored.value"
      @click="show(!part.mirrored.value)"
    >
      {{ part.mirrored.value ? `${other} twin shown` : `show the ${other} twin` }}
    </button>
    <DocumentBar :open="part">
      <template #drawn="{ was }">
        <FlatOverlay :was="(was as State).recipe" :now="part.doc.value!.recipe" :lengths="bench.style()" />
        <p class="soft small">Dashed is what was kept, drawn out is what stands.</p>
      </template>
      <template #clash="{ theirs }">
        <FlatOverlay :was="part.doc.value!.recipe" :now="(theirs as State).recipe" :lengths="bench.style()" />
        <p class="soft small">Dashed is yours, drawn out is theirs.</p>
      </template>
    </DocumentBar>
  </ThingStrip>
</template>

<style scoped>
.pair {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: var(--touch);
  cursor: pointer;
}
.pair input {
  width: 20px;
  height: 20px;
  accent-color: var(--ember);
}
</style>
