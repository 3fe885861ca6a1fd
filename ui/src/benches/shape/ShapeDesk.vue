<script setup lang="ts">
// Below the drawing: flags, figures, bends, the sheet and its K.
import { computed, ref, useId, watch } from 'vue'
import type { Finding } from '@/api/client'
import TabRow from '@/kit/TabRow.vue'
import FlagList from '@/kit/FlagList.vue'
import BendingPanel from './BendingPanel.vue'
import FamilyPanel from './FamilyPanel.vue'
import FigureTable from './FigureTable.vue'
import FixtureForm from './FixtureForm.vue'
import HoleTable from './HoleTable.vue'
import PressTable from './PressTable.vue'
import SchoolPanel from './SchoolPanel.vue'
import SheetPanel from './SheetPanel.vue'
import SplitPanel from './SplitPanel.vue'
import TradePanel from './TradePanel.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; job: string }>()
const shown = ref<'flags' | 'bends' | 'holes' | 'k' | 'sheet' | 'trade' | 'family' | 'split'>('flags')
const part = computed(() => props.bench.part.value!)
const built = computed(() => part.value.told.value ?? part.value.built.value!)
const open = computed(() => built.value.findings.filter((f) => !f.setAside))
const stops = computed(() => open.value.filter((f) => f.severity === 'stop').length)
const inside = useId()
const drawers = computed(() => [
  { key: 'flags' as const, name: 'Flags', count: open.value.length, stop: stops.value > 0 },
  { key: 'bends' as const, name: 'Bends', count: built.value.bendLines.length + (built.value.round?.lines.length ?? 0) },
  { key: 'holes' as const, name: 'Holes', count: built.value.holes.length },
  { key: 'k' as const, name: 'Bend allowance' },
  { key: 'sheet' as const, name: 'Sheet and tools' },
  { key: 'trade' as const, name: 'Compare' },
  { key: 'family' as const, name: 'Family' },
  ...(built.value.round ? [] : [{ key: 'split' as const, name: 'Split' }]), // a round is not parted by a line
])

/** What a smaller piece would mend, and what the shop's machines are behind. */
const divides = ['past-bed', 'past-brake', 'past-lift', 'brake-overloaded', 'bend-order']
const ofTheShop = ['Large parts', 'Brake', 'Machines', 'Tools', 'People']
const asking = ref(false)
function divide() {
  asking.value = true
  shown.value = 'split'
}
watch(shown, (s) => s !== 'split' && (asking.value = false))
watch(drawers, (list) => list.some((d) => d.key === shown.value) || (shown.value = 'flags')) // another part has no such drawer

type Aside = { code: string; feature?: string; reason: string }
const asides = () => part.value.recipe.value?.setAside ?? []
const same = (a: Aside, f: Finding) => a.code === f.code && (a.feature ?? '') === (f.feature ?? '')
const setAside = (f: Finding, reason: string) =>
  part.value.set('/setAside', [...asides().filter((a) => !same(a, f)), { code: f.code, feature: f.feature, reason }])
const takeUp = (f: Finding) =>
  part.value.set(
    '/setAside',
    asides().filter((a) => !same(a, f)),
  )
</script>

<template>
  <section class="desk">
    <FigureTable :part="built" class="figures" />
    <div class="drawer">
      <TabRow v-model="shown" label="Show" :tabs="drawers" :panel="inside" class="heads" />
      <div
        :id="inside"
        class="inside"
        role="tabpanel"
        :aria-label="drawers.find((d) => d.key === shown)!.name"
        :data-drawer="shown"
      >
        <FlagList
          v-if="shown === 'flags'"
          :findings="built.findings"
          @fix="part.apply"
          @look="bench.pick"
          @aside="setAside"
          @back="takeUp"
          ><template #more="{ finding }">
            <button v-if="divides.includes(finding.code) && !built.round" type="button" class="press tight" @click="divide">
              Where to split it
            </button>
            <RouterLink v-if="ofTheShop.includes(finding.cause)" to="/shop" class="press tight bare">The shop</RouterLink>
          </template></FlagList
        >
        <PressTable v-else-if="shown === 'bends' && built.round" :round="built.round" />
        <BendingPanel v-else-if="shown === 'bends'" :key="part.view.value?.id" :bench="bench" :built="built" @split="divide" />
        <template v-else-if="shown === 'holes'">
          <HoleTable :holes="built.holes" :explain="part.explain" @choose="bench.pick" />
          <FixtureForm :key="part.view.value?.id" :bench="bench" :job="job" />
        </template>
        <SchoolPanel v-else-if="shown === 'k'" :bench="bench" />
        <SheetPanel v-else-if="shown === 'sheet'" :bench="bench" :job="job" />
        <TradePanel v-else-if="shown === 'trade'" :key="part.view.value?.id" :bench="bench" />
        <FamilyPanel v-else-if="shown === 'family'" :key="part.view.value?.id" :bench="bench" :job="job" />
        <SplitPanel v-else :key="part.view.value?.id" :bench="bench" :job="job" :ask="asking" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  min-height: 0;
}
.figures {
  border-right: 1px solid var(--rule);
  padding: 8px 12px;
}
.drawer {
  display: grid;
  grid-template-rows: auto 1fr;
  min-height: 0;
}
.heads {
  padding: 0 12px;
}
.inside {
  padding: 10px 12px 20px;
  position: relative; /* what is hidden for the eye stays inside */
  overflow: auto;
  min-height: 0;
}
@media (max-width: 1000px) {
  .desk {
    grid-template-columns: 1fr;
  }
  .figures {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }
}
</style>
