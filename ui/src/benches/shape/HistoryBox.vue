<script setup lang="ts">
// Every kept revision of the part; any of them can be brought back.
import { onMounted, ref } from 'vue'
import { api, type RevisionView, take, words } from '@/api/client'
import DialogBox from '@/kit/DialogBox.vue'
import type { Style } from '@/kit/readLength'
import DifferenceTable from './DifferenceTable.vue'
import FlatOverlay from './FlatOverlay.vue'
import type { OpenPart } from './usePart'

const props = defineProps<{ part: OpenPart; lengths: Style }>()
const emit = defineEmits<{ close: [] }>()
const list = ref<RevisionView[]>()
const wrong = ref('')
const beside = ref<RevisionView>() // compared with what stands

onMounted(async () => {
  await props.part.send()
  try {
    list.value = await take(api.GET('/api/v1/parts/{id}/revisions', { params: { path: { id: props.part.view.value!.id } } }))
  } catch (e) {
    wrong.value = words(e)
  }
})
function bring(r: RevisionView) {
  props.part.change({ name: r.name, quantity: r.quantity, recipe: r.recipe })
  emit('close')
}
const when = (iso: string) =>
  new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <DialogBox show wide :title="beside ? `Revision ${beside.number} and what stands` : 'Revisions'" @close="emit('close')">
    <template v-if="beside">
      <DifferenceTable :was="beside" :now="part.state.value!" :lengths="lengths" :heads="[`r${beside.number}`, 'Stands now']" />
      <FlatOverlay :was="beside.recipe" :now="part.state.value!.recipe" :lengths="lengths" />
      <p class="soft small">Dashed is r{{ beside.number }}, drawn out is what stands.</p>
    </template>
    <p v-else-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ol v-else-if="list" class="list">
      <li v-for="r in list" :key="r.number">
        <span class="num">r{{ r.number }}</span>
        <span
          >{{ r.summary }} <span class="soft small">{{ when(r.created) }}</span></span
        >
        <span v-if="r.number === part.view.value!.revision" class="soft">stands now</span>
        <span v-else class="row">
          <button
            type="button"
            class="press tight bare"
            :aria-label="`Compare r${r.number} with what stands`"
            @click="beside = r"
          >
            Compare
          </button>
          <button type="button" class="press tight" @click="bring(r)">Bring back</button>
        </span>
      </li>
    </ol>
    <template #actions>
      <template v-if="beside">
        <button type="button" class="press" @click="beside = undefined">Back to the list</button>
        <button type="button" class="press main" @click="bring(beside)">Bring r{{ beside.number }} back</button>
      </template>
      <button v-else type="button" class="press" @click="emit('close')">Close</button>
    </template>
  </DialogBox>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 50dvh;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 52px 1fr auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
