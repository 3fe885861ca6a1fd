<script setup lang="ts">
// The brief: what the job is for, what it carries, how it is driven, what it
// must keep to. Kept numbers at the end.
import { computed } from 'vue'
import { api, type Brief, take, words } from '@/api/client'
import { refreshJobs, useHolding } from '@/api/queries'
import { grainsOf, wordsOf } from '@/api/words'
import DocumentBar from '@/documents/DocumentBar.vue'
import { usualGrain } from '@/jobs/starter'
import RulesNotice from '@/jobs/RulesNotice.vue'
import { useBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import DeviceList from './DeviceList.vue'
import IdentityForm from './IdentityForm.vue'
import KeptNumber from './KeptNumber.vue'
import LimitForm from './LimitForm.vue'
import OpenList from './OpenList.vue'
import OptionList from './OptionList.vue'
import RoadForm from './RoadForm.vue'
import SheetIndex from './SheetIndex.vue'
import TargetList from './TargetList.vue'
import WeightCard from './WeightCard.vue'
import SurePress from '@/kit/SurePress.vue'

const props = defineProps<{ job: string }>()
const open = useBrief(() => props.job)
const { page, error, brief, style } = open
const { data: holding } = useHolding(() => props.job)
const told = computed(() => holding.value?.told)

function setUnit(unit: Brief['unit']) {
  open.change({ ...brief.value!, unit, grain: usualGrain(unit) })
}
async function drop(id: string) {
  await take(api.DELETE('/api/v1/numbers/{id}', { params: { path: { id } } }))
  refreshJobs()
}
const units = computed(() => wordsOf('Brief', 'unit'))
const near = computed(
  () =>
    grainsOf(brief.value!.unit).reduce((a, b) =>
      Math.abs(b.value - brief.value!.grain) < Math.abs(a.value - brief.value!.grain) ? b : a,
    ).value,
)
/** Options nobody looked for yet. */
const fittedOpen = (b: Brief) => b.identity?.fitted?.filter((f) => f.state !== 'yes' && f.state !== 'no').length ?? 0
const sections = computed(() => {
  const b = brief.value!
  const n = (list?: unknown[] | null) => list?.length ?? 0
  return [
    { id: 'purpose', name: 'Purpose', says: '' },
    { id: 'which', name: 'Which vehicle', says: fittedOpen(b) ? `${fittedOpen(b)}` : '' },
    { id: 'targets', name: 'Targets', says: n(b.targets) ? `${n(b.targets)}` : '' },
    { id: 'road', name: 'Road and strength', says: '' },
    { id: 'devices', name: 'Devices', says: n(b.devices) ? `${n(b.devices)}` : '' },
    { id: 'weights', name: 'Weights', says: '' },
    { id: 'limits', name: 'Limits', says: '' },
    { id: 'options', name: 'Ways to do it', says: n(b.options) ? `${n(b.options)}` : '' },
    { id: 'open', name: 'Open questions', says: n(b.open?.filter((o) => !o.done)) ? `${n(b.open?.filter((o) => !o.done))}` : '' },
    { id: 'numbers', name: 'Kept numbers', says: n(page.value?.numbers) ? `${n(page.value?.numbers)}` : '' },
  ]
})
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }} <RouterLink to="/jobs">Back to the jobs</RouterLink></p>
  <SheetIndex v-else-if="brief && page" label="Sections of the brief" :sections="sections">
    <header class="head">
      <h1>{{ brief.name }}</h1>
      <DocumentBar :open="open" />
    </header>
    <RulesNotice :job="job" :rules="holding?.rules" />
    <ul v-if="told?.says.length" class="says" aria-label="What the brief says back">
      <li v-for="f in told.says" :key="f.code + f.reason" :class="f.severity">
        <strong>{{ f.severity }}</strong> {{ f.reason }}
      </li>
    </ul>
    <section id="purpose" class="brief" aria-label="Brief">
      <TextField
        label="Name of the job"
        :model-value="brief.name"
        :wrong="open.fault('/name')"
        :maxlength="140"
        @update:model-value="(v) => open.set('/name', v)"
      />
      <TextField
        label="Vehicle"
        :model-value="brief.vehicle ?? ''"
        :wrong="open.fault('/vehicle')"
        @update:model-value="(v) => open.set('/vehicle', v)"
      />
      <TextField
        class="wide"
        label="What it is for"
        :rows="4"
        :model-value="brief.purpose ?? ''"
        :wrong="open.fault('/purpose')"
        @update:model-value="(v) => open.set('/purpose', v)"
      />
      <ChoiceRow label="Lengths in" :choices="units" :model-value="brief.unit" @update:model-value="setUnit" />
      <ChoiceRow
        label="Grain: arrow keys step by"
        :choices="grainsOf(brief.unit)"
        :model-value="near"
        @update:model-value="(v) => open.set('/grain', v)"
      />
      <ValueField
        label="How many of the whole job"
        kind="count"
        :model-value="brief.quantity"
        :lengths="style"
        :wrong="open.fault('/quantity')"
        @update:model-value="(v) => open.set('/quantity', v)"
      />
    </section>
    <section id="which">
      <h2>Which vehicle it is</h2>
      <IdentityForm :open="open" :job="job" />
    </section>
    <section id="targets">
      <h2>Targets</h2>
      <TargetList :open="open" :told="told" />
    </section>
    <section id="road">
      <h2>Road and strength</h2>
      <RoadForm :open="open" />
    </section>
    <section id="devices">
      <h2>Devices carried</h2>
      <DeviceList :open="open" />
    </section>
    <section id="weights">
      <h2>Weights</h2>
      <WeightCard :open="open" :told="told" />
    </section>
    <section id="limits">
      <h2>Limits</h2>
      <LimitForm :open="open" :job="job" />
    </section>
    <section id="options">
      <h2>Ways to do it</h2>
      <OptionList :open="open" />
    </section>
    <section id="open">
      <h2>Open questions</h2>
      <OpenList :open="open" :job="job" />
    </section>
    <section id="numbers">
      <h2>Kept numbers</h2>
      <p v-if="!page.numbers.length" class="soft">
        None yet. <RouterLink to="/quick">Work one out</RouterLink> and keep it here.
      </p>
      <ul v-else class="numbers">
        <li v-for="n in page.numbers" :key="n.id">
          <KeptNumber :number="n" :lengths="style" />
          <SurePress
            text="Remove"
            :name="`Remove ${n.title}`"
            :ask="`${n.title} is gone for good. Remove it?`"
            @sure="drop(n.id)"
          />
        </li>
      </ul>
    </section>
    <p><RouterLink class="press main" :to="`/jobs/${job}/shape`">On to the parts</RouterLink></p>
  </SheetIndex>
  <p v-else class="page soft">Fetching the job.</p>
</template>

<style scoped>
.says {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
.says li {
  border-left: 4px solid var(--rule-strong);
  padding: 4px 10px;
}
.says .mind {
  border-color: var(--mind);
  background: var(--mind-wash);
}
section {
  scroll-margin-top: 12px;
}
section > h2 {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 6px;
  margin-bottom: 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
}
.head h1 {
  flex: 1 1 0;
  min-width: 12ch;
}
.brief {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px 24px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.numbers {
  list-style: none;
  margin: 0;
  padding: 0;
}
.numbers li {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 640px) {
  .brief {
    grid-template-columns: 1fr;
  }
}
</style>
