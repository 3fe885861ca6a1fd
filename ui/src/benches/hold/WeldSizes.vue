<script setup lang="ts">
// What keeps a frame square while it is welded, and what is measured tacked and cold, judged at once.
import { type SizeSeen, type WeldBook, type WeldPlan } from '@/api/client'
import type { Style } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from '@/quick/Shown.vue'

const props = defineProps<{
  plan: WeldPlan
  book: WeldBook
  lengths: Style
  fault: (size: string, when: 'tacked' | 'cooled') => string | undefined
}>()
const emit = defineEmits<{ write: [change: Partial<WeldBook>] }>()
const seen = (id: string): SizeSeen => props.book.sizes?.find((z) => z.id === id) ?? { id }
function put(id: string, when: 'tacked' | 'cooled', mm: number | null) {
  const list = props.book.sizes ?? []
  const next = { ...seen(id), [when]: mm ?? undefined }
  const empty = next.tacked === undefined && next.cooled === undefined
  emit('write', { sizes: [...list.filter((z) => z.id !== id), ...(empty ? [] : [next])] })
}
function brace(id: string) {
  const on = props.book.braced ?? []
  emit('write', { braced: on.includes(id) ? on.filter((x) => x !== id) : [...on, id] })
}
const whens = [
  { key: 'tacked', text: 'Tacked' },
  { key: 'cooled', text: 'Cold' },
] as const
</script>

<template>
  <section v-if="plan.braces.length || plan.sizes.length" class="stack" data-weld-sizes>
    <h3>Square and to size</h3>
    <ul v-if="plan.braces.length" class="keep">
      <li v-for="b in plan.braces" :key="b.id" data-brace>
        {{ b.says }}
        <WhyButton v-if="b.working" name="Brace" :working="b.working" />
        <button v-if="b.section" type="button" class="press tight" @click="brace(b.id)">
          {{ b.on ? 'Take it off the parts list' : 'Put it on the parts list' }}
        </button>
      </li>
    </ul>
    <table v-if="plan.sizes.length">
      <thead>
        <tr>
          <th scope="col">Measure</th>
          <th scope="col" class="num">should be</th>
          <th scope="col">tacked, before the first run</th>
          <th scope="col">cold</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="z in plan.sizes" :key="z.id" :data-size="z.id">
          <th scope="row">{{ z.name }}</th>
          <td class="num">
            <b><Shown :value="z.should" kind="length" :lengths="lengths" /></b>
            <span class="small soft">± <Shown :value="z.allowed" kind="length" :lengths="lengths" />, {{ z.by }}</span>
          </td>
          <td v-for="w in whens" :key="w.key">
            <template v-if="w.key === 'cooled' || z.square">
              <ValueField
                :label="`${w.text}: ${z.name}`"
                hide-label
                :model-value="seen(z.id)[w.key] ?? null"
                :lengths="lengths"
                :wrong="fault(z.id, w.key)"
                @update:model-value="(v) => put(z.id, w.key, v)"
              />
              <span v-if="z[w.key]" :class="z[w.key]!.good ? 'good' : 'bad'" class="small">
                {{ z[w.key]!.good ? 'good' : 'off' }},
                <Shown :value="Math.abs(z[w.key]!.off)" kind="length" :lengths="lengths" />
                {{ z[w.key]!.off < 0 ? 'under' : 'over' }}
              </span>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.keep {
  margin: 0;
  padding-left: 18px;
  display: grid;
  gap: 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
  max-width: 900px;
}
th,
td {
  padding: 6px 12px 6px 0;
  text-align: left;
  vertical-align: top;
  border-bottom: 1px solid var(--rule);
}
tbody th {
  font-weight: 400;
}
td .small {
  display: block;
}
td :deep(.field) {
  max-width: 150px;
}
.good {
  color: var(--holds);
}
.bad {
  color: var(--stop);
}
</style>
