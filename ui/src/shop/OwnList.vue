<script setup lang="ts">
// Sections and starters of the shop's own: kept from a job, used in any.
import TextField from '@/kit/TextField.vue'
import CardList from '@/kit/CardList.vue'
import { useAmounts } from '@/kit/amounts'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { useStock } from '@/api/queries'
import FieldGrid from '@/kit/FieldGrid.vue'
import SearchPick from '@/kit/SearchPick.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const { linear } = useAmounts(() => props.open.inch.value)
const { data: stock } = useStock()
const table = computed(() => (stock.value?.materials ?? []).filter((m) => !m.key.startsWith('own:')))
const bases = computed(() => table.value.map((m) => ({ value: m.key, text: m.name })))
const strengths = [
  { key: 'yield' as const, label: 'Yields at' },
  { key: 'tensile' as const, label: 'Breaks at' },
]
const mpa = computed(() => (props.open.inch.value ? 6.894757 : 1))
const unit = computed(() => (props.open.inch.value ? 'ksi' : 'MPa'))
const shown = (v: number) => Math.round((v / mpa.value) * 100) / 100
const fresh = () => {
  const like = table.value.find((m) => m.key === 'steel-s355') ?? table.value[0]!
  return { id: newId(), name: `${like.name}, delivery`, base: like.key, yield: like.yield, tensile: like.tensile }
}
const set = (i: number, key: string, v: unknown) => props.open.set(`/materials/${i}/${key}` as never, v as never)
const fault = (i: number, key: string) => props.open.faults.value[`/materials/${i}/${key}`]
const kilos = (name: string) => props.open.view.value?.sections.find((s) => s.name === name)?.kilos
</script>

<template>
  <h3>Metals</h3>
  <p class="soft">
    By the certificate of a delivery, or a coupon that was pulled: as a metal of the table, with strengths of its own. They hold
    for that delivery alone.
  </p>
  <CardList
    :rows="open.shop.value?.materials ?? []"
    word="metal"
    small
    add="Add a metal"
    :name="(m) => m.name"
    :make="fresh"
    @change="(v) => open.set('/materials', v)"
    ><template #default="{ row: m, i }">
      <FieldGrid :min="150" low :data-metal="m.name">
        <TextField
          label="Called"
          :model-value="m.name"
          :wrong="fault(i, 'name')"
          @update:model-value="(v) => set(i, 'name', v)"
        />
        <SearchPick label="Like" :choices="bases" :model-value="m.base" @update:model-value="(v) => set(i, 'base', v)" />
        <ValueField
          v-for="f in strengths"
          :key="f.key"
          :label="`${f.label}, ${unit}`"
          kind="number"
          :model-value="shown(m[f.key])"
          :lengths="open.style.value"
          :wrong="fault(i, f.key)"
          @update:model-value="(v) => set(i, f.key, v * mpa)"
        />
      </FieldGrid> </template
  ></CardList>
  <h3>Sections</h3>
  <p class="soft">Kept from a member with typed sizes, on the Shape bench; offered first wherever a section is picked.</p>
  <CardList
    :rows="open.shop.value?.sections ?? []"
    word="section"
    small
    :name="(s) => s.name"
    @change="(v) => open.set('/sections', v)"
    ><template #default="{ row: s, i }">
      <TextField
        label="Section"
        :model-value="s.name"
        :wrong="open.faults.value[`/sections/${i}/name`]"
        @update:model-value="(v) => open.set(`/sections/${i}/name` as never, v as never)"
      />
      <p v-if="kilos(s.name)" class="soft small">{{ linear(kilos(s.name)!) }}</p>
    </template></CardList
  >
  <h3>Starters</h3>
  <p class="soft">Kept from a part, under Sheet and tools; started from in any job, beside parts of other jobs.</p>
  <CardList
    :rows="open.shop.value?.starters ?? []"
    word="starter"
    small
    :name="(s) => s.name"
    @change="(v) => open.set('/starters', v)"
    ><template #default="{ row: s, i }">
      <TextField
        label="Starter"
        :model-value="s.name"
        :wrong="open.faults.value[`/starters/${i}/name`]"
        @update:model-value="(v) => open.set(`/starters/${i}/name` as never, v as never)"
      /> </template
  ></CardList>
</template>
