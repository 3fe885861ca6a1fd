<script setup lang="ts">
// Points, members, copies and plates of a frame.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { FrameMember } from '@/api/client'
import type { OpenFrame } from './useFrame'
import CopyForm from './CopyForm.vue'
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
const list = <T,>(path: string, was: T[] | undefined | null, one: T & { id: string }) => {
  props.open.set(path, [...(was ?? []), one])
  choose(one.id)
}
const last = computed(() => doc.value.members?.at(-1))
function member() {
  const m: FrameMember = {
    id: newId(),
    name: `Member ${(doc.value.members?.length ?? 0) + 1}`,
    from: '',
    to: '',
    section: last.value?.section ?? { kind: 'rectTube', width: 40, height: 40, wall: 3, outerRadius: 6 },
    stock: last.value ? last.value.stock : '40 × 40 × 3 mm tube',
  }
  list('/members', doc.value.members, m)
}
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
        @add="list('/points', doc.points, { id: newId(), name: `Point ${(doc.points?.length ?? 0) + 1}` })"
        @drop="(i) => open.set(`/points/${i}`, undefined)"
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
        @add="member"
        @drop="(i) => open.set(`/members/${i}`, undefined)"
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
        @add="list('/copies', doc.copies, { id: newId(), kind: 'mirror' as const, axis: 'y' as const })"
        @drop="(i) => open.set(`/copies/${i}`, undefined)"
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
        @add="
          list('/plates', doc.plates, {
            id: newId(),
            name: `Plate ${(doc.plates?.length ?? 0) + 1}`,
            member: doc.members?.[0]?.id ?? '',
            end: 'a' as const,
            kind: 'base' as const,
            width: 120,
            height: 120,
            thickness: 8,
            holes: 4,
            hole: 11,
            margin: 18,
          })
        "
        @drop="(i) => open.set(`/plates/${i}`, undefined)"
      >
        <template #default="{ index }"><PlateForm :open="open" :index="index" /></template>
      </RowList>
    </section>
    <section>
      <h2>Material and place</h2>
      <MaterialPick :model-value="doc.material" @update:model-value="(v) => open.set('/material', v)" />
      <p class="soft small">
        Where it stands in the vehicle is said under
        <RouterLink :to="`/jobs/${open.view.value?.jobId}/measure/room`">Room and placing</RouterLink>: by its points on surveyed
        ones.
      </p>
    </section>
  </div>
</template>
