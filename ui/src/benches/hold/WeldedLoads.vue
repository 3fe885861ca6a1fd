<script setup lang="ts">
// What pulls on a welded joint: a bracket's feet, the load path, or loads typed.
import { computed } from 'vue'
import type { WeldedJoint, WeldedTold } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import CardList from '@/kit/CardList.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief; at: number; told: WeldedTold }>()
const path = computed(() => `/welded/${props.at}/cases` as const)
const joint = computed(() => props.open.brief.value!.welded![props.at]!)
const braced = computed(() => props.open.brief.value?.welded?.find((w) => w.id === joint.value.braces)?.name)
const sources = computed(() => [
  { value: '', text: 'typed here' },
  { value: 'path', text: 'along the load path' },
  ...(joint.value.corner ? [{ value: 'corner', text: 'what its foot takes of the end of the member' }] : []),
  ...(joint.value.braces ? [{ value: 'braces', text: `what its foot takes of ${braced.value || 'a joint that is gone'}` }] : []),
  ...(props.open.brief.value?.mounts ?? [])
    .filter((m) => m.part === joint.value.sides[0]!.of)
    .map((m) => ({ value: m.id, text: `what ${m.name || 'the bracket'} carries` })),
])
const from = computed(() =>
  joint.value.corner ? 'corner' : joint.value.braces ? 'braces' : joint.value.path ? 'path' : (joint.value.mount ?? ''),
)
const take = (v: string) =>
  props.open.set(`/welded/${props.at}`, {
    ...joint.value,
    path: v === 'path' || undefined,
    mount: v === 'path' || v === 'braces' || v === 'corner' ? undefined : v || undefined,
    braces: v === 'braces' ? joint.value.braces : undefined,
    corner: v === 'corner' ? joint.value.corner : undefined,
  } satisfies WeldedJoint)
const cases = computed(() => joint.value.cases ?? [])
type Case = NonNullable<WeldedJoint['cases']>[number]
const blank = (): Case => ({ name: `case ${cases.value.length + 1}`, force: [0, 0, 0], at: cases.value.at(-1)?.at ?? [0, 0, 0] })
const ways = computed(() => (props.told.placed ? ['forward', 'left', 'up'] : ['right', 'back', 'up']))
const set = (i: number, key: 'force' | 'at' | 'moment', k: number, v: unknown) =>
  props.open.set(
    `${path.value}/${i}/${key}`,
    (cases.value[i]![key] ?? [0, 0, 0]).map((x, n) => (n === k ? Number(v ?? 0) : x)),
  )
const kinds = [
  { key: 'force', kind: 'force', says: (w: string) => `Force ${w}` },
  { key: 'at', kind: 'length', says: (w: string) => `acts at, ${w}` },
  { key: 'moment', kind: 'moment', says: (w: string) => `Moment about ${w}` },
] as const
/** Laps and edges alone can be of plates that lie on each other. */
const mayLie = computed(
  () => !!joint.value.layers || (joint.value.seams ?? []).some((s) => s.form === 'lap' || s.form === 'edge'),
)
const more = [
  { key: 'over', text: 'More layers on the first, together' },
  { key: 'under', text: 'More layers under the second' },
] as const
const factored = computed(() => props.open.brief.value?.strength?.school === 'factored')
</script>

<template>
  <section class="stack">
    <h2>What pulls on it</h2>
    <ChoiceRow label="Loads" :choices="sources" :model-value="from" @update:model-value="take" />
    <p v-if="joint.corner" class="small soft">
      Its foot and the end of the member are one group of lines: what the foot takes of every case of the frame goes through both
      its legs, either way. The end's own weld goes on carrying everything: the gusset gets no credit for it.
    </p>
    <p v-else-if="joint.braces" class="small soft">
      The foot stands in that joint and shares its load there by where it lies; what it takes goes through these seams.
    </p>
    <p v-else-if="joint.path" class="small soft">
      Every case of the brief, from what pushes through all that lies between. Where bolts hold the same two things, the weld gets
      everything.
    </p>
    <p v-else-if="joint.mount" class="small soft">Every foot that stands on the bracket, in every case of the brief.</p>
    <template v-else>
      <p class="small soft">
        <template v-if="told.placed">In the vehicle's axes: forward, left and up of the datum.</template>
        <template v-else>In the first part's axes: to the right of its base, to its back, up off its good side.</template>
        <template v-if="factored"> Type what it really is: the factored school puts its load factor on it.</template>
      </p>
      <CardList
        :rows="cases"
        word="case"
        add="One more case"
        :make="blank"
        small
        @change="(v) => open.set(path, v)"
        v-slot="{ row: c, i }"
      >
        <FieldGrid :min="150" keep :data-case="i">
          <TextField
            label="Case"
            :model-value="c.name"
            :maxlength="80"
            @update:model-value="(v) => open.set(`${path}/${i}/name`, v)"
          />
          <template v-for="q in kinds" :key="q.key">
            <ValueField
              v-for="(w, k) in ways"
              :key="w"
              :label="q.says(w)"
              :kind="q.kind"
              :model-value="(c[q.key] ?? [0, 0, 0])[k]!"
              :lengths="open.style.value"
              :wrong="open.fault(`${path}/${i}/${q.key}/${k}`)"
              @update:model-value="(v) => set(i, q.key, k, v)"
            />
          </template>
        </FieldGrid>
      </CardList>
    </template>
    <template v-if="mayLie">
      <label class="tick">
        <input
          type="checkbox"
          :checked="!!joint.layers"
          @change="open.set(`/welded/${at}/layers`, joint.layers ? undefined : { shear: 0 })"
        />
        Its plates lie on each other and are bent as one
      </label>
      <FieldGrid v-if="joint.layers" :min="190" keep data-layers>
        <ValueField
          label="What shears them, across"
          kind="force"
          :model-value="joint.layers.shear"
          :lengths="open.style.value"
          :wrong="open.fault(`/welded/${at}/layers/shear`)"
          note="half of it along each of two edges"
          @update:model-value="(v) => open.set(`/welded/${at}/layers/shear`, v ?? 0)"
        />
        <ValueField
          v-for="l in more"
          :key="l.key"
          :label="l.text"
          :model-value="joint.layers[l.key] ?? 0"
          :lengths="open.style.value"
          :wrong="open.fault(`/welded/${at}/layers/${l.key}`)"
          @update:model-value="(v) => open.set(`/welded/${at}/layers/${l.key}`, v || undefined)"
        />
      </FieldGrid>
    </template>
  </section>
</template>
