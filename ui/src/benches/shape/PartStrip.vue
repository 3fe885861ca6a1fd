<script setup lang="ts">
// Which part is open, whether it is saved, undo and redo, left and right.
import { Archive, Copy, Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobPage, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import DocumentBar from '@/documents/DocumentBar.vue'
import FlatOverlay from './FlatOverlay.vue'
import type { Bench } from './useBench'
import type { State } from './usePart'

const props = defineProps<{ page: JobPage; bench: Bench }>()
const router = useRouter()
const part = computed(() => props.bench.part.value!)
const said = ref('')
async function goTo(id: string) {
  await part.value.send()
  refreshJobs()
  await router.push(`/jobs/${props.page.job.id}/shape/${id}`)
}

const add = () => goTo('new')

async function duplicate() {
  await part.value.send()
  const made = await take(api.POST('/api/v1/parts/{id}/duplicate', { params: { path: { id: part.value.view.value!.id } } }))
  await goTo(made.id)
}

async function putAway() {
  try {
    await take(
      api.POST('/api/v1/parts/{id}/archive', { params: { path: { id: part.value.view.value!.id } }, body: { archived: true } }),
    )
    refreshJobs()
    await router.push(`/jobs/${props.page.job.id}/shape`)
  } catch (e) {
    said.value = words(e)
  }
}

function pair(on: boolean) {
  part.value.set('/hand', on ? { pair: true, drawn: 'left' } : {})
  if (!on) show(false)
}
function show(other: boolean) {
  part.value.mirrored.value = other
  props.bench.addNothing()
  void part.value.build()
}
const hand = computed(() => part.value.recipe.value?.hand)
const other = computed(() => (hand.value?.drawn === 'right' ? 'left' : 'right'))
</script>

<template>
  <header class="strip">
    <RouterLink to="/jobs" class="job soft">{{ page.job.brief.name }}</RouterLink>
    <label class="hidden-label" for="which">Part</label>
    <select id="which" class="box which" :value="part.view.value!.id" @change="goTo(($event.target as HTMLSelectElement).value)">
      <option v-for="p in page.parts" :key="p.id" :value="p.id">
        {{ p.id === part.view.value!.id ? part.doc.value!.name : p.name }}
      </option>
      <optgroup label="Frames">
        <option v-for="f in page.frames" :key="f.id" :value="`frame/${f.id}`">{{ f.name }}</option>
        <option value="frame">A new frame …</option>
      </optgroup>
    </select>
    <button type="button" class="press tight bare" title="New part" aria-label="New part" @click="add">
      <Plus :size="20" />
    </button>
    <button type="button" class="press tight bare" title="Duplicate the part" aria-label="Duplicate the part" @click="duplicate">
      <Copy :size="20" />
    </button>
    <button type="button" class="press tight bare" title="Put the part away" aria-label="Put the part away" @click="putAway">
      <Archive :size="20" />
    </button>
    <span class="gap"></span>
    <label class="pair"
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
    <span v-if="said" class="wrong" role="alert">{{ said }}</span>
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
  </header>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  padding: 4px 12px;
  border-bottom: 1px solid var(--rule);
  min-height: var(--strip);
}
.job {
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.which {
  width: auto;
  max-width: 240px;
  font-weight: 640;
  font-size: 1.05rem;
}
.gap {
  flex: 1;
}
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
.tight.bare {
  min-width: 40px;
}
</style>
