<script setup lang="ts">
// Test strips that were bent, of every job, and what those of one sheet and tool say
// together. Parts under the school of the shop take their K from them.
import { computed } from 'vue'
import type { Coupon } from '@/api/client'
import { newId } from '@/api/ids'
import { useStock } from '@/api/queries'
import { shopOf, wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import DateField from '@/kit/DateField.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { couponFields } from './coupon'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const strips = computed(() => props.open.shop.value?.strips ?? [])
const told = computed(() => props.open.view.value?.strips ?? [])
const { data: stock } = useStock()
const materials = computed(() => (stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })))
const named = (key: string) => materials.value.find((m) => m.value === key)?.text ?? key
const tools = wordsOf('Tool', 'kind')
const set = (path: string, v: unknown) => props.open.set(`/strips${path}` as never, v as never)
const fault = (path: string) => props.open.faults.value[`/strips${path}`]

/** One that could be: K 0.42 on the shop's usual sheet, to be typed over. */
function fresh() {
  const r = shopOf(props.open.inch.value).recipe
  const t = r.thickness
  const at = (v: number) => Math.round(v * 1000) / 1000
  const taken = at((Math.PI / 2) * (t + 0.42 * t))
  const coupon: Coupon = { thickness: t, insideRadius: t, angle: 90, flat: 100, legA: at(50 - taken / 2 + 2 * t), legB: 0 }
  coupon.legB = coupon.legA
  return { id: newId(), material: r.material, tool: r.tool.kind, coupon }
}
</script>

<template>
  <ul v-if="told.length" class="told">
    <li v-for="t in told" :key="t.material + t.tool + t.thickness" :data-strips="t.material">
      <b>{{ named(t.material) }}, {{ t.thick }}, {{ tools.find((w) => w.value === t.tool)?.text }}</b
      >: {{ t.says }}. {{ t.springs }}
      <p v-for="f in t.findings" :key="f.reason" class="mind">{{ f.reason }}</p>
    </li>
  </ul>
  <CardList
    :rows="strips"
    word="strip"
    add="Write a strip down"
    :name="(s) => named(s.material)"
    :make="fresh"
    @change="(v) => open.set('/strips', v)"
    ><template #default="{ row: s, i }">
      <article class="strip" :data-strip="s.material">
        <FieldGrid :min="160" low>
          <PickOne
            label="Sheet"
            :choices="materials"
            :model-value="s.material"
            @update:model-value="(v) => set(`/${i}/material`, v)"
          />
          <PickOne label="Bent in" :choices="tools" :model-value="s.tool" @update:model-value="(v) => set(`/${i}/tool`, v)" />
          <TextField
            label="Batch or mark"
            :model-value="s.batch ?? ''"
            :wrong="fault(`/${i}/batch`)"
            @update:model-value="(v) => set(`/${i}/batch`, v || undefined)"
          />
          <DateField label="Day" :model-value="s.date ?? ''" @update:model-value="(v) => set(`/${i}/date`, v || undefined)" />
        </FieldGrid>
        <FieldGrid :min="118" low>
          <ValueField
            v-for="f in couponFields"
            :key="f.key"
            :label="f.label"
            :kind="f.kind"
            :model-value="s.coupon[f.key] ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/coupon/${f.key}`)"
            @update:model-value="(v) => set(`/${i}/coupon/${f.key}`, f.may && !v ? undefined : v)"
          />
        </FieldGrid>
        <label class="tick"
          ><input type="checkbox" :checked="!!s.left" @change="set(`/${i}/left`, s.left ? undefined : true)" /> Left out of the
          mean</label
        >
      </article>
    </template></CardList
  >
</template>

<style scoped>
.told {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 6px;
}
.strip {
  display: grid;
  gap: 10px;
}
</style>
