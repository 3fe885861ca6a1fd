<script setup lang="ts">
// What pulls on the joint, case by case: force and the place it acts at.
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { BoltedJoint, HoldingView } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import JointStands from './JointStands.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const path = computed(() => `/joints/${props.at}/design/cases` as const)
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
const blank = (): Case => ({
  name: `case ${cases.value.length + 1}`,
  force: [0, 0, 0],
  at: cases.value.at(-1)?.at ?? [0, 0, 0],
})
const factored = computed(() => props.open.brief.value?.strength?.school === 'factored')
type Case = (typeof cases.value)[number]
const ways = ['across', 'up', 'off'] as const
/** What is asked of a case: its force, where it acts, and its moment. */
function asked(c: Case, i: number) {
  const number = (v: unknown) => Number(v ?? 0)
  const m = c.moment ?? [0, 0, 0]
  return [
    ...ways.map((w, k) => ({
      label: `Force ${w}`,
      kind: 'force' as const,
      wrong: props.open.fault(`${path.value}/${i}/force/${k}`),
      value: c.force[k]!,
      set: (v: unknown) => props.open.set(`${path.value}/${i}/force/${k}`, number(v)),
    })),
    ...ways.map((w, k) => ({
      label: `acts at, ${w}`,
      kind: 'length' as const,
      wrong: props.open.fault(`${path.value}/${i}/at/${k}`),
      value: c.at[k]!,
      set: (v: unknown) => props.open.set(`${path.value}/${i}/at/${k}`, number(v)),
    })),
    ...ways.map((w, k) => ({
      label: `Moment about ${w}`,
      kind: 'moment' as const,
      wrong: props.open.fault(`${path.value}/${i}/moment/${k}`),
      value: m[k]!,
      set: (v: unknown) =>
        props.open.set(
          `${path.value}/${i}/moment`,
          m.map((x, n) => (n === k ? number(v) : x)),
        ),
    })),
  ]
}
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
        <template v-if="factored">Type what it really is: the factored school puts its load factor on it.</template>
      </p>
      <CardList
        :rows="cases"
        word="case"
        add="One more case"
        :make="blank"
        small
        ordered
        @change="(v) => open.set(path, v)"
        v-slot="{ row: c, i }"
      >
        <div class="case" :data-case="i">
          <TextField
            label="Case"
            :model-value="c.name"
            :maxlength="80"
            @update:model-value="(v) => open.set(`${path}/${i}/name`, v)"
          />
          <ValueField
            v-for="f in asked(c, i)"
            :key="f.label"
            :label="f.label"
            :kind="f.kind"
            :model-value="f.value"
            :lengths="open.style.value"
            :wrong="f.wrong"
            @update:model-value="f.set"
          />
        </div>
      </CardList>
    </template>
  </section>
</template>

<style scoped>
.case {
  display: grid;
  grid-template-columns: repeat(9, minmax(0, 1fr));
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
