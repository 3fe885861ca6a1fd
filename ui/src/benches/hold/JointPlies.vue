<script setup lang="ts">
// What is bolted together, from the head on.
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import type { BoltedJoint, BoltedTold, HoldingView, JointPly } from '@/api/client'
import { useStock } from '@/api/queries'
import { mayBe } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { given, type Side, sideKey } from './sides'

const props = defineProps<{ open: OpenBrief; at: number; told: BoltedTold; view?: HoldingView }>()
const { data: stock } = useStock()
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
const plies = computed(() => joint.value.design.plies ?? [])
const of = (i: number) => joint.value.sides?.[i]
const ply = (i: number) => props.open.under(() => `/joints/${props.at}/design/plies/${i}` as const)
const change = (sides: Side[], next: JointPly[], rubber = joint.value.rubber) =>
  props.open.set(`/joints/${props.at}`, {
    ...joint.value,
    sides,
    rubber,
    design: { ...joint.value.design, plies: next },
  } satisfies BoltedJoint)
const owners = () => plies.value.map((_, i) => of(i) ?? {})
const add = () => change([...owners(), {}], [...plies.value, { name: '', material: 'steel-s235', thickness: 3 }])
function drop(i: number) {
  const r = joint.value.rubber
  change(
    owners().filter((_, k) => k !== i),
    plies.value.filter((_, k) => k !== i),
    !r || r.ply === i ? undefined : { ...r, ply: r.ply > i ? r.ply - 1 : r.ply },
  )
}
function own(i: number, key: string) {
  const choice = props.view?.sides.find((s) => sideKey(s.side) === key)
  change(
    owners().map((o, k) => (k === i ? (choice?.side ?? {}) : o)),
    plies.value.map((p, k) => (k === i && choice ? { ...p, name: choice.name.slice(0, 80) } : p)),
  )
}
const choices = computed(() => [
  { value: '', text: 'typed here' },
  ...(props.view?.sides ?? []).map((s) => ({ value: sideKey(s.side), text: s.name })),
])
const materials = computed(() => [
  { value: '', text: 'no metal, or not known' },
  ...(stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })),
])
const rest = [
  { key: 'guessed', text: 'nobody measured its thickness' },
  { key: 'fixed', text: 'tapped, or its nut does not move' },
  { key: 'slotted', text: 'slotted' },
  { key: 'stiff', text: 'backed or stiff over its whole face' },
  { key: 'hollow', text: 'hollow: a tube' },
  { key: 'sleeved', text: 'has a spacer tube through it' },
] as const
const ratings = [
  { key: 'shear', label: 'Takes sideways' },
  { key: 'pull', label: 'Takes in pull' },
] as const
function setWide(i: number, k: number, v: number) {
  const wide = [...(plies.value[i]!.wide ?? [0, 0])]
  wide[k] = v ?? 0
  ply(i).set('/wide', wide.some((w) => w > 0) ? wide : undefined)
}
const outer = (i: number) => i === 0 || i === plies.value.length - 1
const isRubber = (i: number) => joint.value.rubber?.ply === i
const flipRubber = (i: number) =>
  props.open.set(`/joints/${props.at}/rubber`, isRubber(i) ? undefined : { ply: i, stiffness: 100 })
</script>

