<script setup lang="ts">
// A folded profile: legs and the bends between them.
import { Minus, Plus } from '@lucide/vue'
import { computed, reactive } from 'vue'
import type { Working } from '@/api/client'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import { keepHere } from '@/kit/keepHere'
import type { Style } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'
import WorkingCard from '@/kit/WorkingCard.vue'
import KeepInJob from './KeepInJob.vue'
import QuickSketch from './QuickSketch.vue'
import Shown from './Shown.vue'
import { useAnswer } from './useAnswer'

const props = defineProps<{ lengths: Style }>()
const kept = 'warmanvil.quick.section'
type Request = {
  thickness: number
  kFactor: number
  legs: number[]
  bends: { insideRadius: number; angle: number; up: boolean }[]
}
const start: Request = {
  thickness: 3,
  kFactor: 0.42,
  legs: [50, 100, 50],
  bends: [
    { insideRadius: 3, angle: 90, up: true },
    { insideRadius: 3, angle: 90, up: true },
  ],
}
const r = reactive<Request>(JSON.parse(localStorage.getItem(kept) ?? 'null') ?? start)
const { answer, faults, trouble } = useAnswer(
  'section',
  () => {
    const body = JSON.parse(JSON.stringify(r)) as Request
    void keepHere(kept, () => r)
    return body
  },
  () => props.lengths.unit !== 'mm',
)
const fault = (path: string) => faults.value.find((f) => f.path === path)?.message
const lines = computed(() => (answer.value?.bendLines as number[] | undefined) ?? [])
const working = computed(() => answer.value?.working as Working | undefined)

function more() {
  r.bends.push({ ...r.bends[r.bends.length - 1]! })
  r.legs.push(r.legs[r.legs.length - 1]!)
}
function fewer() {
  r.bends.pop()
  r.legs.pop()
}
</script>

<template>
  <div class="section">
    <div class="common">
      <ValueField v-model="r.thickness" label="T, thickness" :lengths="lengths" :wrong="fault('/thickness')" />
      <ValueField v-model="r.kFactor" label="K" kind="number" :lengths="lengths" :wrong="fault('/kFactor')" />
    </div>
    <QuickSketch name="section" />
    <ol class="legs">
      <li v-for="(_, i) in r.legs" :key="i">
        <ValueField v-model="r.legs[i]!" :label="`Leg ${i + 1}, outside`" :lengths="lengths" :wrong="fault(`/legs/${i}`)" />
        <template v-if="r.bends[i]">
          <ValueField
            v-model="r.bends[i]!.angle"
            :label="`Bend ${i + 1}, angle`"
            kind="angle"
            :lengths="lengths"
            :wrong="fault(`/bends/${i}/angle`)"
          />
          <ValueField
            v-model="r.bends[i]!.insideRadius"
            label="Inside radius"
            :lengths="lengths"
            :wrong="fault(`/bends/${i}/insideRadius`)"
          />
          <ChoiceRow
            v-model="r.bends[i]!.up"
            label="Bent"
            :choices="[
              { value: true, text: 'up' },
              { value: false, text: 'down' },
            ]"
          />
        </template>
      </li>
    </ol>
    <div class="row">
      <button type="button" class="press" :disabled="r.legs.length >= 20" @click="more">
        <Plus :size="18" aria-hidden="true" />One bend more
      </button>
      <button type="button" class="press" :disabled="r.legs.length <= 2" @click="fewer">
        <Minus :size="18" aria-hidden="true" />One bend fewer
      </button>
    </div>
    <p v-if="trouble && !faults.length" class="wrong" role="alert">{{ trouble }}</p>
    <dl v-if="answer" aria-live="polite">
      <div class="lead" data-result="flat">
        <dt>Flat length</dt>
        <dd class="num"><Shown :value="answer.flat as number" kind="length" :lengths="lengths" /></dd>
      </div>
      <div v-for="(l, i) in lines" :key="i">
        <dt>Bend line {{ i + 1 }}, from the first end</dt>
        <dd class="num"><Shown :value="l" kind="length" :lengths="lengths" /></dd>
      </div>
    </dl>
    <KeepInJob v-if="answer" calc="section" title="Profile" :request="JSON.parse(JSON.stringify(r))" />
    <section v-if="working" class="working" aria-label="Working">
      <h3>Working</h3>
      <WorkingCard :working="working" />
    </section>
  </div>
</template>

<style scoped>
.section {
  display: grid;
  gap: 16px;
  max-width: 860px;
}
.common,
.legs li {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
  align-items: start;
}
.legs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
.legs li {
  border-bottom: 1px solid var(--rule);
  padding-bottom: 10px;
}
dl {
  margin: 0;
}
dl > div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  border-bottom: 1px solid var(--rule);
  padding: 6px 0;
}
dd {
  margin: 0;
}
.lead dd {
  font-size: 1.9rem;
}
</style>
