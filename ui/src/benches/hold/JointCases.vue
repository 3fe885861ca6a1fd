<script setup lang="ts">
// What pulls on the joint, case by case: force and the place it acts at.
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import type { BoltedJoint, HoldingView } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import JointStands from './JointStands.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const path = computed(() => `/joints/${props.at}/design/cases`)
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
/** Where the loads come from. */
const sources = computed(() => [
  { value: '', text: 'typed here' },
  { value: 'path', text: 'along the load path' },
  ...(props.open.brief.value?.mounts ?? [])
    .filter((m) => m.part === joint.value.part)
    .map((m) => ({ value: m.id, text: `what ${m.name || 'the bracket'} carries` })),
])
const from = computed(() => (joint.value.path ? 'path' : (joint.value.mount ?? '')))
const take = (v: string) =>
  props.open.set(`/joints/${props.at}`, {
    ...joint.value,
    path: v === 'path' || undefined,
    mount: v === 'path' ? joint.value.mount : v || undefined,
  } satisfies BoltedJoint)
const cases = computed(() => props.open.brief.value!.joints![props.at]!.design.cases ?? [])
const add = () =>
  props.open.set(path.value, [
    ...cases.value,
    { name: `case ${cases.value.length + 1}`, force: [0, 0, 0], at: cases.value.at(-1)?.at ?? [0, 0, 0] },
  ])
const drop = (i: number) =>
  props.open.set(
    path.value,
    cases.value.filter((_, k) => k !== i),
  )
/** A moment typed in N·m. */
function turn(i: number, k: number, v: unknown) {
  const m = [...(cases.value[i]!.moment ?? [0, 0, 0])]
  m[k] = Math.round(1000 * Number(v ?? 0))
  props.open.set(`${path.value}/${i}/moment`, m.some((x) => x) ? m : undefined)
}
const ways = ['across', 'up', 'off'] as const
</script>

<template>
  <section class="stack">
    <h2>What pulls on it</h2>
    <ChoiceRow label="Loads" :choices="sources" :model-value="from" @update:model-value="take" />
    <p v-if="joint.path" class="small soft">
      Every case of the brief, from what pushes through the joints above it: each thing a stiff body on the joints that hold it.
      Say of the plies what they belong to.
    </p>
    <JointStands v-if="joint.path || joint.stands?.length" :open="open" :at="at" :view="view" />
    <p v-if="joint.mount && !joint.path" class="small soft">
      Every foot that stands on the bracket, in every case of the brief, from its carrying holes on to these bolts.
    </p>
    <template v-if="!joint.mount && !joint.path">
      <p class="small soft">
        On the ply under the heads, in the axes of its flat pattern: across to the right, up to its back, off along the bolts
        towards their heads.
      </p>
      <div v-for="(c, i) in cases" :key="i" class="case" :data-case="i">
        <TextField
          label="Case"
          :model-value="c.name"
          :maxlength="80"
          @update:model-value="(v) => open.set(`${path}/${i}/name`, v)"
        />
        <ValueField
          v-for="(w, k) in ways"
          :key="w"
          :label="`Force ${w}, N`"
          kind="number"
          :model-value="c.force[k]!"
          :lengths="open.style.value"
          @update:model-value="(v) => open.set(`${path}/${i}/force/${k}`, v)"
        />
        <ValueField
          v-for="(w, k) in ways"
          :key="`at ${w}`"
          :label="`acts at, ${w}`"
          :model-value="c.at[k]!"
          :lengths="open.style.value"
          @update:model-value="(v) => open.set(`${path}/${i}/at/${k}`, v)"
        />
        <ValueField
          v-for="(w, k) in ways"
          :key="`about ${w}`"
          :label="`Moment about ${w}, N·m`"
          kind="number"
          :model-value="(c.moment?.[k] ?? 0) / 1000"
          :lengths="open.style.value"
          @update:model-value="(v) => turn(i, k, v)"
        />
        <button type="button" class="press tight bare" :aria-label="`Remove case ${i + 1}`" @click="drop(i)">
          <Trash2 :size="18" />
        </button>
      </div>
      <button type="button" class="press tight add" @click="add"><Plus :size="16" aria-hidden="true" />One more case</button>
    </template>
  </section>
</template>

<style scoped>
.case {
  display: grid;
  grid-template-columns: repeat(9, minmax(0, 1fr)) auto;
  gap: 8px;
  align-items: end;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 10px;
}
.case > :first-child {
  grid-column: 1 / -1;
  max-width: 420px;
}
.add {
  justify-self: start;
}
@media (max-width: 1100px) {
  .case {
    grid-template-columns: repeat(3, minmax(0, 1fr)) auto;
  }
}
</style>
