<script setup lang="ts">
// One welded joint: does it hold, where it is weakest, what would help; where its seams run and how each is laid.
import { computed } from 'vue'
import type { HoldingView, WeldedTold } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import FlagList from '@/kit/FlagList.vue'
import LedgerList from '@/kit/LedgerList.vue'
import TextField from '@/kit/TextField.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import BesideList from './BesideList.vue'
import SeamDrawing from './SeamDrawing.vue'
import WeldAdds from './WeldAdds.vue'
import WeldedLoads from './WeldedLoads.vue'
import WeldedSeams from './WeldedSeams.vue'
import WeldedSides from './WeldedSides.vue'
import WeldOrder from './WeldOrder.vue'
import WeldSchools from './WeldSchools.vue'
import WeldWays from './WeldWays.vue'

const props = defineProps<{ open: OpenBrief; at: number; told?: WeldedTold; view?: HoldingView; job: string }>()
const joint = computed(() => props.open.brief.value!.welded![props.at]!)
const result = computed(() => props.told?.result ?? undefined)
const spoken = computed(() => result.value?.checks.filter((c) => c.utilisation != null || c.verdict === 'over') ?? [])
const silent = computed(() => result.value?.checks.filter((c) => c.verdict === 'cannot say') ?? [])
/** What it uses, where that is what decides: a seam that opens is over whatever it uses. */
const used = computed(() => {
  const u = result.value?.hardest ?? null
  return props.told?.verdict === 'cannot say' || (props.told?.verdict === 'over' && (u ?? 0) < 1) ? null : u
})
const stops = computed(() => props.told?.findings.filter((f) => f.severity === 'stop') ?? [])
</script>

<template>
  <section v-if="told" class="stack" :data-verdict="told.verdict">
    <header class="row top">
      <TextField
        class="name"
        label="Welded joint"
        :model-value="joint.name"
        @update:model-value="(v) => open.set(`/welded/${at}/name`, v)"
      />
      <slot />
    </header>
    <p v-if="told.why" class="why" role="alert">{{ told.why }}</p>
    <template v-if="result">
      <VerdictLine big :utilisation="used" :verdict="told.verdict" :label="joint.name" />
      <p v-if="spoken.length && told.verdict !== 'cannot say'" class="why">
        <b>{{ spoken[0]!.name }}</b><template v-if="spoken[0]!.where"> ({{ spoken[0]!.where }})</template> gives first<template
          v-if="spoken[0]!.case"
          >: {{ spoken[0]!.case }}</template
        >. {{ spoken[0]!.why }}
      </p>
      <p v-for="f in stops" :key="f.code + f.feature" class="why">{{ f.reason }}</p>
      <p v-if="silent.length" class="why">
        <b>{{ silent.length === 1 ? 'One thing' : `${silent.length} things` }} cannot be said.</b> {{ silent[0]!.name }}:
        {{ silent[0]!.why }}
      </p>
      <BesideList :beside="told.beside" />
      <WeldWays :open="open" :at="at" :told="told" :job="job" />
      <WeldSchools :open="open" :at="at" :told="told" :job="job" />
    </template>
    <div class="two">
      <div class="stack">
        <SeamDrawing v-if="told.seams.length" :told="told" :lengths="open.style.value" />
        <FlagList v-if="told.findings.length" :findings="told.findings" firm />
        <ul v-if="result?.notes.length" class="keep" data-notes>
          <li v-for="n in result.notes" :key="n">{{ n }}</li>
        </ul>
      </div>
      <div v-if="result">
        <h2>All it must answer</h2>
        <LedgerList :checks="result.checks" />
      </div>
    </div>
    <WeldedSides :open="open" :at="at" :view="view" />
    <WeldedSeams :open="open" :at="at" :told="told" :view="view" />
    <WeldAdds :open="open" :at="at" :view="view" :job="job" />
    <WeldOrder v-if="told.seams.length" :open="open" :of="joint.id" :job="job" />
    <WeldedLoads :open="open" :at="at" :told="told" />
  </section>
  <p v-else class="soft">Working it out.</p>
</template>

<style scoped>
.top {
  align-items: end;
}
.name {
  flex: 1;
  max-width: 420px;
}
.why {
  font-size: 1.05rem;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
}
.keep {
  margin: 0;
  padding-left: 18px;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
