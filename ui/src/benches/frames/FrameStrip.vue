<script setup lang="ts">
// Which frame is open, whether it is saved, undo and redo.
import { Archive, Copy, Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobPage, take, words } from '@/api/client'
import { refreshJobs, useFrames } from '@/api/queries'
import DocumentBar from '@/documents/DocumentBar.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; page: JobPage; job: string; id: string }>()
const router = useRouter()
const { data: frames } = useFrames(() => props.job)
const said = ref('')
const name = computed(() => props.open.head.value!.name)
// The frame's document: what is chosen in the drawing has a name of its own.
const whole = computed(() => ({ ...props.open, doc: props.open.head }))
async function goTo(v: string) {
  await props.open.send()
  await router.push(v.startsWith('part ') ? `/jobs/${props.job}/shape/${v.slice(5)}` : `/jobs/${props.job}/shape/frame/${v}`)
}
async function duplicate() {
  const made = await take(api.POST('/api/v1/frames/{id}/duplicate', { params: { path: { id: props.id } } }))
  refreshJobs()
  await goTo(made.id)
}
async function putAway() {
  try {
    await take(api.POST('/api/v1/frames/{id}/archive', { params: { path: { id: props.id } }, body: { archived: true } }))
    refreshJobs()
    await router.push(`/jobs/${props.job}/shape`)
  } catch (e) {
    said.value = words(e)
  }
}
</script>

<template>
  <header class="strip">
    <RouterLink to="/jobs" class="job soft">{{ page.job.brief.name }}</RouterLink>
    <label class="hidden-label" for="which">Frame</label>
    <select id="which" class="box which" :value="id" @change="goTo(($event.target as HTMLSelectElement).value)">
      <optgroup label="Frames">
        <option v-if="!frames?.some((f) => f.id === id)" :value="id">{{ name }}</option>
        <option v-for="f in frames ?? []" :key="f.id" :value="f.id">{{ f.id === id ? name : f.name }}</option>
      </optgroup>
      <optgroup v-if="page.parts.length" label="Folded parts">
        <option v-for="p in page.parts" :key="p.id" :value="`part ${p.id}`">{{ p.name }}</option>
      </optgroup>
    </select>
    <RouterLink class="press tight bare" :to="`/jobs/${job}/shape/frame`" title="New frame" aria-label="New frame">
      <Plus :size="20" />
    </RouterLink>
    <button
      type="button"
      class="press tight bare"
      title="Duplicate the frame"
      aria-label="Duplicate the frame"
      @click="duplicate"
    >
      <Copy :size="20" />
    </button>
    <button type="button" class="press tight bare" title="Put the frame away" aria-label="Put the frame away" @click="putAway">
      <Archive :size="20" />
    </button>
    <span class="gap"></span>
    <span v-if="said" class="wrong" role="alert">{{ said }}</span>
    <DocumentBar :open="whole" />
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
  max-width: 280px;
  font-weight: 640;
  font-size: 1.05rem;
}
.gap {
  flex: 1;
}
.tight.bare {
  min-width: 40px;
}
</style>