<template>
  <section class="stack">
    <h2>What is bolted together, head side first</h2>
    <div v-for="(p, i) in plies" :key="i" class="ply" :data-ply="i">
      <strong class="num">{{ i + 1 }}</strong>
      <div class="cells">
        <PickOne label="It is" :choices="choices" :model-value="sideKey(of(i))" @update:model-value="(v) => own(i, v)" />
        <TextField label="Name" :model-value="p.name" :maxlength="80" @update:model-value="(v) => ply(i).set('/name', v)" />
        <template v-if="!given(of(i))">
          <PickOne
            label="Material"
            :choices="materials"
            :model-value="p.material ?? ''"
            @update:model-value="(v) => ply(i).set('/material', v || undefined)"
          />
          <ValueField
            label="Thickness as measured"
            :model-value="p.thickness"
            :lengths="open.style.value"
            @update:model-value="(v) => ply(i).set('/thickness', v)"
          />
        </template>
        <ValueField
          label="Coats, both faces"
          :model-value="p.coat ?? 0"
          :lengths="open.style.value"
          @update:model-value="(v) => ply(i).set('/coat', v || undefined)"
        />
        <ValueField
          v-if="!isRubber(i)"
          label="Gives way by"
          :model-value="p.squash ?? 0"
          :lengths="open.style.value"
          @update:model-value="(v) => ply(i).set('/squash', v || undefined)"
        />
        <template v-if="isRubber(i)">
          <ValueField
            label="Stiffness of one, N/mm"
            kind="number"
            :model-value="joint.rubber!.stiffness"
            :lengths="open.style.value"
            @update:model-value="(v) => open.set(`/joints/${at}/rubber/stiffness`, v)"
          />
          <ValueField
            label="Keeps away, Hz"
            kind="number"
            :model-value="joint.rubber!.shakes ?? null"
            :lengths="open.style.value"
            note="what shakes; may be empty"
            @update:model-value="(v) => open.set(`/joints/${at}/rubber/shakes`, v ?? undefined)"
          />
          <ValueField
            v-for="r in ratings"
            :key="r.key"
            :label="r.label"
            kind="force"
            :model-value="p.isolator?.[r.key] ?? null"
            :lengths="open.style.value"
            note="of one, by its maker's sheet"
            @update:model-value="(v) => ply(i).set('/isolator', { ...p.isolator, [r.key]: v ?? undefined })"
          />
        </template>
        <template v-if="!joint.part || of(i)?.kind !== 'part' || of(i)?.of !== joint.part">
          <ValueField
            label="Hole"
            :model-value="p.hole || null"
            :lengths="open.style.value"
            @update:model-value="(v) => ply(i).set('/hole', v ?? undefined)"
          />
          <ValueField
            label="Hole to the nearest edge"
            :model-value="p.edge || null"
            :lengths="open.style.value"
            note="from its centre"
            @update:model-value="(v) => ply(i).set('/edge', v ?? undefined)"
          />
          <ValueField
            v-for="(way, k) in ['across', 'up']"
            :key="way"
            :label="`Its width ${way}`"
            :model-value="p.wide?.[k] || null"
            :lengths="open.style.value"
            note="at the holes"
            @update:model-value="(v) => setWide(i, k, v)"
          />
        </template>
        <ValueField
          v-if="outer(i) && !p.stiff"
          label="Hole to the bend, web or wall"
          :model-value="p.pull || null"
          :lengths="open.style.value"
          :note="given(of(i)) ? 'that pulls it off; empty: from the part' : 'that pulls it off'"
          @update:model-value="(v) => ply(i).set('/pull', v ?? undefined)"
        />
        <ValueField
          v-if="p.slotted && !given(of(i))"
          label="Slots run, from across"
          kind="angle"
          :model-value="p.way ?? null"
          :lengths="open.style.value"
          note="towards up; empty: not known"
          @update:model-value="(v) => ply(i).set('/way', v ?? undefined)"
        />
        <PickOne
          label="Its holes are"
          :choices="mayBe('JointPly', 'placed').filter((w) => w.value !== 'typed')"
          :model-value="p.placed ?? ''"
          @update:model-value="(v) => ply(i).set('/placed', v || undefined)"
        />
        <ValueField
          v-if="p.placed"
          label="A hole may lie off by"
          :model-value="p.tolerance || null"
          :lengths="open.style.value"
          note="empty: as usual for how it is made"
          @update:model-value="(v) => ply(i).set('/tolerance', v ?? undefined)"
        />
        <ValueField
          label="Left of its strength"
          kind="number"
          :model-value="p.worn ?? 1"
          :lengths="open.style.value"
          note="1 is whole; less where it rusted"
          @update:model-value="(v) => ply(i).set('/worn', v === 1 ? undefined : v)"
        />
        <div>
          <label v-for="r in rest" :key="r.key" class="tick">
            <input type="checkbox" :checked="p[r.key] ?? false" @change="ply(i).set(`/${r.key}`, !p[r.key] || undefined)" />
            {{ r.text }}
          </label>
          <label v-if="!given(of(i)) && !p.material" class="tick">
            <input type="checkbox" :checked="isRubber(i)" @change="flipRubber(i)" /> an isolator on each bolt
          </label>
        </div>
      </div>
      <button type="button" class="press tight bare" :aria-label="`Remove ply ${i + 1}`" @click="drop(i)">
        <Trash2 :size="18" />
      </button>
    </div>
    <button type="button" class="press tight add" @click="add"><Plus :size="16" aria-hidden="true" />One more ply</button>
  </section>
</template>

<style scoped>
.ply {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
  align-items: start;
}
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px 14px;
  align-items: start;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.add {
  justify-self: start;
}
</style>
