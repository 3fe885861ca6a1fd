<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { Finding, Working } from '@/api/client'
import { words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { paperOf } from '@/jobs/paper'
import { at } from '@/api/pointer'
import { useStock } from '@/api/queries'
import { useAmounts } from '@/kit/amounts'
import FlagList from '@/kit/FlagList.vue'
import { keepHere } from '@/kit/keepHere'
import PickOne from '@/kit/PickOne.vue'
import type { Style } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'
import WorkingCard from '@/kit/WorkingCard.vue'
import type { Calculation, Field } from './calculation'
import KeepInJob from './KeepInJob.vue'
import PlaceList from './PlaceList.vue'
import QuickSketch from './QuickSketch.vue'
import SchoolsAnswer from './SchoolsAnswer.vue'
import Shown from './Shown.vue'
import { inchStarts, plainStarts, type Values } from './starts'
import { useAnswer } from './useAnswer'

const props = defineProps<{ calculation: Calculation; lengths: Style }>()
const kept = `warmanvil.quick.${props.calculation.slug}`
const values = reactive<Values>({
  ...plainStarts(props.calculation.fields),
  ...(JSON.parse(localStorage.getItem(kept) ?? '{}') as Values),
})
// Until something is typed it begins with sizes of the shop's own system.
const untouched = ref(localStorage.getItem(kept) === null)
function put(key: string, v: Values[string]) {
  values[key] = v
  untouched.value = false
  // A class of the other system's bolts is no choice for this thread.
  if (key === 'thread' && 'grade' in values && !grades.value.some((g) => g.name === values.grade))
    values.grade = system.value === 'inch' ? 'SAE 5' : '8.8'
  void keepHere(kept, () => values)
}
const system = computed(() => String(values.thread ?? '').split(' ')[0])
const grades = computed(() => (stock.value?.grades ?? []).filter((g) => !system.value || g.system === system.value))
watch(
  () => props.lengths.unit === 'mm',
  async (metric, was) => {
    if (!untouched.value || (metric && was === undefined)) return
    const { fields } = props.calculation
    const now = metric ? plainStarts(fields) : await inchStarts(fields).catch(() => undefined)
    if (untouched.value && now) Object.assign(values, now)
  },
  { immediate: true },
)
const { data: stock } = useStock()

// The strip last typed under "K from a coupon" may speak beside the other schools.
const strip =
  props.calculation.special === 'schools'
    ? (JSON.parse(localStorage.getItem('warmanvil.quick.coupon') ?? 'null') as object | null)
    : null
const withStrip = ref(strip !== null)
const inches = computed(() => props.lengths.unit !== 'mm')
// A number that is not typed yet is asked for, not guessed.
const fields = computed(() => props.calculation.fields.filter((f) => !f.when || f.when(values)))
const missing = computed(() => fields.value.filter((f) => !f.optional && (values[f.key] ?? '') === ''))
const request = computed(() => {
  if (missing.value.length) return null
  if (props.calculation.request) return props.calculation.request(values, inches.value)
  const body: Record<string, unknown> = {}
  if (strip && withStrip.value) body.coupons = [strip]
  for (const f of props.calculation.fields) if (values[f.key] !== null || !f.optional) body[f.key] = values[f.key]
  return body
})
const { answer, faults, trouble } = useAnswer(
  props.calculation.name,
  () => request.value,
  () => inches.value,
)
const fault = (key: string) => faults.value.find((f) => f.path === `/${key}`)?.message
const { stress } = useAmounts(() => inches.value)
const bolted = computed(() => {
  const list = stock.value?.grades ?? []
  // Where a class is weaker in large sizes, it says for which.
  return list.map((g) => {
    const rows = list.filter((o) => o.name === g.name)
    const size = rows.length < 2 ? '' : g === rows[0] ? ` to ${mm(g.upTo)}` : ` over ${mm(g.from)}`
    return { name: g.name + size, tensile: g.tensile, key: g.name }
  })
})
const mm = (d: number) => (props.lengths.unit === 'mm' ? `${+d.toFixed(1)} mm` : `${+(d / 25.4).toFixed(3)} in`)
function choices(f: Field) {
  if (f.kind === 'thread')
    return (stock.value?.threads ?? []).map((t) => ({
      value: `${t.system} ${t.size} ${t.pitch}`,
      text: t.name,
    }))
  if (f.kind === 'rivet')
    return [...new Map((stock.value?.rivets ?? []).map((r) => [r.diameter, r])).values()].map((r) => ({
      value: String(r.diameter),
      text: `${r.metric}, ${r.inch} in`,
    }))
  if (f.of === 'fillers')
    return (stock.value?.fillers ?? [])
      .filter((t) => t.metal !== 'aluminum')
      .map((t) => ({ value: `${t.key} ${t.tensile}`, text: `${t.name}, ${stress(t.tensile)}` }))
  if (f.of === 'sheet')
    return (stock.value?.materials ?? [])
      .filter((m) => m.family === 'steel' || m.family === 'galvanized')
      .map((m) => ({ value: `${m.key} ${m.yield} ${m.tensile}`, text: `${m.name}, ${stress(m.tensile)}` }))
  if (f.kind === 'strength')
    return (f.of === 'bolts' ? bolted.value : (stock.value?.threaded ?? []).map((t) => ({ ...t, key: t.name }))).map((t) => ({
      value: `${t.key} ${t.tensile}`,
      text: `${t.name}, ${stress(t.tensile)}`,
    }))
  return [...new Set(grades.value.map((g) => g.name))].map((g) => ({ value: g, text: g }))
}
const stray = computed(() =>
  faults.value.some((f) => props.calculation.fields.some((x) => f.path === `/${x.key}`)) ? '' : trouble.value,
)
const working = computed(() => answer.value?.working as Working | undefined)
const findings = computed(() => (answer.value?.findings as Finding[] | undefined) ?? [])
const found = (key: string) => at(answer.value, `/${key}`)
const entry = (key: string) => values[key] as number | null
const unprinted = ref('')
async function print() {
  unprinted.value = ''
  const q = new URLSearchParams({
    request: JSON.stringify(request.value),
    title: props.calculation.title,
    unit: props.lengths.unit,
    paper: paperOf(inches.value),
  })
  try {
    await fetchFile(`${props.calculation.paper!.path}?${q}`)
  } catch (e) {
    unprinted.value = words(e)
  }
}
const label = (f: { label: string; letter?: string }) => (f.letter ? `${f.letter}, ${f.label.toLowerCase()}` : f.label)
// What was not asked for is not told; what has no value says so.
const told = computed(() => props.calculation.results.filter((r) => found(r.key) !== undefined))
</script>

<template>
  <div class="calc">
    <form class="fields" @submit.prevent>
      <template v-for="f in fields" :key="f.key">
        <PickOne
          v-if="f.kind === 'choice'"
          :label="f.label"
          :choices="f.choices!()"
          :model-value="String(values[f.key])"
          @update:model-value="(v) => put(f.key, v)"
        />
        <PickOne
          v-else-if="f.kind === 'material'"
          :label="f.label"
          :choices="(stock?.materials ?? []).map((m) => ({ value: m.key, text: m.name }))"
          :model-value="String(values[f.key])"
          @update:model-value="(v) => put(f.key, v)"
        />
        <PickOne
          v-else-if="f.kind === 'thread' || f.kind === 'grade' || f.kind === 'strength' || f.kind === 'rivet'"
          :label="f.label"
          :choices="choices(f)"
          :model-value="String(values[f.key])"
          @update:model-value="(v) => put(f.key, v)"
        />
        <PlaceList
          v-else-if="f.kind === 'places'"
          :label="f.label"
          :model-value="values[f.key] as number[][]"
          :lengths="lengths"
          :axes="f.axes!"
          :kinds="f.axisKinds"
          :fault="(tail) => fault(f.key + tail)"
          @update:model-value="(v) => put(f.key, v)"
        />
        <ValueField
          v-else
          :label="label(f)"
          :kind="f.kind"
          :model-value="entry(f.key)"
          :lengths="lengths"
          :wrong="fault(f.key)"
          :note="f.note"
          optional
          @update:model-value="(v) => put(f.key, v)"
          @clear="put(f.key, null)"
        />
      </template>
      <label v-if="strip" class="check"
        ><input v-model="withStrip" type="checkbox" /> with the strip typed under K from a coupon</label
      >
      <p v-else-if="calculation.special === 'schools'" class="small soft">
        A strip typed under <RouterLink to="/quick/coupon">K from a coupon</RouterLink> speaks here too.
      </p>
    </form>
    <div class="answer" aria-live="polite">
      <p v-if="stray" class="wrong" role="alert">{{ stray }}</p>
      <p v-if="missing.length" class="waits">
        Still to type: <strong>{{ missing.map((f) => label(f)).join('; ') }}</strong>
      </p>
      <SchoolsAnswer v-if="answer && calculation.special === 'schools'" :answer="answer" :lengths="lengths" />
      <dl v-else-if="answer" class="results">
        <div v-for="r in told" :key="r.key" :class="{ lead: r.lead, words: r.kind === 'text' }" :data-result="r.key">
          <dt>{{ r.label }}</dt>
          <dd class="num"><Shown :value="found(r.key)" :kind="r.kind" :lengths="lengths" /></dd>
        </div>
      </dl>
      <FlagList v-if="findings.length" :findings="findings" firm />
      <QuickSketch :name="calculation.slug" />
      <p v-if="answer && calculation.paper" class="row">
        <button type="button" class="press" @click="print">{{ calculation.paper.text }}</button>
        <span v-if="unprinted" class="wrong" role="alert">{{ unprinted }}</span>
      </p>
      <KeepInJob v-if="answer && request" :calc="calculation.name" :title="calculation.title" :request="request" />
    </div>
    <section v-if="working" class="working" aria-label="Working">
      <h3>Working</h3>
      <WorkingCard :working="working" />
    </section>
  </div>
</template>

<style scoped>
.calc {
  display: grid;
  grid-template-columns: minmax(220px, 300px) minmax(0, 1fr);
  gap: 18px 32px;
}
.fields {
  display: grid;
  gap: 12px;
  align-content: start;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: var(--touch);
}
.check input {
  width: 20px;
  height: 20px;
  accent-color: var(--ember);
}
.answer {
  display: grid;
  gap: 14px;
  align-content: start;
}
.results {
  margin: 0;
  display: grid;
  gap: 8px;
}
.words dd,
.words :deep(*) {
  white-space: normal;
}
.results > div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 6px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.lead dd {
  font-size: 1.9rem;
}
dt {
  flex: none;
  max-width: 60%;
}
dd {
  min-width: 0;
  text-align: right;
}
.working {
  grid-column: 1 / -1;
  border-top: 1px solid var(--rule);
  padding-top: 12px;
  display: grid;
  gap: 10px;
  max-width: 760px;
}
@container (max-width: 640px) {
  .calc {
    grid-template-columns: minmax(0, 1fr);
  }
  /* The answer stays in sight while the numbers below it are typed. */
  .answer {
    order: -1;
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--paper);
    padding-bottom: 8px;
    border-bottom: 1px solid var(--rule);
  }
  .answer > :not(.results, .wrong, .waits),
  .results > :not(.lead) {
    display: none;
  }
}
</style>
