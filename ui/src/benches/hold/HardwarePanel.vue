<script setup lang="ts">
// What all joints of the job take, from the shop's bins first, and where one size
// would do.
import { percent } from '@/kit/percent'
import { computed, ref, useId } from 'vue'
import type { HoldingView } from '@/api/client'
import { useStock } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import CardList from '@/kit/CardList.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ open: OpenBrief; holding: HoldingView['holding'] }>()
const { data: stock } = useStock()
const bins = computed(() => props.open.brief.value?.bins ?? [])
const sizes = computed(() => [
  ...new Map(
    (stock.value?.threads ?? []).map((t) => [`${t.system} ${t.size}`, { value: `${t.system} ${t.size}`, text: t.size }]),
  ).values(),
])
const inches = computed(() => props.open.style.value.unit !== 'mm')
const unit = (system: string) => (system === 'inch' ? 25.4 : 1)
const said = (b: (typeof bins.value)[number]) => (b.lengths ?? []).map((l) => +(l / unit(b.system)).toFixed(3)).join(', ')
const id = useId()
const wrong = ref('')
/** Read when it is left; what is no length is said and not kept. */
function lengths(i: number, field: HTMLInputElement) {
  const b = bins.value[i]!
  const typed = field.value.split(/[;,\s]+/).filter(Boolean)
  const bad = typed.find((t) => !(Number(t) > 0 && Number(t) * unit(b.system) <= 1000))
  wrong.value = bad
    ? `${bad} is no length of a bolt: lengths in ${b.system === 'inch' ? 'inches as decimals' : 'mm'}, between them a comma.`
    : ''
  if (bad) return
  const list = typed.map(Number)
  props.open.set(
    `/bins/${i}/lengths`,
    [...new Set(list)].sort((a, c) => a - c).map((v) => v * unit(b.system)),
  )
}
const bin = (): (typeof bins.value)[number] =>
  inches.value ? { system: 'inch', size: '3/8', lengths: [] } : { system: 'metric', size: 'M10', lengths: [] }
function size(i: number, v: string) {
  const [system, ...rest] = v.split(' ')
  props.open.set(`/bins/${i}`, { system: system as 'inch' | 'metric', size: rest.join(' '), lengths: [] })
}
function takeSize(o: HoldingView['holding']['oneSize'][number]) {
  const i = (props.open.brief.value?.joints ?? []).findIndex((j) => j.id === o.joint)
  const design = props.open.brief.value!.joints![i]!.design
  props.open.set(`/joints/${i}/design`, { ...design, size: o.size, pitch: o.pitch, washer: undefined })
}
</script>

<template>
  <section class="stack" data-hardware>
    <h1>Hardware</h1>
    <p v-if="!holding.hardware.length" class="soft">Nothing yet: work a joint out.</p>
    <TableFrame v-else name="Hardware">
      <thead>
        <tr>
          <th scope="col" class="num">Take</th>
          <th scope="col">What</th>
          <th scope="col">For</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="h in holding.hardware" :key="h.name">
          <td class="num count">{{ h.count }}</td>
          <td>
            {{ h.name }}
            <p v-for="n in h.notes" :key="n" class="small mind">{{ n }}</p>
          </td>
          <td class="soft">{{ h.joints.join(', ') }}</td>
        </tr>
      </tbody>
    </TableFrame>
    <section v-if="holding.oneSize.length" class="stack">
      <h2>One size would do</h2>
      <div v-for="o in holding.oneSize" :key="o.joint" class="row one">
        <span
          >{{ o.text }}: <b class="num">{{ o.hardest == null ? '' : `${percent(o.hardest)} %` }}</b> {{ o.verdict }}</span
        >
        <button type="button" class="press tight" @click="takeSize(o)">Take it</button>
      </div>
    </section>
    <h2>Bolts in the shop's bins</h2>
    <p class="small soft">Of a size that is listed only these lengths are taken; of others any standard length.</p>
    <CardList
      small
      class="bins"
      :rows="bins"
      word="bin"
      :name="(b) => `the bin of ${b.size}`"
      add="One more bin"
      :make="bin"
      @change="(v) => open.set('/bins', v)"
      v-slot="{ row: b, i }"
    >
      <div class="bin" :data-bin="i">
        <PickOne label="Size" :choices="sizes" :model-value="`${b.system} ${b.size}`" @update:model-value="(v) => size(i, v)" />
        <div class="field">
          <label :for="`${id}-${i}`">{{ b.system === 'inch' ? 'Lengths, in' : 'Lengths, mm' }}</label>
          <input
            :id="`${id}-${i}`"
            class="box"
            :value="said(b)"
            placeholder="30, 35, 40"
            @change="lengths(i, $event.target as HTMLInputElement)"
          />
        </div>
      </div>
    </CardList>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.mind {
  color: var(--mind);
  margin: 2px 0 0;
}
.count {
  font-size: 1.2rem;
  font-weight: 680;
}
.one {
  justify-content: space-between;
  max-width: 640px;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 4px;
}
.bins {
  max-width: 640px;
}
.bin {
  display: grid;
  grid-template-columns: 140px minmax(0, 420px);
  gap: 14px;
  align-items: end;
  justify-content: start;
}
</style>
