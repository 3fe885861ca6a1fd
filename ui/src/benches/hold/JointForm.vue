<script setup lang="ts">
// Which bolt, through which holes, into what, how it is tightened and what it
// goes through.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import type { BoltedJoint, HoldingView } from '@/api/client'
import { useStock } from '@/api/queries'
import { shopOf, shows, wordOf, wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import PlaceList from '@/quick/PlaceList.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const { data: stock } = useStock()
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
const design = computed(() => joint.value.design)
const { set, fault } = props.open.under(() => `/joints/${props.at}` as const)
const threads = computed(() =>
  (stock.value?.threads ?? []).map((t) => ({
    value: `${t.system} ${t.size} ${t.pitch}`,
    text: t.name,
  })),
)
const thread = computed(() => {
  const coarse = stock.value?.threads.find((t) => t.system === design.value.system && t.size === design.value.size && t.coarse)
  return `${design.value.system} ${design.value.size} ${design.value.pitch || coarse?.pitch}`
})
const grades = computed(() => [
  ...new Set((stock.value?.grades ?? []).filter((g) => g.system === design.value.system).map((g) => g.name)),
])
function setThread(v: string) {
  const [system, ...rest] = v.split(' ') as ['metric' | 'inch', ...string[]]
  set('/design', {
    ...design.value,
    system,
    size: rest.slice(0, -1).join(' '),
    pitch: Number(rest.at(-1)),
    grade: system === design.value.system ? design.value.grade : shopOf(system === 'inch').joint.grade,
  })
}
const parts = computed(() => [
  { value: '', text: 'places that are typed' },
  ...(props.open.page.value?.parts ?? []).map((p) => ({ value: p.id, text: `holes of ${p.name}` })),
])
const features = computed(() => (props.view?.features ?? []).filter((f) => f.part === joint.value.part))
function through(part: string) {
  const first = (props.view?.features ?? []).find((f) => f.part === part)
  props.open.set(`/joints/${props.at}`, {
    ...joint.value,
    part: part || undefined,
    features: part && first ? [first.id] : undefined,
  } satisfies BoltedJoint)
}
const flip = (id: string) => {
  const now = joint.value.features ?? []
  set('/features', now.includes(id) ? now.filter((x) => x !== id) : [...now, id])
}
/** Another nut: a rivet has a size of its own. */
const setNut = (nut: BoltedJoint['design']['nut']) =>
  set('/design', {
    ...design.value,
    nut,
    rivet: nut === 'rivet' ? (design.value.rivet ?? { diameter: 4.8, material: 'steel' }) : undefined,
  })
const asks = (field: string) => shows('JointInput', 'nut', design.value.nut, field)
const riveted = computed(() => asks('rivet'))
const rivets = computed(() =>
  (stock.value?.rivets ?? []).map((r) => ({
    value: `${r.diameter} ${r.material}`,
    text: `${props.open.style.value.unit === 'mm' ? r.metric : `${r.inch} in`}, ${wordOf('JointRivetPick', 'material', r.material)?.text}`,
  })),
)
function setRivet(v: string) {
  const r = stock.value?.rivets.find((x) => `${x.diameter} ${x.material}` === v)
  if (r) set('/design/rivet', { diameter: r.diameter, material: r.material })
}
const goes = [
  { key: 'shakes', text: 'is driven and shakes' },
  { key: 'hot', text: 'gets hot, over 100 °C' },
  { key: 'wet', text: 'gets wet' },
  { key: 'reused', text: 'is taken apart often' },
] as const
const near = computed(() => wordsOf('JointInput', 'meets'))
const meets = (k: NonNullable<BoltedJoint['design']['meets']>[number]) => {
  const now = design.value.meets ?? []
  set('/design/meets', now.includes(k) ? now.filter((x) => x !== k) : [...now, k])
}
</script>

<template>
  <section class="stack">
    <h2>The bolts</h2>
    <FieldGrid :min="200">
      <PickOne
        v-if="riveted"
        label="Rivet"
        :choices="rivets"
        :model-value="`${design.rivet?.diameter} ${design.rivet?.material}`"
        @update:model-value="setRivet"
      />
      <PickOne v-if="!riveted" label="Thread" :choices="threads" :model-value="thread" @update:model-value="setThread" />
      <PickOne
        v-if="!riveted"
        label="Class"
        :choices="grades.map((g) => ({ value: g, text: g }))"
        :model-value="design.grade"
        @update:model-value="(v) => set('/design/grade', v)"
      />
      <PickOne
        v-if="asks('head')"
        label="Head"
        :choices="wordsOf('JointInput', 'head')"
        :model-value="design.head ?? 'hex'"
        @update:model-value="(v) => set('/design/head', v === 'hex' ? undefined : v)"
      />
      <PickOne
        label="Screwed into"
        :choices="wordsOf('JointInput', 'nut')"
        :model-value="design.nut"
        @update:model-value="setNut"
      />
      <template v-if="asks('track')">
        <ValueField
          label="The track's slot"
          :model-value="design.track?.opening ?? null"
          :lengths="open.style.value"
          :wrong="fault('/design/track/opening')"
          @update:model-value="(v) => set('/design/track', { deep: 0, ...design.track, opening: v })"
        />
        <ValueField
          label="Under its lips, deep"
          :model-value="design.track?.deep ?? null"
          :lengths="open.style.value"
          :wrong="fault('/design/track/deep')"
          @update:model-value="(v) => set('/design/track', { opening: 0, ...design.track, deep: v })"
        />
      </template>
      <PickOne
        label="Reached from"
        :choices="wordsOf('JointInput', 'reached')"
        :model-value="design.reached ?? 'both'"
        @update:model-value="(v) => set('/design/reached', v === 'both' ? undefined : v)"
      />
      <ValueField
        v-if="!riveted"
        label="Washers on each"
        kind="count"
        :model-value="design.washers"
        :lengths="open.style.value"
        :wrong="fault('/design/washers')"
        @update:model-value="(v) => set('/design/washers', v)"
      />
      <ValueField
        v-if="!riveted"
        label="Washer across"
        :model-value="design.washer ?? null"
        :lengths="open.style.value"
        note="empty for a plain one"
        :wrong="fault('/design/washer')"
        @update:model-value="(v) => set('/design/washer', v ?? undefined)"
      />
      <PickOne
        v-if="!riveted"
        label="Tightened"
        :choices="wordsOf('JointTightening', 'lubrication')"
        :model-value="design.tighten.lubrication"
        @update:model-value="(v) => set('/design/tighten/lubrication', v)"
      />
      <ValueField
        v-if="asks('head')"
        label="Share of proof, %"
        kind="number"
        :model-value="Math.round(1000 * (design.tighten.share || 0.75)) / 10"
        :lengths="open.style.value"
        note="75 is usual"
        :wrong="fault('/design/tighten/share')"
        @update:model-value="(v) => set('/design/tighten/share', v ? Number(v) / 100 : undefined)"
      />
      <ValueField
        v-if="asks('angle')"
        label="A side may be turned by"
        kind="angle"
        :model-value="design.angle ?? 0"
        :lengths="open.style.value"
        note="it moves the far holes"
        :wrong="fault('/design/angle')"
        @update:model-value="(v) => set('/design/angle', v || undefined)"
      />
      <PickOne
        v-if="!riveted"
        label="Locked by"
        :choices="wordsOf('JointTightening', 'locking')"
        :model-value="design.tighten.locking"
        @update:model-value="(v) => set('/design/tighten/locking', v)"
      />
      <ValueField
        v-if="!riveted && design.tighten.locking === 'liquid'"
        label="Cures at, °C"
        kind="number"
        :model-value="design.tighten.cures ?? 20"
        :lengths="open.style.value"
        :wrong="fault('/design/tighten/cures')"
        @update:model-value="(v) => set('/design/tighten/cures', v)"
      />
    </FieldGrid>
    <FieldGrid :min="200">
      <PickOne
        label="What it is for"
        :choices="wordsOf('Joint', 'purpose')"
        :model-value="joint.purpose ?? 'carries'"
        @update:model-value="(v) => set('/purpose', v === 'carries' ? undefined : v)"
      />
      <TextField
        label="Note on its hardware"
        :model-value="joint.note ?? ''"
        @update:model-value="(v) => set('/note', v || undefined)"
      />
      <TextField
        label="Put in instead of what is listed"
        :model-value="joint.swapped ?? ''"
        @update:model-value="(v) => set('/swapped', v || undefined)"
      />
    </FieldGrid>
    <FieldGrid :min="200">
      <fieldset>
        <PickOne label="The bolts go through" :choices="parts" :model-value="joint.part ?? ''" @update:model-value="through" />
        <template v-if="joint.part">
          <label v-for="f in features" :key="f.id" class="tick">
            <input type="checkbox" :checked="(joint.features ?? []).includes(f.id)" @change="flip(f.id)" />
            <span
              >{{ f.name }} <span class="soft small">{{ f.count }} × {{ f.size }}</span></span
            >
          </label>
        </template>
        <PlaceList
          v-else
          label="Bolts"
          :axes="['across', 'up']"
          :lengths="open.style.value"
          :model-value="(design.holes ?? []) as number[][]"
          :fault="() => undefined"
          @update:model-value="(v) => set('/design/holes', v)"
        />
      </fieldset>
      <fieldset>
        <legend class="label">The joint</legend>
        <label v-for="g in goes" :key="g.key" class="tick">
          <input
            type="checkbox"
            :checked="design.tighten[g.key] ?? false"
            @change="set(`/design/tighten/${g.key}`, !design.tighten[g.key] || undefined)"
          />
          {{ g.text }}
        </label>
        <label v-if="joint.part" class="tick">
          <input type="checkbox" :checked="joint.headsBack ?? false" @change="set('/headsBack', !joint.headsBack || undefined)" />
          has its heads on the part's other face
        </label>
        <label class="tick">
          <input type="checkbox" :checked="design.noSlip ?? false" @change="set('/design/noSlip', !design.noSlip || undefined)" />
          must not slip
        </label>
        <label class="tick">
          <input type="checkbox" :checked="design.double ?? false" @change="set('/design/double', !design.double || undefined)" />
          pulls on its middle ply
        </label>
      </fieldset>
      <fieldset>
        <legend class="label">It is part of, or near to</legend>
        <label v-for="n in near" :key="n.value" class="tick">
          <input type="checkbox" :checked="(design.meets ?? []).includes(n.value)" @change="meets(n.value)" /> {{ n.text }}
        </label>
      </fieldset>
    </FieldGrid>
  </section>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
</style>
