<script setup lang="ts">
// The frame as it stands: tap a member to choose it. What holds it, what it
// carries and how it bends can be drawn over it.
import { computed } from 'vue'
import type { FrameTold } from '@/api/client'
import type { Dot, Thing } from '@/body/scene'
import ThingsView from '@/body/ThingsView.vue'

type V = readonly number[]
const props = defineProps<{
  worked: FrameTold
  chosen: string
  /** Times the true movement; 0 draws none. */
  bends: number
  arrows?: V[][]
  stands?: V[][]
  /** The first of two points that are being joined. */
  from?: string
  /** Points that may be dragged. */
  loose: string[]
  /** mm a dragged point moves by steps of. */
  grain: number
  numbers?: { at: V; text: string }[]
  /** Runs that are numbered. */
  runs?: V[][]
}>()
const emit = defineEmits<{ choose: [id: string]; move: [id: string, by: [number, number, number]] }>()
const things = computed<Thing[]>(() =>
  [...props.worked.pieces.filter((p) => !p.why), ...props.worked.plates].map((p) => ({ id: p.id, ...p.mesh })),
)
const bent = computed<V[][]>(() =>
  props.bends
    ? props.worked.hold.members.map((m) =>
        m.along.map((s) => s.place.map((v: number, k: number) => v + props.bends * s.shift[k]!)),
      )
    : [],
)
const over = computed(() => [
  { lines: (props.worked.welds ?? []).map((w) => w.path as unknown as V[]), color: '--ember' },
  { lines: props.stands ?? [], color: '--focus' },
  { lines: props.arrows ?? [], color: '--pick' },
  { lines: bent.value, color: '--stop' },
  { lines: props.runs ?? [], color: '--pick' },
])
const dots = computed<Dot[]>(() =>
  props.worked.joints
    .filter((j) => !j.why)
    .map((j) => ({ id: j.id, at: j.at as unknown as V, taken: j.id === props.from || j.id === props.chosen })),
)
</script>

<template>
  <ThingsView
    label="The frame."
    name="frame"
    nothing="Nothing to draw yet: set two points and run a member between them."
    :things="things"
    :chosen="chosen"
    :over="over"
    :dots="dots"
    :loose="loose"
    :grain="grain"
    :numbers="numbers"
    @choose="(id) => emit('choose', id)"
    @move="(id, by) => emit('move', id, by)"
  />
</template>
