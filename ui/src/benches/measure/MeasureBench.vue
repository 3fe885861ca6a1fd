<script setup lang="ts">
// The brief: what the job is for, and how it is written. Kept numbers below.
import { Trash2 } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import { api, type Brief, Refused, take, words } from '@/api/client'
import { refreshJobs, saveJob, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { grains } from '@/jobs/starter'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import KeptNumber from './KeptNumber.vue'

const props = defineProps<{ job: string }>()
const { data: page, error, refetch } = useJob(() => props.job)
const rail = useRail()
const brief = ref<Brief>()
const revision = ref(0)
const state = ref('saved')
const wrong = ref('')
const faults = ref<Record<string, string>>({})
let timer: ReturnType<typeof setTimeout> | undefined

watch(
  page,
  (p) => {
    if (!p) return
    rail.job = props.job
    rail.jobName = p.job.brief.name
    if (!p.parts.some((x) => x.id === rail.part)) rail.part = ''
    if (state.value === 'saved') {
      brief.value = { ...p.job.brief }
      revision.value = p.job.revision
    }
  },
  { immediate: true },
)

function set(next: Partial<Brief>) {
  brief.value = { ...brief.value!, ...next }
  state.value = 'not saved yet'
  clearTimeout(timer)
  timer = setTimeout(() => void save(), 600)
}
async function save() {
  state.value = 'saving'
  try {
    const got = await saveJob(props.job, revision.value, brief.value!, page.value!.job.archived)
    revision.value = got.revision
    wrong.value = ''
    faults.value = {}
    state.value = 'saved'
    refreshJobs()
  } catch (e) {
    state.value = 'not saved'
    wrong.value = words(e)
    faults.value = e instanceof Refused ? Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message])) : {}
  }
}
/** Takes what was saved meanwhile. */
async function anew() {
  state.value = 'saved'
  wrong.value = ''
  await refetch()
}
function setUnit(unit: Brief['unit']) {
  set({ unit, grain: grains[unit][grains[unit].length === 3 && unit === 'mm' ? 2 : 0]!.value })
}
async function drop(id: string) {
  await take(api.DELETE('/api/v1/numbers/{id}', { params: { path: { id } } }))
  refreshJobs()
}
const style = computed(() => ({ unit: brief.value!.unit, grain: brief.value!.grain }))
const units = [
  { value: 'mm' as const, text: 'mm' },
  { value: 'fraction' as const, text: 'inch, fractions' },
  { value: 'decimal' as const, text: 'inch, decimal' },
]
const near = computed(
  () =>
    grains[brief.value!.unit].reduce((a, b) =>
      Math.abs(b.value - brief.value!.grain) < Math.abs(a.value - brief.value!.grain) ? b : a,
    ).value,
)
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }} <RouterLink to="/jobs">Back to the jobs</RouterLink></p>
  <div v-else-if="brief && page" class="page">
    <header class="head">
      <h1>{{ brief.name }}</h1>
      <span role="status" class="soft small">{{ state }}</span>
    </header>
    <p v-if="wrong && !Object.keys(faults).length" class="wrong" role="alert">
      {{ wrong }} <button type="button" class="press tight" @click="anew">Load what was saved</button>
    </p>
    <section class="brief" aria-label="Brief">
      <TextField
        label="Name of the job"
        :model-value="brief.name"
        :wrong="faults['/brief/name']"
        :maxlength="140"
        @update:model-value="(v) => set({ name: v })"
      />
      <TextField
        label="Vehicle"
        :model-value="brief.vehicle ?? ''"
        :wrong="faults['/brief/vehicle']"
        @update:model-value="(v) => set({ vehicle: v })"
      />
      <TextField
        class="wide"
        label="What it is for"
        :rows="4"
        :model-value="brief.purpose ?? ''"
        :wrong="faults['/brief/purpose']"
        @update:model-value="(v) => set({ purpose: v })"
      />
      <ChoiceRow label="Lengths in" :choices="units" :model-value="brief.unit" @update:model-value="setUnit" />
      <ChoiceRow
        label="Grain: arrow keys step by"
        :choices="grains[brief.unit]"
        :model-value="near"
        @update:model-value="(v) => set({ grain: v })"
      />
      <ValueField
        label="How many of the whole job"
        kind="count"
        :model-value="brief.quantity"
        :lengths="style"
        :wrong="faults['/brief/quantity']"
        @update:model-value="(v) => set({ quantity: v })"
      />
    </section>
    <section>
      <h2>Kept numbers</h2>
      <p v-if="!page.numbers.length" class="soft">
        None yet. <RouterLink to="/quick">Work one out</RouterLink> and keep it here.
      </p>
      <ul v-else class="numbers">
        <li v-for="n in page.numbers" :key="n.id">
          <KeptNumber :number="n" :lengths="style" />
          <button type="button" class="press tight bare" :aria-label="`Remove ${n.title}`" @click="drop(n.id)">
            <Trash2 :size="20" />
          </button>
        </li>
      </ul>
    </section>
    <p><RouterLink class="press main" :to="`/jobs/${job}/shape`">On to the parts</RouterLink></p>
  </div>
  <p v-else class="page soft">Fetching the job.</p>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.brief {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px 24px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.numbers {
  list-style: none;
  margin: 0;
  padding: 0;
}
.numbers li {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 640px) {
  .brief {
    grid-template-columns: 1fr;
  }
}
</style>
