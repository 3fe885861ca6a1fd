<script setup lang="ts">
// What is bolted together, from the head on.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import type { BoltedJoint, BoltedTold, HoldingView, JointPly } from '@/api/client'
import { newId } from '@/api/ids'
import { useStock } from '@/api/queries'
import { mayBe, shopOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import CardList from '@/kit/CardList.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { given, type Side, sideKey } from './sides'

const props = defineProps<{ open: OpenBrief; at: number; told: BoltedTold; view?: HoldingView }>()
const { data: stock } = useStock()
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
/** A ply with what is said of it elsewhere: what it belongs to, that it is rubber. They go and come together. */
type Row = { id: string; ply: JointPly; side: Side; rubber?: BoltedJoint['rubber'] }
const rows = computed<Row[]>(() =>
  (joint.value.design.plies ?? []).map((ply, i) => {
    const id = ply.id ?? String(i)
    return {
      id,
      ply,
      side: joint.value.sides?.find((s) => s.id === id) ?? {},
      rubber: joint.value.rubber?.ply === id ? joint.value.rubber : undefined,
    }
  }),
)
const ply = (i: number) => props.open.under(() => `/joints/${props.at}/design/plies/${i}` as const)
const change = (list: Row[]) =>
  props.open.set(`/joints/${props.at}`, {
    ...joint.value,
    sides: list.map((r) => ({ ...r.side, id: r.id })),
    rubber: list.find((r) => r.rubber)?.rubber,
    design: { ...joint.value.design, plies: list.map((r) => r.ply) },
  } satisfies BoltedJoint)
function blank(): Row {
  const id = newId()
  return { id, ply: { ...shopOf(props.open.style.value.unit !== 'mm').joint.plies![0]!, id }, side: {} }
}
function own(row: Row, key: string) {
  const choice = props.view?.sides.find((s) => sideKey(s.side) === key)
  const named = choice ? { ...row.ply, name: choice.name.slice(0, 80) } : row.ply
  change(rows.value.map((r) => (r.id === row.id ? { ...r, side: choice?.side ?? {}, ply: named } : r)))
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
  const wide = [...(rows.value[i]!.ply.wide ?? [0, 0])]
  wide[k] = v ?? 0
  ply(i).set('/wide', wide.some((w) => w > 0) ? wide : undefined)
}
const outer = (i: number) => i === 0 || i === rows.value.length - 1
const flipRubber = (row: Row) =>
  props.open.set(`/joints/${props.at}/rubber`, row.rubber ? undefined : { ply: row.id, stiffness: 100 })
</script>

<template>
  <section class="stack">
    <h2>What is bolted together, head side first</h2>
    <CardList
      :rows="rows"
      word="ply"
      :name="(_, i) => `ply ${i + 1}`"
      add="One more ply"
      :make="blank"
      ordered
      v-slot="{ row, i }"
      @change="change"
    >
      <div class="ply" :data-ply="i">
        <strong class="num">{{ i + 1 }}</strong>
        <FieldGrid :min="170" keep>
          <PickOne label="It is" :choices="choices" :model-value="sideKey(row.side)" @update:model-value="(v) => own(row, v)" />
          <TextField
            label="Name"
            :model-value="row.ply.name"
            :maxlength="80"
            @update:model-value="(v) => ply(i).set('/name', v)"
          />
          <template v-if="!given(row.side)">
            <PickOne
              label="Material"
              :choices="materials"
              :model-value="row.ply.material ?? ''"
              @update:model-value="(v) => ply(i).set('/material', v || undefined)"
            />
            <ValueField
              label="Thickness as measured"
              :model-value="row.ply.thickness"
              :lengths="open.style.value"
              :wrong="ply(i).fault('/thickness')"
              @update:model-value="(v) => ply(i).set('/thickness', v)"
            />
          </template>
          <ValueField
            label="Coats, both faces"
            :model-value="row.ply.coat ?? 0"
            :lengths="open.style.value"
            :wrong="ply(i).fault('/coat')"
            @update:model-value="(v) => ply(i).set('/coat', v || undefined)"
          />
          <ValueField
            v-if="!row.rubber"
            label="Gives way by"
            :model-value="row.ply.squash ?? 0"
            :lengths="open.style.value"
            :wrong="ply(i).fault('/squash')"
            @update:model-value="(v) => ply(i).set('/squash', v || undefined)"
          />
          <template v-if="row.rubber">
            <ValueField
              label="Stiffness of one"
              kind="rate"
              :model-value="joint.rubber!.stiffness"
              :lengths="open.style.value"
              :wrong="open.fault(`/joints/${at}/rubber/stiffness`)"
              @update:model-value="(v) => open.set(`/joints/${at}/rubber/stiffness`, v)"
            />
            <ValueField
              label="Keeps away, Hz"
              kind="number"
              :model-value="joint.rubber!.shakes ?? null"
              :lengths="open.style.value"
              note="what shakes; may be empty"
              :wrong="open.fault(`/joints/${at}/rubber/shakes`)"
              @update:model-value="(v) => open.set(`/joints/${at}/rubber/shakes`, v ?? undefined)"
            />
            <ValueField
              v-for="r in ratings"
              :key="r.key"
              :label="r.label"
              kind="force"
              :model-value="row.ply.isolator?.[r.key] ?? null"
              :lengths="open.style.value"
              note="of one, by its maker's sheet"
              :wrong="open.fault(`/joints/${at}/design/plies/${i}/isolator/${r.key}`)"
              @update:model-value="(v) => ply(i).set('/isolator', { ...row.ply.isolator, [r.key]: v ?? undefined })"
            />
          </template>
          <template v-if="!joint.part || row.side?.kind !== 'part' || row.side?.of !== joint.part">
            <ValueField
              label="Hole"
              :model-value="row.ply.hole || null"
              :lengths="open.style.value"
              :wrong="ply(i).fault('/hole')"
              @update:model-value="(v) => ply(i).set('/hole', v ?? undefined)"
            />
            <ValueField
              label="Hole to the nearest edge"
              :model-value="row.ply.edge || null"
              :lengths="open.style.value"
              note="from its centre"
              :wrong="ply(i).fault('/edge')"
              @update:model-value="(v) => ply(i).set('/edge', v ?? undefined)"
            />
            <ValueField
              v-for="(way, k) in ['across', 'up']"
              :key="way"
              :label="`Its width ${way}`"
              :model-value="row.ply.wide?.[k] || null"
              :lengths="open.style.value"
              note="at the holes"
              :wrong="open.fault(`/joints/${at}/design/plies/${i}/wide/${k}`)"
              @update:model-value="(v) => setWide(i, k, v)"
            />
          </template>
          <ValueField
            v-if="outer(i) && !row.ply.stiff"
            label="Hole to the bend, web or wall"
            :model-value="row.ply.pull || null"
            :lengths="open.style.value"
            :note="given(row.side) ? 'that pulls it off; empty: from the part' : 'that pulls it off'"
            :wrong="ply(i).fault('/pull')"
            @update:model-value="(v) => ply(i).set('/pull', v ?? undefined)"
          />
          <ValueField
            v-if="row.ply.slotted && !given(row.side)"
            label="Slots run, from across"
            kind="angle"
            :model-value="row.ply.way ?? null"
            :lengths="open.style.value"
            note="towards up; empty: not known"
            :wrong="ply(i).fault('/way')"
            @update:model-value="(v) => ply(i).set('/way', v ?? undefined)"
          />
          <PickOne
            v-if="row.ply.material && !row.rubber"
            label="Its edge is, before"
            :choices="mayBe('JointPly', 'lip')"
            :model-value="row.ply.lip ?? ''"
            @update:model-value="(v) => ply(i).set('/lip', v || undefined)"
          />
          <PickOne
            label="Its holes are"
            :choices="mayBe('JointPly', 'placed').filter((w) => w.value !== 'typed')"
            :model-value="row.ply.placed ?? ''"
            @update:model-value="(v) => ply(i).set('/placed', v || undefined)"
          />
          <ValueField
            v-if="row.ply.placed"
            label="A hole may lie off by"
            :model-value="row.ply.tolerance || null"
            :lengths="open.style.value"
            note="empty: as usual for how it is made"
            :wrong="ply(i).fault('/tolerance')"
            @update:model-value="(v) => ply(i).set('/tolerance', v ?? undefined)"
          />
          <ValueField
            label="Left of its strength"
            kind="number"
            :model-value="row.ply.worn ?? 1"
            :lengths="open.style.value"
            note="1 is whole; less where it rusted"
            :wrong="ply(i).fault('/worn')"
            @update:model-value="(v) => ply(i).set('/worn', v === 1 ? undefined : v)"
          />
          <div>
            <label v-for="r in rest" :key="r.key" class="tick">
              <input
                type="checkbox"
                :checked="row.ply[r.key] ?? false"
                @change="ply(i).set(`/${r.key}`, !row.ply[r.key] || undefined)"
              />
              {{ r.text }}
            </label>
            <label v-if="!given(row.side) && !row.ply.material" class="tick">
              <input type="checkbox" :checked="!!row.rubber" @change="flipRubber(row)" /> an isolator on each bolt
            </label>
          </div>
        </FieldGrid>
      </div>
    </CardList>
  </section>
</template>

<style scoped>
.ply {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr);
  gap: 10px;
  align-items: start;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
</style>
