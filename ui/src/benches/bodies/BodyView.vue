<script setup lang="ts">
// The body as its panels stand: tap a panel or a point, drag a point.
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import { pause } from '@/body/pace'
import { afterFrame } from '@/kit/afterFrame'
import type { Dot, Thing } from '@/body/scene'
import ThingsView from '@/body/ThingsView.vue'
import type { OpenBody } from './useBody'

type V = readonly number[]
const props = defineProps<{
  open: OpenBody
  picked: string[]
  edge?: string[]
  numbers?: { at: V; text: string }[]
  runs?: V[][]
}>()
const emit = defineEmits<{ choose: [id: string] }>()
// Numbers come first: the body is drawn a frame later, where that takes long once the hand rests.
const worked = shallowRef(props.open.worked.value!)
let soon: ReturnType<typeof setTimeout> | undefined
watch(
  () => props.open.worked.value,
  () => {
    clearTimeout(soon)
    soon = setTimeout(() => afterFrame(() => props.open.worked.value && (worked.value = props.open.worked.value)), pause())
  },
)
onScopeDispose(() => clearTimeout(soon))
const things = computed<Thing[]>(() => worked.value.panels.map((p) => ({ id: p.id, ...p.mesh })))
const place = (id: string) => worked.value.points.find((p) => p.id === id)?.at as unknown as V | undefined
const dots = computed<Dot[]>(() =>
  worked.value.points
    .filter((p) => p.at)
    .map((p) => ({
      id: p.id,
      at: p.at as unknown as V,
      taken: props.picked.includes(p.id) || p.id === props.open.chosen.value,
    })),
)
// Edges that are bent, the one looked at, and corners named so far of a new panel.
const lines = (pairs: (string | undefined)[][]) =>
  pairs.map(([a, b]) => [place(a!), place(b!)]).filter((l): l is V[] => !!l[0] && !!l[1])
/** The edges of what must fit inside. */
function boxed(verdict: string) {
  const out: V[][] = []
  for (const f of props.open.doc.value?.fits ?? []) {
    if (worked.value.fits.find((x) => x.id === f.id)?.verdict !== verdict) continue
    const corner = (i: number): V => [f.x + (i & 1 ? f.long : 0), f.y + (i & 2 ? f.wide : 0), f.z + (i & 4 ? f.high : 0)]
    for (let i = 0; i < 8; i++) for (const bit of [1, 2, 4]) if (!(i & bit)) out.push([corner(i), corner(i | bit)])
  }
  return out
}
const over = computed(() => [
  { lines: lines(worked.value.edges.filter((e) => e.kind !== 'bend' && !e.free).map((e) => [e.a, e.b])), color: '--ember' },
  { lines: boxed('good'), color: '--pick' },
  { lines: boxed('bad'), color: '--stop' },
  { lines: lines(worked.value.edges.filter((e) => e.kind === 'bend').map((e) => [e.a, e.b])), color: '--focus' },
  { lines: props.runs ?? [], color: '--pick' },
  { lines: lines(props.edge ? [props.edge] : []), color: '--stop' },
  { lines: lines(props.picked.slice(1).map((p, i) => [props.picked[i], p])), color: '--pick' },
])
const loose = computed(() => props.open.doc.value?.points?.map((p) => p.id) ?? [])
function moved(id: string, by: [number, number, number]) {
  const i = loose.value.indexOf(id)
  const p = props.open.doc.value!.points![i]!
  props.open.set(`/points/${i}`, { ...p, x: p.x + by[0], y: p.y + by[1], z: p.z + by[2] })
  props.open.choose(id)
}
</script>

<template>
  <ThingsView
    label="The body."
    name="body"
    nothing="Nothing to draw yet: set points and name the corners of a panel in turn."
    :things="things"
    :chosen="open.chosen.value"
    :over="over"
    :dots="dots"
    :loose="loose"
    :grain="open.style.value.grain"
    :numbers="numbers"
    @choose="(id) => emit('choose', id)"
    @move="moved"
  />
</template>
