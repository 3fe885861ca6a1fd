<script setup lang="ts">
// The shop: what stands in it, who works in it, and what that makes of the jobs' parts.
import { computed, ref, watch } from 'vue'
import { words } from '@/api/client'
import { wordsOf } from '@/api/words'
import SheetIndex from '@/benches/measure/SheetIndex.vue'
import DocumentBar from '@/documents/DocumentBar.vue'
import CardList from '@/kit/CardList.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import MachineCard from './MachineCard.vue'
import PeopleList from './PeopleList.vue'
import PickMachines from './PickMachines.vue'
import ShopEffects from './ShopEffects.vue'
import { useShop } from './useShop'

const open = useShop()
const { shop } = open
const began = ref<number>()
watch(
  () => open.view.value?.revision,
  (r) => (began.value ??= r),
  { immediate: true },
)
const sections = computed(() => [
  { id: 'have', name: 'What there is' },
  { id: 'machines', name: 'Machines', says: shop.value?.machines?.length || '' },
  { id: 'people', name: 'People', says: shop.value?.people?.length || '' },
  { id: 'moved', name: 'What changed' },
])
const text = (kind: string, sort: string | undefined) =>
  open.kinds.value.find((k) => k.kind === kind)?.sorts.find((s) => s.sort === sort)?.text ?? kind
</script>

<template>
  <p v-if="open.error.value" class="page wrong" role="alert">{{ words(open.error.value) }}</p>
  <SheetIndex v-else-if="shop && open.kinds.value.length" label="Sections of the shop" :sections="sections">
    <header class="head">
      <h1>The shop</h1>
      <DocumentBar :open="open" />
    </header>
    <p class="soft">
      Every job asks it: a part that is more than the machines here take says so, and by how much. What is left out is taken as
      usual, and the part says that too.
    </p>
    <section id="have">
      <h2>What there is</h2>
      <ChoiceRow
        label="Machines are said in"
        :model-value="open.style.value.unit"
        :choices="wordsOf('Brief', 'unit')"
        @update:model-value="(v) => open.set('/unit', v)"
      />
      <p>Tick what you have, also what you borrow or send out for. Then type the limits you know below.</p>
      <PickMachines :open="open" />
    </section>
    <section id="machines">
      <h2>Machines</h2>
      <p v-if="!shop.machines?.length" class="soft">None yet: usual ones are taken, and every part says so.</p>
      <CardList
        :rows="shop.machines ?? []"
        word="machine"
        ordered
        :name="(m) => m.name || text(m.kind, m.sort)"
        @change="(v) => open.set('/machines', v)"
        ><template #default="{ row, i }">
          <h3 class="called">{{ row.name || text(row.kind, row.sort) }}</h3>
          <MachineCard :open="open" :i="i" /> </template
      ></CardList>
    </section>
    <section id="people">
      <h2>People</h2>
      <PeopleList :open="open" />
    </section>
    <section id="moved">
      <h2>What changed</h2>
      <ShopEffects v-if="began !== undefined" :since="began" :now="open.view.value?.revision ?? began" />
    </section>
  </SheetIndex>
  <p v-else class="page soft">Fetching the shop.</p>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
}
section {
  scroll-margin-top: 12px;
  display: grid;
  gap: 12px;
}
.called::first-letter {
  text-transform: uppercase;
}
section > h2 {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 6px;
}
</style>
