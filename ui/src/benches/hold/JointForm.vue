<script setup lang="ts">
// Which bolt, through which holes, into what, how it is tightened and what it
// goes through.
import { computed } from 'vue'
import type { BoltedJoint, HoldingView } from '@/api/client'
import { useStock } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import PlaceList from '@/quick/PlaceList.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const { data: stock } = useStock()
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
const design = computed(() => joint.value.design)
const { set } = props.open.under(() => `/joints/${props.at}` as const)
const threads = computed(() =>
  (stock.value?.threads ?? []).map((t) => ({
    value: `${t.system} ${t.size} ${t.pitch}`,
    text: `${t.size}${t.system === 'inch' ? '-' : ' × '}${t.pitch}`,
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
  const first = stock.value?.grades.find((g) => g.system === system)?.name
  set('/design', {
    ...design.value,
    system,
    size: rest.slice(0, -1).join(' '),
    pitch: Number(rest.at(-1)),
    grade: system === design.value.system ? design.value.grade : system === 'metric' ? '8.8' : (first ?? 'SAE 5'),
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
const nuts = [
  { value: 'hex', text: 'a hexagon nut' },
  { value: 'lock', text: 'a nut with a plastic ring' },
  { value: 'tapped', text: 'a thread in the last ply' },
  { value: 'weldnut', text: 'a weld nut' },
  { value: 'rivetnut', text: 'a rivet nut' },
  { value: 'slotnut', text: 'a slot nut in a track' },
  { value: 'pin', text: 'nothing: a pin with a clip' },
  { value: 'selfdrill', text: 'its own hole: self-drilling' },
  { value: 'rivet', text: 'nothing: a blind rivet' },
] as const
/** Another nut: a rivet has a size of its own. */
const setNut = (nut: BoltedJoint['design']['nut']) =>
  set('/design', {
    ...design.value,
    nut,
    rivet: nut === 'rivet' ? (design.value.rivet ?? { diameter: 4.8, material: 'steel' }) : undefined,
  })
const riveted = computed(() => design.value.nut === 'rivet')
const rivets = computed(() =>
  (stock.value?.rivets ?? []).map((r) => ({
    value: `${r.diameter} ${r.material}`,
    text: `${props.open.style.value.unit === 'mm' ? `${r.diameter} mm` : `${inch(r.diameter)}"`}, ${r.material}`,
  })),
)
/** Rivets come in 32nds. */
function inch(mm: number) {
  let [n, d] = [Math.round((mm / 25.4) * 32), 32]
  while (n % 2 === 0) [n, d] = [n / 2, d / 2]
  return `${n}/${d}`
}
function setRivet(v: string) {
  const r = stock.value?.rivets.find((x) => `${x.diameter} ${x.material}` === v)
  if (r) set('/design/rivet', { diameter: r.diameter, material: r.material })
}
const headed = computed(() => !['rivet', 'pin', 'selfdrill'].includes(design.value.nut))
const drilled = computed(() => !['rivet', 'selfdrill'].includes(design.value.nut))
const heads = [
  { value: 'hex', text: 'a hexagon' },
  { value: 'socket', text: 'a socket for a key' },
] as const
const reached = [
  { value: 'both', text: 'both sides' },
  { value: 'heads', text: "the heads' side only" },
  { value: 'nuts', text: "the nuts' side only" },
] as const
const oils = [
  { value: 'dry', text: 'dry, K 0.20' },
  { value: 'oiled', text: 'oiled, K 0.16' },
  { value: 'waxed', text: 'waxed, K 0.12' },
  { value: 'antiseize', text: 'antiseize, K 0.13' },
  { value: 'moly', text: 'moly grease, K 0.11' },
] as const
const locks = [
  { value: 'none', text: 'nothing' },
  { value: 'plastic', text: 'a plastic ring' },
  { value: 'metal', text: 'an all-metal lock nut' },
  { value: 'liquid', text: 'liquid lock' },
  { value: 'jam', text: 'a jam nut' },
  { value: 'wire', text: 'wire' },
] as const
const goes = [
  { key: 'shakes', text: 'is driven and shakes' },
  { key: 'hot', text: 'gets hot, over 100 °C' },
  { key: 'wet', text: 'gets wet' },
  { key: 'reused', text: 'is taken apart often' },
] as const
const near = [
  { key: 'recovery', text: 'a recovery point' },
  { key: 'coupling', text: 'a coupling' },
  { key: 'seat', text: 'a seat or belt' },
  { key: 'steering', text: 'steering, brakes or suspension' },
  { key: 'body', text: 'thin body sheet' },
  { key: 'lines', text: 'lines behind the wall' },
  { key: 'voltage', text: 'high voltage' },
] as const
const meets = (k: (typeof near)[number]['key']) => {
  const now = design.value.meets ?? []
  set('/design/meets', now.includes(k) ? now.filter((x) => x !== k) : [...now, k])
}
</script>

<template>
  <section class="stack">
    <h2>The bolts</h2>
    <div class="cells">
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
        v-if="headed"
        label="Head"
        :choices="[...heads]"
        :model-value="design.head ?? 'hex'"
        @update:model-value="(v) => set('/design/head', v === 'hex' ? undefined : v)"
      />
      <PickOne label="Screwed into" :choices="[...nuts]" :model-value="design.nut" @update:model-value="setNut" />
      <PickOne
        label="Reached from"
        :choices="[...reached]"
        :model-value="design.reached ?? 'both'"
        @update:model-value="(v) => set('/design/reached', v === 'both' ? undefined : v)"
      />
      <ValueField
        v-if="!riveted"
        label="Washers on each"
        kind="count"
        :model-value="design.washers"
        :lengths="open.style.value"
        @update:model-value="(v) => set('/design/washers', v)"
      />
      <ValueField
        v-if="!riveted"
        label="Washer across"
        :model-value="design.washer ?? null"
        :lengths="open.style.value"
        note="empty for a plain one"
        @update:model-value="(v) => set('/design/washer', v ?? undefined)"
      />
      <PickOne
        v-if="!riveted"
        label="Tightened"
        :choices="[...oils]"
        :model-value="design.tighten.lubrication"
        @update:model-value="(v) => set('/design/tighten/lubrication', v)"
      />
      <ValueField
        v-if="headed"
        label="Share of proof, %"
        kind="number"
        :model-value="Math.round(1000 * (design.tighten.share || 0.75)) / 10"
        :lengths="open.style.value"
        note="75 is usual"
        @update:model-value="(v) => set('/design/tighten/share', v ? Number(v) / 100 : undefined)"
      />
      <ValueField
        v-if="drilled"
        label="A side may be turned by"
        kind="angle"
        :model-value="design.angle ?? 0"
        :lengths="open.style.value"
        note="it moves the far holes"
        @update:model-value="(v) => set('/design/angle', v || undefined)"
      />
      <PickOne
        v-if="!riveted"
        label="Locked by"
        :choices="[...locks]"
        :model-value="design.tighten.locking"
        @update:model-value="(v) => set('/design/tighten/locking', v)"
      />
      <ValueField
        v-if="!riveted && design.tighten.locking === 'liquid'"
        label="Cures at, °C"
        kind="number"
        :model-value="design.tighten.cures ?? 20"
        :lengths="open.style.value"
        @update:model-value="(v) => set('/design/tighten/cures', v)"
      />
    </div>
    <div class="cells">
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
        <label v-for="n in near" :key="n.key" class="tick">
          <input type="checkbox" :checked="(design.meets ?? []).includes(n.key)" @change="meets(n.key)" /> {{ n.text }}
        </label>
      </fieldset>
    </div>
  </section>
</template>

<style scoped>
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px 18px;
  align-items: start;
}
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
