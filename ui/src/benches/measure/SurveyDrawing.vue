<script setup lang="ts">
// What was measured as a drawing of the vehicle, from above and from its right side: points
// and holes where they came out to be, with what was read as dimensions on it. A point that
// is tapped shows its own dimensions and opens in the list.
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Located, Surveyed } from '@/api/client'
import { placed, shortened } from '@/body/labels'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PictureFrame from '@/kit/PictureFrame.vue'
import type { OpenSurvey } from '@/jobs/useSurvey'

const props = defineProps<{ open: OpenSurvey; chosen: string }>()
const emit = defineEmits<{ choose: [id: string]; map: [id: string] }>()
type View = 'plan' | 'side'
const view = ref<View>('plan')
const dims = ref<'chosen' | 'all'>('all')
const drawing = ref<HTMLElement>()
const { width } = useElementSize(drawing)
// As wide as it is shown, so that its letters are as large as all others.
const wide = computed(() => Math.max(360, Math.round(width.value) || 960))
const high = 380
const worked = computed(() => props.open.worked.value as Surveyed | undefined)
const spots = computed(() => (worked.value?.points ?? []).filter((p) => p.at))
const flat = (v: readonly number[]) => ({ x: v[0]!, y: view.value === 'plan' ? v[1]! : v[2]! })
const wheels = computed(() => {
  const w = props.open.survey.value?.wheels
  return w ? [w.front ?? 0, w.rear ?? 0].map((x) => ({ x, y: (w.ground ?? 0) + (w.radius ?? 0), r: w.radius ?? 0 })) : []
})
const frame = computed(() => {
  const all = [
    { x: 0, y: 0 },
    ...spots.value.map((p) => flat(p.at!)),
    ...(view.value === 'side'
      ? wheels.value.flatMap((w) => [
          { x: w.x - w.r, y: w.y - w.r },
          { x: w.x + w.r, y: w.y + w.r },
        ])
      : []),
  ]
  const [x0, x1] = [Math.min(...all.map((p) => p.x)), Math.max(...all.map((p) => p.x))]
  const [y0, y1] = [Math.min(...all.map((p) => p.y)), Math.max(...all.map((p) => p.y))]
  const s = Math.min((wide.value - 240) / Math.max(x1 - x0, 100), (high - 110) / Math.max(y1 - y0, 100))
  return { s, cx: (x0 + x1) / 2, cy: (y0 + y1) / 2 }
})
const put = (v: readonly number[]) => {
  const p = flat(v)
  return { x: wide.value / 2 + (p.x - frame.value.cx) * frame.value.s, y: high / 2 - (p.y - frame.value.cy) * frame.value.s }
}
const marks = computed(() =>
  spots.value.map((p) => ({ p, ...put(p.at!), r: Math.max(3, (p.kind === 'hole' ? (p.size ?? 0) / 2 : 0) * frame.value.s) })),
)
/** The dimensions drawn: those of the chosen point, or of all; a length seen on end is none. */
const lines = computed(() => {
  const of = (p: Located) => dims.value === 'all' || p.id === props.chosen
  const own = spots.value
    .filter(of)
    .flatMap((p) =>
      (p.measured ?? []).map((m) => ({ id: p.id, a: put(m.from), b: put(m.to), text: m.text, mine: p.id === props.chosen })),
    )
  return own.filter((l) => Math.hypot(l.a.x - l.b.x, l.a.y - l.b.y) > 14)
})
/** The distances of maps, as thin lines between their holes. */
const taped = computed(() => {
  const at = new Map(spots.value.map((p) => [p.id, put(p.at!)]))
  return (props.open.survey.value?.maps ?? []).flatMap((m) =>
    m.readings.flatMap((r) => {
      const [a, b] = [at.get(r.from), at.get(r.to)]
      const told = worked.value?.maps.find((t) => t.id === m.id)?.readings.find((t) => t.id === r.id)
      return a && b ? [{ id: m.id, a, b, text: told?.read ?? '' }] : []
    }),
  )
})
const names = computed(() =>
  placed(
    [
      ...lines.value.map((l, i) => ({
        id: `read ${i}`,
        x: (l.a.x + l.b.x) / 2,
        y: (l.a.y + l.b.y) / 2,
        text: l.text,
        clear: 4,
        first: l.mine,
      })),
      ...marks.value
        .filter((m) => !m.p.of)
        .map((m) => ({ id: m.p.id, x: m.x, y: m.y, text: m.p.name, clear: m.r + 5, first: true })),
      ...(props.open.survey.value?.maps ?? []).flatMap((m) => {
        const list = marks.value.filter((k) => k.p.of === m.id)
        if (!list.length) return []
        const top = list.reduce((a, b) => (b.y < a.y ? b : a))
        return [{ id: `map ${m.id}`, x: top.x, y: top.y, text: m.name, clear: 12, first: true }]
      }),
    ],
    wide.value,
    high,
    12,
    [
      ...marks.value.map((m) => ({ x0: m.x - 4, y0: m.y - 4, x1: m.x + 4, y1: m.y + 4 })),
      { x0: 0, y0: high - 74, x1: 110, y1: high },
    ],
    [...lines.value, ...taped.value],
  ),
)
const missing = computed(() =>
  (worked.value?.points ?? []).filter((p) => !p.at && !p.of).map((p) => p.name || 'one without a name'),
)
const pick = (p: Located) => (p.of ? emit('map', p.of) : emit('choose', p.id))
const tap = (id: string) => {
  if (id.startsWith('map ')) emit('map', id.slice(4))
  else if (!id.startsWith('read ')) emit('choose', id)
  else emit('choose', lines.value[Number(id.slice(5))]!.id)
}
const o = computed(() => put([0, 0, 0]))
</script>

