<script setup lang="ts">
// What came of a line and what went: a movement is entered, the ledger is shown.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import { useJobs } from '@/api/queries'
import { wordsOf } from '@/api/words'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import SearchPick from '@/kit/SearchPick.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { BuildStyle } from '@/kit/readLength'
import { moveGoods, type Stocked, type StockMove } from './useGoods'

const props = defineProps<{ of: Stocked; lengths: BuildStyle }>()
const kind = ref<StockMove['kind']>('taken')
const count = ref<number | null>(1)
const job = ref('')
const note = ref('')
const measured = ref<number | null>(null)
const odd = ref<string[]>([])
const trouble = ref('')
const busy = ref(false)
const { data: jobs } = useJobs(false)
const { data: ledger } = useQuery({
  queryKey: computed(() => ['goods-moves', props.of.line.id, props.of.updated]),
  queryFn: () => take(api.GET('/api/v1/goods/{id}/moves', { params: { path: { id: props.of.line.id } } })),
})
const forJob = computed(() => ['kept', 'freed', 'taken', 'returned'].includes(kind.value))
const needsJob = computed(() => kind.value === 'kept' || kind.value === 'freed')
const names = computed(() => [
  { value: '', text: needsJob.value ? 'choose a job' : 'no job' },
  ...(jobs.value ?? []).map((j) => ({ value: j.id, text: j.brief.name })),
])
async function enter() {
  trouble.value = ''
  busy.value = true
  try {
    const got = await moveGoods(props.of.line.id, {
      kind: kind.value,
      count: count.value ?? 0,
      job: (forJob.value && job.value) || undefined,
      note: note.value || undefined,
      measured: (kind.value === 'received' && measured.value) || undefined,
    })
    odd.value = got.odd ?? []
    note.value = ''
    measured.value = null
  } catch (e) {
    trouble.value = words(e)
  } finally {
    busy.value = false
  }
}
const texts: Record<string, string> = Object.fromEntries(wordsOf('Move', 'kind').map((w) => [w.value, w.text]))
const when = (at: string) => new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <div class="moves">
    <form @submit.prevent="enter">
      <FieldGrid :min="130" low>
        <PickOne v-model="kind" label="What happened" :choices="wordsOf('Move', 'kind')" />
        <ValueField
          label="How many"
          kind="count"
          :model-value="count"
          :lengths="lengths"
          @update:model-value="(v) => (count = v)"
        />
        <ValueField
          v-if="kind === 'received' && of.line.thickness"
          label="Thickness, measured"
          :model-value="measured"
          :lengths="lengths"
          @update:model-value="(v) => (measured = v)"
        />
        <SearchPick v-if="forJob" v-model="job" label="For which job" :choices="names" />
        <TextField v-model="note" label="What was measured, what was wrong" />
      </FieldGrid>
      <p class="row">
        <button type="submit" class="press main tight" :disabled="busy">Enter it</button>
        <span v-if="trouble" class="wrong" role="alert">{{ trouble }}</span>
      </p>
    </form>
    <p v-for="o in odd" :key="o" role="alert" class="odd">{{ o }}</p>
    <ol v-if="ledger?.length" class="ledger" aria-label="Ledger, newest first">
      <li v-for="(m, i) in ledger" :key="i">
        <span class="soft">{{ when(m.at) }}</span>
        <span
          ><b>{{ texts[m.kind] }} {{ +m.count.toFixed(3) }}</b
          ><template v-if="m.of"> · {{ m.of }}</template
          ><template v-if="m.who"> · {{ m.who }}</template
          ><template v-if="m.note"> · {{ m.note }}</template></span
        >
        <span class="num">{{ +m.here.toFixed(3) }} here</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.odd {
  border-left: 4px solid var(--mind);
  background: var(--mind-wash);
  padding: 6px 10px;
}
.moves {
  display: grid;
  gap: 12px;
}
.row {
  margin-top: 10px;
}
.ledger {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 220px;
  overflow: auto;
  position: relative;
}
.ledger li {
  display: grid;
  grid-template-columns: 170px 1fr auto;
  gap: 10px;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
}
@media (max-width: 620px) {
  .ledger li {
    grid-template-columns: 1fr auto;
  }
  .ledger li > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
