<script setup lang="ts">
// Sections and starters of the shop's own: kept from a job, used in any.
import TextField from '@/kit/TextField.vue'
import CardList from '@/kit/CardList.vue'
import { useAmounts } from '@/kit/amounts'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const { linear } = useAmounts(() => props.open.inch.value)
const kilos = (name: string) => props.open.view.value?.sections.find((s) => s.name === name)?.kilos
</script>

<template>
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