<template>
  <div v-if="spots.length" ref="drawing" class="drawing">
    <div class="row">
      <ChoiceRow
        v-model="view"
        label="Seen from"
        :choices="[
          { value: 'plan', text: 'above' },
          { value: 'side', text: 'right side' },
        ]"
      />
      <ChoiceRow
        v-model="dims"
        label="Dimensions"
        :choices="[
          { value: 'all', text: 'of all points' },
          { value: 'chosen', text: 'of the one that is open' },
        ]"
      />
    </div>
    <PictureFrame name="what was measured">
      <svg :viewBox="`0 0 ${wide} ${high}`" role="img" aria-label="What was measured, to scale">
        <g v-if="view === 'side'" class="wheels">
          <circle v-for="(w, i) in wheels" :key="i" :cx="put([w.x, 0, w.y]).x" :cy="put([w.x, 0, w.y]).y" :r="w.r * frame.s" />
        </g>
        <path v-for="(l, i) in taped" :key="`t${i}`" :d="`M${l.a.x} ${l.a.y}L${l.b.x} ${l.b.y}`" class="taped">
          <title>{{ l.text }}</title>
        </path>
        <g v-for="(l, i) in lines" :key="`l${i}`" class="read" :class="{ mine: l.mine }" @click="emit('choose', l.id)">
          <path :d="`M${l.a.x} ${l.a.y}L${l.b.x} ${l.b.y}`" />
          <circle :cx="l.a.x" :cy="l.a.y" r="1.8" />
          <circle :cx="l.b.x" :cy="l.b.y" r="1.8" />
        </g>
        <path :d="`M${o.x - 9} ${o.y}h18M${o.x} ${o.y - 9}v18`" class="datum"><title>datum</title></path>
        <g v-for="m in marks" :key="m.p.id" class="spot" :class="{ on: m.p.id === chosen }" @click="pick(m.p)">
          <circle :cx="m.x" :cy="m.y" r="12" class="reach" />
          <circle v-if="m.p.kind === 'hole'" :cx="m.x" :cy="m.y" :r="m.r" class="hole" />
          <path v-else :d="`M${m.x - 5} ${m.y}h10M${m.x} ${m.y - 5}v10`" />
          <title>{{ m.p.name }}</title>
        </g>
        <text
          v-for="n in names"
          :key="n.id"
          :x="n.lx"
          :y="n.ly"
          :text-anchor="n.anchor"
          :class="{ value: n.id.startsWith('read'), on: n.id === chosen }"
          @click="tap(n.id)"
        >
          {{ n.short }}
          <title>{{ n.text }}</title>
        </text>
        <g class="axes">
          <path :d="`M16 ${high - 16}h44m-7 -4l7 4l-7 4M16 ${high - 16}v-44m-4 7l4 -7l4 7`" />
          <text x="64" :y="high - 11">forward</text>
          <text x="8" :y="high - 64">{{ view === 'plan' ? 'left' : 'up' }}</text>
        </g>
      </svg>
    </PictureFrame>
    <p v-if="missing.length" class="small soft">No place yet: {{ missing.map((m) => shortened(m)).join(', ') }}.</p>
  </div>
</template>

<style scoped>
.drawing {
  display: grid;
  gap: 8px;
}
.row {
  gap: 8px 24px;
}
svg {
  width: 100%;
  background: var(--board);
  border: 1px solid var(--rule);
  font: 560 12px var(--text);
  fill: var(--line);
}
path {
  fill: none;
}
.wheels circle {
  fill: none;
  stroke: var(--line-soft);
  stroke-dasharray: 6 4;
}
.taped {
  stroke: var(--line-soft);
  stroke-width: 0.7;
  opacity: 0.55;
}
.read {
  cursor: pointer;
}
.read path {
  stroke: var(--line-soft);
  stroke-width: 1;
}
.read circle {
  fill: var(--line-soft);
}
.mine path {
  stroke: var(--pick);
  stroke-width: 2;
}
.mine circle {
  fill: var(--pick);
}
.datum {
  stroke: var(--line);
  stroke-width: 1.4;
  stroke-dasharray: 3 2;
}
.spot {
  cursor: pointer;
}
.spot path,
.hole {
  stroke: var(--line);
  stroke-width: 1.6;
  fill: none;
}
.spot.on path,
.spot.on .hole {
  stroke: var(--pick);
  stroke-width: 3;
}
.reach {
  fill: transparent;
}
text {
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 4px;
  cursor: pointer;
}
text.value {
  font-weight: 400;
}
text.on {
  fill: var(--pick);
}
.axes path {
  stroke: var(--line-soft);
}
.axes text {
  fill: var(--line-soft);
  cursor: default;
}
</style>
