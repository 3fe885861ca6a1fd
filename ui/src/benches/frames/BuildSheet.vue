<script setup lang="ts">
// Points, members, copies and plates of a frame.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { FrameDoc, FrameMember } from '@/api/client'
import type { OpenFrame } from './useFrame'
import CopyForm from './CopyForm.vue'
import FillerPick from '@/kit/FillerPick.vue'
import MaterialPick from './MaterialPick.vue'
import MemberForm from './MemberForm.vue'
import PlateForm from './PlateForm.vue'
import PointForm from './PointForm.vue'
import RowList from './RowList.vue'

const props = defineProps<{ open: OpenFrame }>()
const doc = computed(() => props.open.doc.value!)
const worked = computed(() => props.open.worked.value)
const joint = (id: string) => worked.value?.joints.find((j) => j.id === id)
const piece = (id: string) => worked.value?.pieces.find((p) => p.id === id)
const { choose } = props.open
/** What is new is open. */
function fresh<T extends { id: string }>(one: T): T {
  choose(one.id)
  return one
}
type Plate = NonNullable<FrameDoc['plates']>[number]
type Copy = NonNullable<FrameDoc['copies']>[number]
const last = computed(() => doc.value.members?.at(-1))
const point = () => fresh({ id: newId(), name: `Point ${(doc.value.points?.length ?? 0) + 1}` })
const copy = () => fresh<Copy>({ id: newId(), kind: 'mirror', axis: 'y' })
const plate = () =>
  fresh<Plate>({
    id: newId(),
    name: `Plate ${(doc.value.plates?.length ?? 0) + 1}`,
    member: doc.value.members?.[0]?.id ?? '',
    end: 'a',
    kind: 'base',
    width: 120,
    height: 120,
    thickness: 8,
    holes: 4,
    hole: 11,
    margin: 18,
  })
const member = () =>
  fresh<FrameMember>({
    id: newId(),
    name: `Member ${(doc.value.members?.length ?? 0) + 1}`,
    from: '',
    to: '',
    section: last.value?.section ?? { kind: 'rectTube', width: 40, height: 40, wall: 3, outerRadius: 6 },
    stock: last.value ? last.value.stock : '40 × 40 × 3 mm tube',
  })
const copied = computed(() => (worked.value?.pieces ?? []).filter((p) => p.of).length)
</script>

<template>
  <div class="sheet">
    <section>
      <h2>Points</h2>
      <RowList
        :rows="doc.points ?? []"
        :open="open.chosen.value"
        add="Point"
        word="point"
        :name="(p) => p.name"
        :says="(p) => joint(p.id)?.why || (joint(p.id)?.text.join(', ') ?? '')"
        @open="choose"
        :make="point"
        @change="(v) => open.set('/points', v)"
      >
        <template #default="{ index }"><PointForm :open="open" :index="index" /></template>
      </RowList>
      <p class="soft small">x forward, y to the left, z up, in the frame's own axes.</p>
    </section>
    <section>
      <h2>Members</h2>
      <RowList
        :rows="doc.members ?? []"
        :open="open.chosen.value"
        add="Member"
        word="member"
        :name="(m) => m.name"
        :says="(m) => piece(m.id)?.why || `${piece(m.id)?.long ?? ''}${piece(m.id)?.mark ? ' · ' + piece(m.id)?.mark : ''}`"
        @open="choose"
        :make="member"
        @change="(v) => open.set('/members', v)"
      >
        <template #default="{ row, index }"><MemberForm :open="open" :index="index" :piece="piece(row.id)" /></template>
      </RowList>
    </section>
    <section>
      <h2>Mirrored and repeated</h2>
      <p v-if="copied" class="soft small">{{ copied }} members are copies; they follow what they were made from.</p>
      <RowList
        :rows="doc.copies ?? []"
        :open="open.chosen.value"
        add="Mirror or repeat"
        word="copy"
        :name="(c) => (c.kind === 'mirror' ? `mirrored across ${c.axis ?? 'y'}` : `repeated ${c.times ?? 0} times`)"
        :says="(c) => (c.members?.length ? `${c.members.length} members` : 'all members')"
        @open="choose"
        :make="copy"
        @change="(v) => open.set('/copies', v)"
      >
        <template #default="{ index }"><CopyForm :open="open" :index="index" /></template>
      </RowList>
    </section>
    <section>
      <h2>Plates and ears</h2>
      <RowList
        :rows="doc.plates ?? []"
        :open="open.chosen.value"
        add="Plate or ear"
        word="plate"
        :name="(p) => p.name"
        :says="(p) => worked?.plates.find((x) => x.id === p.id)?.text ?? ''"
        @open="choose"
        :make="plate"
        @change="(v) => open.set('/plates', v)"
      >
        <template #default="{ index }"><PlateForm :open="open" :index="index" /></template>
      </RowList>
    </section>
    <section>
      <h2>Material and place</h2>
      <MaterialPick :model-value="doc.material" @update:model-value="(v) => open.set('/material', v)" />
      <FillerPick :model-value="doc.filler" @update:model-value="(v) => open.set('/filler', v)" />
      <p class="soft small">
        Where it stands in the vehicle is said under
        <RouterLink :to="`/jobs/${open.view.value?.jobId}/measure/room`">Room and placing</RouterLink>: by its points on surveyed
        ones.
      </p>
    </section>
  </div>
</template>
